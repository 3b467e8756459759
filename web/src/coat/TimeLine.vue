<script setup lang="ts">
import { dateOf, letteredLayers, sayDay, type CoatModel, type CoatPlace } from '@peen/core/coat'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { t } from '../words'

// The coat in time: what was done at one place, what is planned, today, the day that counts, and a handle to move through it.
const props = defineProps<{
  model: CoatModel
  place: CoatPlace
  day: number
  today: number
  range: { readonly from: number; readonly to: number }
  aimDay: number
  aim: string
  playing: boolean
}>()
const emit = defineEmits<{ move: [day: number]; play: [] }>()
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const MARGIN = 24
const LINE_Y = 58
const x = (day: number) => MARGIN + ((day - props.range.from) / (props.range.to - props.range.from)) * (width.value - 2 * MARGIN)

const months = computed(() => {
  const found: { day: number; name: string }[] = []
  for (let day = props.range.from; day <= props.range.to; day++) {
    const date = new Date(`${dateOf(day)}T00:00:00`)
    if (date.getDate() === 1) found.push({ day, name: date.toLocaleDateString('en-GB', { month: width.value > 620 ? 'long' : 'short' }) })
  }
  return found
})
const weeks = computed(() => {
  const found: number[] = []
  for (let day = props.range.from; day <= props.range.to; day += 7) found.push(day)
  return found
})
/** Letters of the layers that stand on the shown day, by the day they were pulled. */
const letters = computed(() => {
  const found = new Map<number, string>()
  for (const { letter, sides } of letteredLayers(props.model, props.place, props.day))
    for (const layer of Object.values(sides)) if (!found.has(layer.bornDay)) found.set(layer.bornDay, letter)
  return found
})
type Mark = { readonly day: number; readonly kind: 'pulled' | 'cut' | 'other'; readonly sides: string; readonly planned: boolean }
const marks = computed<readonly Mark[]>(() => {
  const found = new Map<string, Mark>()
  for (const [side, { acts }] of props.model.places.get(props.place)!.sides)
    for (const { day, act } of acts) {
      const kind = act.kind === 'pulled' || act.kind === 'cut' ? act.kind : 'other'
      const key = `${day} ${kind}`
      const before = found.get(key)
      if (before && !before.sides.includes(side)) found.set(key, { ...before, sides: 'both' })
      else if (!before) found.set(key, { day, kind, sides: side, planned: day > props.today })
    }
  return [...found.values()].filter(({ day }) => day >= props.range.from && day <= props.range.to).sort((a, b) => a.day - b.day)
})
const oneSided = (mark: Mark) => mark.sides === 'left' || mark.sides === 'right'
</script>

<template>
  <div ref="frame" class="relative">
    <div class="flex items-center gap-3">
      <button class="btn btn-quiet min-h-11 px-4 text-[16px]" @click="emit('play')">
        {{ playing ? t('coat.pause') : t('coat.playForward') }}
      </button>
      <p class="text-[20px] leading-tight">
        <b>{{ sayDay(day) }}</b><span class="muted ml-2 text-[16px]">
          {{
            day === today
              ? t('coat.today')
              : day > today
                ? t('coat.dayDays', { day: day - today })
                : t('coat.todayDaysAgo', { today: today - day })
          }}</span
        >
      </p>
      <span class="flex-1" />
      <button v-if="day !== today" class="btn btn-quiet min-h-11 px-4 text-[16px]" @click="emit('move', today)">
        {{ t('coat.today2') }}
      </button>
      <button v-if="day !== aimDay" class="btn btn-quiet min-h-11 px-4 text-[16px]" @click="emit('move', aimDay)">
        {{ aim || t('coat.dateCounts') }}
      </button>
    </div>
    <div class="relative mt-1">
      <svg v-if="width > 0" :width="width" height="86" class="block overflow-visible" aria-hidden="true">
        <path :d="`M${MARGIN} ${LINE_Y}H${width - MARGIN}`" stroke="var(--ink)" stroke-width="1.2" />
        <path v-for="week in weeks" :key="week" :d="`M${x(week)} ${LINE_Y}v5`" stroke="var(--ink)" />
        <g v-for="month in months" :key="month.day">
          <path :d="`M${x(month.day)} ${LINE_Y}v12`" stroke="var(--ink)" stroke-width="1.2" />
          <text :x="x(month.day) + 5" :y="LINE_Y + 19" font-size="16" fill="var(--ink2)">{{ month.name }}</text>
        </g>
        <path :d="`M${x(today)} 8V${LINE_Y + 8}`" stroke="var(--ink)" stroke-width="1.4" stroke-dasharray="3 3" />
        <g v-for="mark in marks" :key="`${mark.day} ${mark.kind}`">
          <path
            :d="`M${x(mark.day)} ${LINE_Y}V${mark.kind === 'other' ? LINE_Y - 10 : 36}`"
            :stroke="oneSided(mark) ? 'var(--long)' : 'var(--ink)'"
            :stroke-dasharray="oneSided(mark) ? '3 2.5' : undefined"
            stroke-width="2"
          />
          <template v-if="mark.kind === 'pulled'">
            <circle
              :cx="x(mark.day)"
              cy="25"
              :r="mark.planned ? 7 : 11"
              :fill="mark.planned || oneSided(mark) ? 'var(--ground)' : 'var(--ink)'"
              :stroke="oneSided(mark) ? 'var(--long)' : 'var(--ink)'"
              :stroke-dasharray="oneSided(mark) ? '4 2.6' : undefined"
              stroke-width="2"
            />
            <text
              v-if="!mark.planned"
              :x="x(mark.day)"
              y="30.5"
              text-anchor="middle"
              font-family="STIX Two Text Variable"
              font-style="italic"
              font-size="16"
              :fill="oneSided(mark) ? 'var(--long)' : 'var(--sheet)'"
            >
              {{ letters.get(mark.day) ?? '' }}
            </text>
            <text v-if="oneSided(mark)" :x="x(mark.day)" y="10" text-anchor="middle" font-size="16" fill="var(--long)">
              {{ mark.sides }}
            </text>
          </template>
          <rect
            v-else-if="mark.kind === 'cut'"
            :x="x(mark.day) - 6"
            y="25"
            width="12"
            height="12"
            fill="var(--ground)"
            stroke="var(--ink)"
            stroke-width="1.8"
          />
        </g>
        <path :d="`M${x(aimDay)} 20V${LINE_Y}`" stroke="var(--act)" stroke-width="3" />
        <path :d="`M${x(aimDay)} 20h16l-5 6 5 6h-16z`" fill="var(--act)" />
        <path :d="`M${x(day) - 14} ${LINE_Y - 18}h28v24l-14 10-14-10z`" fill="var(--act)" />
        <path
          :d="`M${x(day) - 5} ${LINE_Y - 13}v14M${x(day)} ${LINE_Y - 13}v14M${x(day) + 5} ${LINE_Y - 13}v14`"
          stroke="var(--act-ink)"
          stroke-width="1.6"
        />
      </svg>
      <input
        class="track absolute inset-x-0 top-0 h-[86px] w-full cursor-ew-resize"
        type="range"
        :aria-label="t('coat.day')"
        :min="range.from"
        :max="range.to"
        step="1"
        :value="day"
        :aria-valuetext="sayDay(day)"
        @input="emit('move', Number(($event.target as HTMLInputElement).value))"
      />
    </div>
  </div>
</template>

<style scoped>
/* the drawn handle is what one sees; the field under it is what one moves */
.track {
  appearance: none;
  background: transparent;
  margin: 0;
  opacity: 0;
}
.track::-webkit-slider-thumb {
  width: 48px;
  height: 86px;
}
.track:focus-visible {
  opacity: 1;
  outline-offset: -2px;
}
.track:focus-visible::-webkit-slider-thumb {
  appearance: none;
}
</style>
