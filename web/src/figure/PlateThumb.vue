<script setup lang="ts">
import type { Lengths, ViewId } from '@peen/core/figure'
import { useIntersectionObserver } from '@vueuse/core'
import { ref } from 'vue'
import FigurePicture from './FigurePicture.vue'
import type { DrawnDog } from './place'

// A small picture that is drawn when it comes into sight, so that a page of a hundred opens at once.
defineProps<{ dog: DrawnDog; lengths: Lengths; from: ViewId; mirrored: boolean; width: number; height: number; label: string }>()
const box = ref<HTMLElement | null>(null)
const seen = ref(false)
const { stop } = useIntersectionObserver(
  box,
  ([entry]) => {
    if (!entry.isIntersecting) return
    seen.value = true
    stop()
  },
  { rootMargin: '200px' }
)
</script>

<template>
  <span ref="box" class="block" :style="{ width: `${width}px`, height: `${height}px` }">
    <FigurePicture
      v-if="seen"
      :dog="dog"
      :lengths="lengths"
      :from="from"
      :mirrored="mirrored"
      :width="width"
      :height="height"
      :label="label"
    />
  </span>
</template>
