<script setup lang="ts">
import { isInside, placeNotes, type Aged, type Fault, type Lengths, type Point, type Shape, type ViewId } from '@peen/core/figure'
import type { RegionId } from '@peen/core/regions'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import FigurePicture from './FigurePicture.vue'
import GroundHatch from './GroundHatch.vue'
import NeatLine from './NeatLine.vue'
import { placeDog, type DrawnDog } from './place'
import type { PlateNote } from './plate-note'
import RegionTouch from './RegionTouch.vue'
import { useFigure } from './useFigure'
import { t } from '../words'

const props = withDefaults(
  defineProps<{
    dog: DrawnDog
    plan: Lengths
    lengths: Lengths
    lengthsB?: Lengths
    shapes?: readonly Shape[]
    faults?: readonly Fault[]
    days?: number
    ages?: Aged
    agesB?: Aged
    from?: ViewId
    notes?: readonly PlateNote[]
    selected?: RegionId | null
    now?: RegionId | null
    mirrored?: boolean
    showsDepartures?: boolean
    listsRest?: boolean
    /** room above the dog, px */
    headPx?: number
    caption: string
    label: string
    height: number
  }>(),
  {
    lengthsB: undefined,
    shapes: undefined,
    faults: undefined,
    days: 0,
    ages: undefined,
    agesB: undefined,
    from: 'side',
    notes: () => [],
    selected: null,
    now: null,
    mirrored: false,
    showsDepartures: false,
    listsRest: true,
    headPx: 26
  }
)
const emit = defineEmits<{ pick: [region: RegionId, side: 'left' | 'right' | null] }>()

const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const COLUMN = 170
const MARGIN = 22
const FOOT = 52
/** Under this width the notes stand below the plate, not beside the dog. */
const hasColumns = computed(() => width.value >= 720)

/** Without note columns the plate is only as high as its dog. */
const plateHeight = computed(() =>
  hasColumns.value ? props.height : Math.min(props.height, Math.round(width.value * 0.82) + props.headPx)
)
// the figure's own box inside the plate
const box = computed(() => {
  const side = hasColumns.value ? MARGIN + COLUMN + 6 : 22
  const w = Math.max(120, Math.floor(width.value - 2 * side))
  return { x: Math.floor((width.value - w) / 2), y: props.headPx, w, h: Math.max(0, plateHeight.value - props.headPx - FOOT) }
})
const { shapes: places, departures } = useFigure(
  () => ({ ...props }),
  box,
  () => props.showsDepartures
)
const placed = computed(() => placeDog(props.dog, box.value.w, box.value.h, props.mirrored, props.from, props.plan))
const toPlate = computed(() => ([x, y]: Point): Point => {
  const [px, py] = placed.value.toPx([x, y])
  return [px + box.value.x, py + box.value.y]
})
const markMm = computed(() => [50, 20, 100].find((mm) => mm * placed.value.view.scale >= 14 && mm * placed.value.view.scale <= 80) ?? 50)

const centreOf = (region: RegionId, side: PlateNote['side'] = null): Point | null => {
  const of = places.value.filter((candidate) => candidate.region === region)
  const shape = of.find((candidate) => candidate.side === side) ?? of[0]
  return shape ? toPlate.value(shape.centre) : null
}
/** Letters of a note's line before it wraps. */
const LETTERS = 20
const rings = computed(() => places.value.flatMap((shape) => shape.rings.map((ring) => ring.map(toPlate.value))))
const onDog = computed(() => (x: number, y: number) => rings.value.some((ring) => isInside(ring, x, y)))
const leaders = computed(() => {
  if (!hasColumns.value) return []
  const targets = props.notes.flatMap((note) => {
    const at = centreOf(note.region, note.side)
    return at
      ? [
          {
            id: note.id,
            x: at[0],
            y: at[1],
            heightPx:
              34 +
              20 * note.lines.reduce((rows, line) => rows + Math.ceil((line.text.length + (line.glyph ? 3 : 0)) / LETTERS), 0) +
              (note.danger ? 22 : 0)
          }
        ]
      : []
  })
  return placeNotes(
    targets,
    { widthPx: width.value, topPx: 18, bottomPx: plateHeight.value - FOOT, columnPx: COLUMN, marginPx: MARGIN },
    onDog.value
  ).map((place) => ({ place, note: props.notes.find((note) => note.id === place.id)! }))
})
const below = computed(() =>
  hasColumns.value ? props.notes.filter((note) => !leaders.value.some((leader) => leader.note.id === note.id)) : props.notes
)
const path = ({ side, rulePx, elbow, target }: (typeof leaders.value)[number]['place']) =>
  `M${side === 'left' ? MARGIN : width.value - MARGIN} ${rulePx}H${elbow[0]}L${target[0].toFixed(1)} ${target[1].toFixed(1)}`
// one path for all hairs of a kind: hundreds of elements would block the hand
const hairs = computed(() => {
  const draw = (long: boolean) =>
    departures.value
      .filter((departure) => departure.byMm > 0 === long)
      .map(({ from, to }) => `M${toPlate.value(from).map(tenth).join(' ')}L${toPlate.value(to).map(tenth).join(' ')}`)
      .join('')
  return { long: draw(true), short: draw(false) }
})
const tenth = (value: number) => value.toFixed(1)
const nowAt = computed(() => (props.now ? centreOf(props.now) : null))
const groundY = computed(() => placed.value.groundPx + box.value.y)
const sideWords = computed(() => (props.from !== 'side' ? '' : props.mirrored ? t('figure.rightSide') : t('figure.leftSide')))
const standsOnGround = computed(() => props.from !== 'head' && props.from !== 'above')
</script>

<template>
  <figure ref="frame" class="m-0 w-full">
    <div class="relative bg-plate" :style="{ height: `${plateHeight}px` }">
      <template v-if="width > 0">
        <GroundHatch
          v-if="standsOnGround"
          :from="box.x + box.w * 0.18"
          :to="box.x + box.w * 0.82"
          :y="groundY"
          :width="width"
          :height="plateHeight"
        />
        <FigurePicture
          class="absolute"
          :style="{ left: `${box.x}px`, top: `${box.y}px` }"
          :dog="dog"
          :plan="plan"
          :lengths="lengths"
          :lengths-b="lengthsB"
          :shapes="shapes"
          :faults="faults"
          :days="days"
          :ages="ages"
          :ages-b="agesB"
          :from="from"
          :width="box.w"
          :height="box.h"
          :mirrored="mirrored"
          :label="label"
        />
        <svg class="pointer-events-none absolute inset-0" :width="width" :height="plateHeight" aria-hidden="true">
          <path :d="hairs.long + hairs.short" stroke="var(--plate)" stroke-opacity=".8" stroke-width="3" stroke-linecap="round" />
          <path :d="hairs.long" stroke="var(--long)" stroke-width="1.2" />
          <path :d="hairs.short" stroke="var(--short)" stroke-width="1.2" />
        </svg>
        <svg class="pointer-events-none absolute inset-0" :width="width" :height="plateHeight" aria-hidden="true">
          <slot name="over" :to-plate="toPlate" :px-per-mm="placed.view.scale" :centre-of="centreOf" />
        </svg>
        <RegionTouch
          :shapes="places"
          :to-px="toPlate"
          :width="width"
          :height="plateHeight"
          :selected="selected"
          :side="sideWords"
          @pick="(region, own) => emit('pick', region, own)"
        />
        <svg class="pointer-events-none absolute inset-0" :width="width" :height="plateHeight" aria-hidden="true">
          <g
            v-for="{ place, note } in leaders"
            :key="note.id"
            :class="
              note.danger
                ? 'text-danger'
                : note.region === now
                  ? 'text-act'
                  : note.tone === 'long'
                    ? 'text-long'
                    : note.tone === 'short'
                      ? 'text-short'
                      : 'text-ink'
            "
          >
            <path :d="path(place)" fill="none" stroke="var(--plate)" stroke-width="3.4" stroke-opacity=".78" />
            <path
              :d="path(place)"
              fill="none"
              stroke="currentColor"
              :stroke-width="note.region === now || note.region === selected ? 2 : 1"
            />
            <circle :cx="place.target[0]" :cy="place.target[1]" r="4" fill="var(--plate)" stroke="currentColor" stroke-width="1.4" />
            <circle :cx="place.target[0]" :cy="place.target[1]" r="1.4" fill="currentColor" />
          </g>
          <circle v-if="nowAt" :cx="nowAt[0]" :cy="nowAt[1]" r="24" fill="none" stroke="var(--act)" stroke-width="2" />
        </svg>
        <NeatLine :width="width" :height="plateHeight" :px-per-mm="placed.view.scale" :mark-mm="markMm" />
        <button
          v-for="{ place, note } in leaders"
          :key="note.id"
          class="absolute block min-h-11 bg-transparent p-0 text-[16px] leading-[20px]"
          :class="[place.side === 'left' ? 'text-left' : 'text-right', note.region === now ? 'text-act' : '']"
          :style="{
            top: `${place.yPx}px`,
            width: `${COLUMN}px`,
            left: place.side === 'left' ? `${MARGIN}px` : `${width - MARGIN - COLUMN}px`
          }"
          @click="emit('pick', note.region, note.side ?? null)"
        >
          <span class="block h-[31px] truncate leading-[24px] whitespace-nowrap"
            ><span v-if="note.numeral" class="numeral mr-[7px] text-[23px]">{{ note.numeral }}</span
            ><b>{{ note.heading }}</b></span
          >
          <span
            v-for="line in note.lines"
            :key="line.text"
            class="block"
            :class="[
              line.bold ? 'font-[650]' : '',
              note.tone === 'long' && line.bold ? 'text-long' : note.tone === 'short' && line.bold ? 'text-short' : 'text-ink'
            ]"
            ><GlyphMark v-if="line.glyph" :name="line.glyph" :size="16" class="mr-1 align-[-3px]" />{{ line.text }}</span
          >
          <span v-if="note.danger" class="block font-semibold text-danger"
            ><GlyphMark name="danger" :size="16" class="mr-1 align-[-3px]" />{{ note.danger }}</span
          >
        </button>
      </template>
      <figcaption class="caption absolute right-6 bottom-4 left-6 flex items-end justify-between gap-6 leading-[1.15]">
        <span class="min-w-0">{{ caption }}</span><span v-if="width > 520" class="whitespace-nowrap">{{
          t('figure.eachBorderMarkMarkMmMm', { markMm })
        }}</span>
      </figcaption>
    </div>
    <ul v-if="listsRest && below.length" class="row-rule m-0 list-none border-b border-line p-0">
      <li v-for="note in below" :key="note.id">
        <button class="flex min-h-11 w-full items-center gap-3 px-1 py-2" @click="emit('pick', note.region, note.side ?? null)">
          <span v-if="note.numeral" class="numeral w-6 text-[20px]">{{ note.numeral }}</span><b>{{ note.heading }}</b>
          <span class="muted flex-1 text-right"
            >{{ note.lines.map((line) => line.text).join(', ') }}
            <span v-if="note.danger" class="font-semibold text-danger">{{ note.danger }}</span></span
          >
        </button>
      </li>
    </ul>
  </figure>
</template>
