<script setup lang="ts">
import type { GradeResult } from '@peen/core/grade'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { t } from '../words'

// The mark on a rule from 0 to 100: a lens as wide as its interval, the pass mark as a line.
const props = defineProps<{ total: NonNullable<GradeResult['total']>; pass: number }>()
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const at = (mark: number) => (mark / 100) * (width.value - 2) + 1
const lens = computed(() => {
  const [a, b, m] = [at(props.total.interval[0]), at(props.total.interval[1]), at(props.total.value)]
  const wide = Math.max(b, a + 3)
  return `M${a} 30Q${m} 14 ${wide} 30Q${m} 46 ${a} 30Z`
})
</script>

<template>
  <div ref="box">
    <svg v-if="width > 0" :width="width" height="62" class="block overflow-visible text-ink" aria-hidden="true">
      <path :d="`M1 30H${width - 1}`" stroke="currentColor" stroke-width="1.2" />
      <path v-for="mark in 11" :key="mark" :d="`M${at((mark - 1) * 10)} 30v${mark % 5 === 1 ? 9 : 5}`" stroke="currentColor" />
      <path :d="lens" fill="currentColor" />
      <path :d="`M${at(total.value)} 22V38`" stroke="var(--sheet)" stroke-width="2" />
      <path :d="`M${at(pass)} 12V46`" stroke="var(--act)" stroke-width="2.5" />
      <text :x="at(pass) - 6" y="12" text-anchor="end" fill="var(--act)" font-weight="650" font-size="16">
        {{ t('grading.passPass', { pass }) }}
      </text>
      <text x="0" y="58" fill="var(--ink2)" font-size="16">0</text>
      <text :x="width" y="58" text-anchor="end" fill="var(--ink2)" font-size="16">100</text>
    </svg>
  </div>
</template>
