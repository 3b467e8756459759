<script setup lang="ts">
import { computed } from 'vue'
import ChoiceRow from '../components/ChoiceRow.vue'
import GlyphMark from '../components/GlyphMark.vue'
import type { Photo } from './usePhoto'
import { outlineTools, sayTool, type OutlineTool } from './outline-tools'
import { OUTLINE_WORDS } from './useOutline'
import { t } from '../words'

// The dog's outline: found, doubted, and put right by its shape, by touching the backdrop, by a brush, or by places it runs through.
const props = defineProps<{ photo: Photo; /** places of the shape that are touched already */ touched: number }>()
const tool = defineModel<OutlineTool>('tool', { required: true })
const brush = defineModel<'fine' | 'middle' | 'broad'>('brush', { required: true })
const TOOLS = outlineTools(props.photo.seen)
/** an outline that is not sure of itself is best looked for where the dog is */
const mayFit = computed(
  () => TOOLS.some(({ value }) => value === 'shape') && (props.photo.unfit.value || props.photo.disagreements.value.length > 0)
)
const SIZES = [
  { value: 'fine', name: t('measure.fine') },
  { value: 'middle', name: t('measure.middle') },
  { value: 'broad', name: t('measure.broad') }
] as const
</script>

<template>
  <div data-outline>
    <p v-if="photo.step.value" class="flex items-center justify-between gap-3 leading-[1.3]" role="status" aria-live="polite">
      <span>{{ t('measure.findingOutlineStep', { step: OUTLINE_WORDS[photo.step.value] }) }}</span>
      <button class="btn btn-quiet min-h-11 px-3 py-1 text-[16px]" @click="photo.cancel">{{ t('measure.stop') }}</button>
    </p>
    <template v-else>
      <p
        v-if="photo.hasOutline.value && photo.doubts.value.length + photo.disagreements.value.length === 0"
        class="flex gap-2 leading-[1.3]"
      >
        <GlyphMark name="meets" :size="18" class="mt-0.5 flex-none" />{{ t('measure.outlineFound') }}
      </p>
      <p v-for="doubt in photo.doubts.value" :key="doubt" class="flex gap-2 leading-[1.3]" role="alert">
        <GlyphMark name="cannotTell" :size="18" class="mt-0.5 flex-none" />{{ t('measure.notSureDoubt', { doubt }) }}
      </p>
      <p v-for="one in photo.disagreements.value" :key="`${one.at}`" class="flex gap-2 leading-[1.3]" role="alert" data-disagreement>
        <GlyphMark name="cannotTell" :size="18" class="mt-0.5 flex-none" />{{
          one.kind === 'more'
            ? t('measure.moreThanPlanned', { mm: Math.round(2 * one.radiusMm) })
            : t('measure.lessThanPlanned', { mm: Math.round(2 * one.radiusMm) })
        }}
      </p>
      <p v-if="photo.idleTouches.value > 0" class="leading-[1.3]" role="status">
        {{ t('measure.idleTouches', { count: photo.idleTouches.value }) }}
      </p>
      <p v-if="mayFit && tool !== 'shape'" class="leading-[1.3]">{{ t('measure.tryFitShape') }}</p>
      <button v-if="!photo.hasOutline.value" class="btn mt-2 w-full" @click="photo.findOutline">{{ t('measure.findOutline') }}</button>
    </template>
    <ChoiceRow v-model="tool" class="mt-3 mb-0!" :label="t('measure.howCorrect')" :options="TOOLS" />
    <p class="mt-2 leading-[1.3]">{{ sayTool(tool, photo.seen, touched) }}</p>
    <ChoiceRow v-if="tool === 'dog' || tool === 'wall'" v-model="brush" class="mt-2 mb-0!" :label="t('measure.brush')" :options="SIZES" />
    <p v-if="photo.marks.value.corrections.shape" class="muted mt-2">
      <button class="min-h-11 underline" @click="photo.correct({ shape: null })">{{ t('measure.byColoursAgain') }}</button>
    </p>
    <p
      v-if="
        photo.marks.value.corrections.backdrop.length +
        photo.marks.value.corrections.strokes.length +
        photo.marks.value.corrections.anchors.length
      "
      class="muted mt-2"
    >
      {{
        t('measure.n', {
          n: photo.marks.value.corrections.backdrop.length,
          n2: photo.marks.value.corrections.strokes.length,
          n3: photo.marks.value.corrections.anchors.length
        })
      }}
    </p>
  </div>
</template>
