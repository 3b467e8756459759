<script setup lang="ts">
import { letteredLayers, type CoatModel, type PatchSide, type CoatPlace } from '@peen/core/coat'
import { randomFrom, seedOf } from '@peen/core/stats'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { ageOf, cssOf } from './ages'
import { t } from '../words'

// A coat in section: hair at its true length standing on the skin, one stroke for its share, its layer's letter at the height it reaches.
const props = defineProps<{
  model: CoatModel
  place: CoatPlace
  side: PatchSide
  day: number
  topMm: number
  height: number
  letter: string | null
  isDark: boolean
}>()
const emit = defineEmits<{ pick: [letter: string] }>()
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const LABEL_PX = 66
const SKIN_PX = 16

const layers = computed(() =>
  letteredLayers(props.model, props.place, props.day).flatMap(({ letter, sides }) => {
    const own = sides[props.side]
    return own ? [{ letter, ...own, age: ageOf(own) }] : []
  })
)
const perMm = computed(() => (props.height - SKIN_PX - 8) / props.topMm)
const base = computed(() => props.height - SKIN_PX)
/** Hairs of the whole width; each layer gets its share. */
const HAIRS_PER_PX = 0.34
const hairs = computed(() => {
  const room = width.value - LABEL_PX - 8
  if (room < 20) return []
  const random = randomFrom(seedOf(`${props.place} ${props.side}`))
  return layers.value.flatMap(({ letter, share01, mm, age }) => {
    if (!age) return []
    const count = Math.max(2, Math.round(share01 * room * HAIRS_PER_PX))
    return Array.from({ length: count }, (_, i) => {
      const length = mm * perMm.value * (1 + 0.04 * (2 * random() - 1))
      const lean = ((74 + 9 * (random() - 0.5)) * Math.PI) / 180
      // hair leans to the rear: the last roots stand so far in that their tips end before the letters
      const x = 3 + ((i + random()) / count) * Math.max(10, room - 18 - Math.cos(lean) * length)
      const [dx, dy] = [Math.cos(lean) * length, Math.sin(lean) * length]
      const path = `M${x.toFixed(1)} ${base.value}Q${(x + dx * 0.18).toFixed(1)} ${(base.value - dy * 0.62).toFixed(1)} ${(x + dx).toFixed(1)} ${(base.value - dy).toFixed(1)}`
      return { letter, path, colour: cssOf(age, props.isDark) }
    })
  })
})
/** Letters at their height, moved apart where layers end close together. */
const labels = computed(() => {
  const shown = layers.value.filter(({ age }) => age !== null).sort((a, b) => b.mm - a.mm)
  let last = -Infinity
  return shown.map(({ letter, mm }) => {
    const y = Math.max(base.value - mm * perMm.value * Math.sin((74 * Math.PI) / 180), last + 19)
    last = y
    return { letter, mm, y }
  })
})
</script>

<template>
  <div ref="frame" class="min-w-0">
    <svg v-if="width > 0" :width="width" :height="height" class="block overflow-visible" aria-hidden="true">
      <path
        v-for="(hair, i) in hairs"
        :key="i"
        :d="hair.path"
        fill="none"
        :stroke="hair.colour"
        :stroke-width="letter === hair.letter ? 2.6 : 1.7"
        :stroke-opacity="letter === null || letter === hair.letter ? 1 : 0.3"
        stroke-linecap="round"
      />
      <path :d="`M0 ${base + 1}H${width - LABEL_PX}`" stroke="var(--ink)" stroke-width="2" />
      <g v-for="label in labels" :key="label.letter" class="cursor-pointer" @click="emit('pick', label.letter)">
        <path :d="`M${width - LABEL_PX - 14} ${label.y}H${width - LABEL_PX + 4}`" stroke="var(--hair)" />
        <text
          :x="width - LABEL_PX + 8"
          :y="label.y + 5.5"
          font-size="16"
          :font-weight="letter === label.letter ? 650 : 400"
          fill="var(--ink)"
        >
          <tspan font-family="STIX Two Text Variable" font-style="italic" font-size="17">{{ label.letter }}</tspan>
          {{ Math.round(label.mm) }}
        </text>
      </g>
      <text v-if="labels.length === 0" x="6" :y="base - 10" font-size="16" fill="var(--ink2)">{{ t('coat.nothingSeeYet') }}</text>
    </svg>
  </div>
</template>
