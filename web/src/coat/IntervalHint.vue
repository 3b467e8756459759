<script setup lang="ts">
import type { CoatPage } from '@peen/contract'
import { coatModel, trimInterval } from '@peen/core/coat'
import { computed } from 'vue'
import { useLoaded } from '../composables/useLoaded'
import { growthOn, sayWeeks, trimParts } from './interval'
import { caseOf } from './useCoat'

// Beside "back in weeks": what the trim, this dog's growth and the brush at home say.
const props = defineProps<{ dogId: string }>()
const { data } = useLoaded<CoatPage>(() => `/coats/${props.dogId}`)
const weeks = computed(() => {
  if (!data.value) return null
  const model = coatModel(caseOf(data.value))
  const { standard, dog, aim } = data.value
  const interval = trimInterval(trimParts(standard), dog.coatType ?? 'mixed', aim.brushing, (region) => growthOn(model, region))
  return interval && { ...sayWeeks(interval), ends: interval.ends }
})
</script>

<template>
  <p v-if="weeks" class="muted mt-1 leading-[1.3]">
    This trim on this dog: {{ weeks.ideal }} {{ weeks.ideal === 1 ? 'week' : 'weeks' }} at best, {{ weeks.fair }} still fair,
    {{ weeks.longest }} the longest{{ weeks.ends === 'mats' ? ', for mats' : '' }}.
    <RouterLink :to="`/coat/${dogId}/next-visit`" class="inline-flex min-h-11 items-center">Place by place</RouterLink>
  </p>
</template>
