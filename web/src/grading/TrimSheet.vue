<script setup lang="ts">
import { computed } from 'vue'
import GradeSheet from './GradeSheet.vue'
import ResultSheet from './ResultSheet.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { ask } from '../api/client'
import { useDoing } from '../composables/useDoing'
import { useAsked } from '../composables/useAsked'
import { t } from '../words'

// One grading: a sheet to walk through while it is a draft of one's own, a result to read once it is signed.
const props = defineProps<{ id: string }>()
const { data, error, code, loading, reload } = useAsked('grading', () => ({ id: props.id }), { fresh: true })
const { problem, doing } = useDoing(reload)
const read = () => doing(() => ask('readGrading', { id: props.id }))
const title = computed(() =>
  data.value
    ? t('grading.tableTableNumberGivenNameFamilyNameName', {
        tableNumber: data.value.tableNumber,
        givenName: data.value.apprentice.givenName,
        familyName: data.value.apprentice.familyName,
        name: data.value.dog.name
      })
    : t('grading.trim')
)
</script>

<template>
  <TopLine :what="title" />
  <main v-if="!data && code === 'notRead'" class="max-w-[640px] p-4 sm:p-6" tabindex="0">
    <h2 class="title">{{ t('grading.colleaguesMarks') }}</h2>
    <hr class="rule2 mt-2 mb-3" />
    <p class="text-[20px] leading-[1.35]">{{ error }}</p>
    <div class="mt-4 flex flex-wrap gap-2">
      <button class="btn" @click="read">{{ t('grading.showMarks') }}</button>
      <RouterLink to="/trims" class="btn btn-quiet">{{ t('grading.backTrims') }}</RouterLink>
    </div>
    <p v-if="problem" class="mt-3 font-[650]" role="alert">{{ problem }}</p>
  </main>
  <ViewState v-else-if="!data" :loading="loading" :error="error" @retry="reload" />
  <GradeSheet v-else-if="data.status === 'draft' && data.own" :key="data.id" :grading="data" @signed="reload" />
  <ResultSheet v-else :grading="data" />
</template>
