<script setup lang="ts">
import type { GradingView } from '@peen/contract'
import { computed } from 'vue'
import GradeSheet from '../components/GradeSheet.vue'
import ResultSheet from '../components/ResultSheet.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useLoaded } from '../composables/useLoaded'

// One grading: a sheet to walk through while it is a draft of one's own, a result to read once it is signed.
const props = defineProps<{ id: string }>()
const { data, error, loading, reload } = useLoaded<GradingView>(() => `/gradings/${props.id}`)
const title = computed(() =>
  data.value
    ? `Table ${data.value.tableNumber}, ${data.value.apprentice.givenName} ${data.value.apprentice.familyName} with ${data.value.dog.name}`
    : 'Trim'
)
</script>

<template>
  <TopLine :what="title" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <GradeSheet v-else-if="data.status === 'draft' && data.own" :key="data.id" :grading="data" @signed="reload" />
  <ResultSheet v-else :grading="data" />
</template>
