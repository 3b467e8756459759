<script setup lang="ts">
import type { GradingView } from '@peen/contract'
import type { GradeResult } from '@peen/core/grade'
import type { RegionId } from '@peen/core/regions'
import type { Standard } from '@peen/core/standard'
import { computed, ref } from 'vue'
import { agreedLengths, foundLengths } from './gradePlate'
import { useKeys } from '../composables/useKeys'
import DogPlate from '../figure/DogPlate.vue'
import type { PlateNote } from '../figure/plate-note'
import { t } from '../words'

// A graded dog as it was found, from one of its own sides: hairs out are too long, hairs in too short.
const props = defineProps<{
  grading: GradingView
  standard: Standard
  result: GradeResult | null
  notes: readonly PlateNote[]
  selected?: RegionId | null
  caption: string
}>()
defineEmits<{ pick: [region: RegionId] }>()
const side = ref<'left' | 'right'>('left')
const lengths = computed(() => foundLengths(props.standard, props.result, side.value))
useKeys([
  { key: 'l', label: t('grading.seeLeftSide'), run: () => (side.value = 'left') },
  { key: 'r', label: t('grading.seeRightSide'), run: () => (side.value = 'right') }
])
</script>

<template>
  <div>
    <DogPlate
      :dog="{ ...grading.dog, trim: standard.plan.drawnAs }"
      :plan="agreedLengths(standard, side)"
      :lengths="lengths"
      :notes="notes"
      :selected="selected"
      :mirrored="side === 'right'"
      :shows-departures="true"
      :height="464"
      :caption="t('grading.nameCaptionFinishedTrimFrom', { name: grading.dog.name, caption, side })"
      :label="t('grading.nameFoundHairsDrawnOut', { name: grading.dog.name })"
      @pick="(region) => $emit('pick', region)"
    />
    <div class="mt-2 mb-3 flex flex-wrap items-center gap-2">
      <button
        v-for="view in ['left', 'right'] as const"
        :key="view"
        :class="['btn min-h-11 px-4 py-1 text-[16px]', side === view ? 'bg-ink text-sheet' : 'btn-quiet']"
        :aria-pressed="side === view"
        @click="side = view"
      >
        {{ t('grading.viewSide', { view }) }}
      </button>
      <slot />
    </div>
  </div>
</template>
