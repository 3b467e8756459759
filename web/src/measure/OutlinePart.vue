<script setup lang="ts">
import ChoiceRow from '../components/ChoiceRow.vue'
import GlyphMark from '../components/GlyphMark.vue'
import type { Photo } from './usePhoto'
import { OUTLINE_WORDS } from './usePhoto'

// The dog's outline: found, doubted, and put right by touching the backdrop, by a brush, or by places it runs through.
defineProps<{ photo: Photo }>()
const tool = defineModel<'look' | 'backdrop' | 'dog' | 'wall' | 'anchor'>('tool', { required: true })
const brush = defineModel<'fine' | 'middle' | 'broad'>('brush', { required: true })
const TOOLS = [
  { value: 'look', name: 'Look' },
  { value: 'backdrop', name: 'Touch the backdrop' },
  { value: 'dog', name: 'Paint dog' },
  { value: 'wall', name: 'Paint backdrop' },
  { value: 'anchor', name: 'Edge runs here' }
] as const
const SAYS = {
  look: 'Follow it round with the eye. Where it is wrong, choose how to mend it.',
  backdrop: 'Touch places of the wall or table that were taken for dog, or a light wall behind a light dog.',
  dog: 'Paint over what is dog and was left out.',
  wall: 'Paint over what is not dog and was taken for it: shadow, strap, a hand.',
  anchor: 'Touch where the coat’s edge really runs: the outline bends through that place.'
} as const
const SIZES = [
  { value: 'fine', name: 'fine' },
  { value: 'middle', name: 'middle' },
  { value: 'broad', name: 'broad' }
] as const
</script>

<template>
  <div data-outline>
    <p v-if="photo.step.value" class="flex items-center justify-between gap-3 leading-[1.3]" role="status" aria-live="polite">
      <span>Finding the outline: {{ OUTLINE_WORDS[photo.step.value] }} …</span>
      <button class="btn btn-quiet min-h-11 px-3 py-1 text-[16px]" @click="photo.cancel">Stop</button>
    </p>
    <template v-else>
      <p v-if="photo.hasOutline.value && photo.doubts.value.length === 0" class="flex gap-2 leading-[1.3]">
        <GlyphMark name="meets" :size="18" class="mt-0.5 flex-none" />The outline is found.
      </p>
      <p v-for="doubt in photo.doubts.value" :key="doubt" class="flex gap-2 leading-[1.3]" role="alert">
        <GlyphMark name="cannotTell" :size="18" class="mt-0.5 flex-none" />Not sure: {{ doubt }}
      </p>
      <button v-if="!photo.hasOutline.value" class="btn mt-2 w-full" @click="photo.findOutline">Find the outline</button>
    </template>
    <ChoiceRow v-model="tool" class="mt-3 mb-0!" label="How to mend it" :options="TOOLS" />
    <p class="mt-2 leading-[1.3]">{{ SAYS[tool] }}</p>
    <ChoiceRow v-if="tool === 'dog' || tool === 'wall'" v-model="brush" class="mt-2 mb-0!" label="Brush" :options="SIZES" />
    <p
      v-if="
        photo.marks.value.corrections.backdrop.length +
        photo.marks.value.corrections.strokes.length +
        photo.marks.value.corrections.anchors.length
      "
      class="muted mt-2"
    >
      {{ photo.marks.value.corrections.backdrop.length }} places of backdrop, {{ photo.marks.value.corrections.strokes.length }} strokes,
      {{ photo.marks.value.corrections.anchors.length }} places of the edge
    </p>
  </div>
</template>
