<script setup lang="ts">
import { v7 } from 'uuid'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
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
const { data, error, refusal, loading, reload } = useAsked('grading', () => ({ id: props.id }), { fresh: true })
const { problem, doing } = useDoing(reload)
const router = useRouter()
/** the trim, where a colleague's mark of it is kept from view */
const visitId = computed(() => (refusal.value?.visitId as string | undefined) ?? null)
const mark = () =>
  doing(async () => {
    const { id } = await ask('openGrading', { id: visitId.value!, body: { id: v7() } })
    await router.push(`/trims/${id}`)
  })
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
  <main v-if="!data && refusal?.code === 'notRead'" class="max-w-[640px] p-4 sm:p-6" tabindex="0">
    <h2 class="title">{{ t('grading.colleaguesMarks') }}</h2>
    <hr class="rule2 mt-2 mb-3" />
    <p class="text-[20px] leading-[1.35]">{{ error }}</p>
    <div class="mt-4 flex flex-wrap gap-2">
      <button v-if="visitId" class="btn btn-go" @click="mark">{{ t('grading.markItYourself') }}</button>
      <button class="btn btn-quiet" @click="read">{{ t('grading.showMarks') }}</button>
      <RouterLink to="/trims" class="btn btn-quiet">{{ t('grading.backTrims') }}</RouterLink>
    </div>
    <p v-if="problem" class="mt-3 font-[650]" role="alert">{{ problem }}</p>
  </main>
  <ViewState v-else-if="!data" :loading="loading" :error="error" @retry="reload" />
  <GradeSheet v-else-if="data.status === 'draft' && data.own" :key="data.id" :grading="data" @signed="reload" />
  <ResultSheet v-else :key="`${data.id} ${data.status}`" :grading="data" @changed="reload" />
</template>
