<script setup lang="ts">
import type { Family } from '@peen/core/technique'
import type { TechniqueStanding } from '@peen/contract'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { techniqueById } from '../stores/techniques'
import { t } from '../words'

// Every technique as a mark on a line from first try to competent, one line a family.
const props = defineProps<{ techniques: readonly TechniqueStanding[]; selected: string | null }>()
defineEmits<{ select: [id: string] }>()

const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const LABEL = 118
const PAD = 12
const ROW = 43
/** Practice fills the left part by score; what is competent stands in a zone of its own, side by side. */
const READY_SHARE = 0.5
const FAMILIES: readonly [Family, string][] = [
  ['handling', t('apprentice.familyHandling')],
  ['clipping', t('apprentice.familyClipping')],
  ['scissoring', t('apprentice.familyScissoring')],
  ['stripping', t('apprentice.familyStripping')],
  ['finishing', t('apprentice.familyFinishing')]
]
/** Under this width lines have no room for their labels: the same as a list. */
const LEAST_LINES_PX = 640
const span = computed(() => width.value - LABEL - PAD)
const readyX = computed(() => LABEL + READY_SHARE * span.value)
const SLOT_ROOM = 112
/** Room a label needs, px: about 7.4 a letter in the narrow face. */
const roomFor = (name: string) => Math.max(50, name.length * 7.4 + 16)
const slots = computed(() => Math.max(1, Math.floor((width.value - PAD - readyX.value) / SLOT_ROOM)))

type Mark = { readonly id: string; readonly name: string; readonly along: number; readonly state: TechniqueStanding['standing']['state'] }
type PlacedMark = Mark & { readonly x: number; readonly row: number }

const lines = computed(() =>
  FAMILIES.map(([id, name]) => {
    const marks = props.techniques
      .filter((entry) => techniqueById(entry.techniqueId)?.family === id)
      .map((entry): Mark => ({
        id: entry.techniqueId,
        name: techniqueById(entry.techniqueId)!.name,
        along: entry.standing.score / entry.standing.limit,
        state: entry.standing.state
      }))
    const placed = [
      ...practising(marks.filter((mark) => mark.state !== 'competent')),
      ...competent(marks.filter((mark) => mark.state === 'competent'))
    ]
    return { id, name, marks: placed, rows: Math.max(1, ...placed.map((mark) => mark.row + 1)) }
  })
)
// labels that would run into each other go to the next row
function practising(marks: readonly Mark[]): PlacedMark[] {
  const ends: number[] = []
  return [...marks]
    .sort((a, b) => a.along - b.along)
    .map((mark) => {
      const x = Math.max(LABEL + 34, LABEL + mark.along * READY_SHARE * span.value)
      const half = roomFor(mark.name) / 2
      let row = ends.findIndex((end) => end <= x - half)
      if (row < 0) row = ends.length
      ends[row] = x + half
      return { ...mark, x, row }
    })
}
function competent(marks: readonly Mark[]): PlacedMark[] {
  const room = (width.value - PAD - readyX.value) / slots.value
  return marks.map((mark, i) => ({ ...mark, x: readyX.value + room * ((i % slots.value) + 0.5), row: Math.floor(i / slots.value) }))
}
</script>

<template>
  <div ref="box" class="relative">
    <div v-if="width > 0 && width < LEAST_LINES_PX">
      <section v-for="line in lines" :key="line.id" class="mb-3">
        <h2>{{ line.name }}</h2>
        <button
          v-for="mark in line.marks"
          :key="mark.id"
          class="flex min-h-11 w-full items-center gap-3 border-b border-line px-1"
          :class="selected === mark.id ? 'bg-ink text-sheet' : ''"
          :aria-pressed="selected === mark.id"
          @click="$emit('select', mark.id)"
        >
          <GlyphMark :name="mark.state" :plain="selected === mark.id" /><span class="flex-1">{{ mark.name }}</span
          ><span>{{ mark.state }}</span>
        </button>
      </section>
    </div>
    <template v-else-if="width > 0">
      <div class="muted relative h-8 text-[16px]">
        <span class="absolute" :style="{ left: `${LABEL}px` }">{{ t('apprentice.firstTry') }}</span>
        <span class="absolute" :style="{ left: `${readyX}px`, transform: 'translateX(-100%) translateX(-8px)' }">{{
          t('apprentice.ready')
        }}</span>
        <span class="absolute" :style="{ left: `${readyX + 10}px` }">{{ t('apprentice.competent') }}</span>
        <span class="absolute bottom-0 h-px bg-ink" :style="{ left: `${LABEL}px`, right: `${PAD}px` }" />
      </div>
      <div class="absolute top-8 bottom-0 border-l-[1.2px] border-dashed border-hair" :style="{ left: `${readyX}px` }" />
      <div v-for="line in lines" :key="line.id" class="relative border-b border-line" :style="{ height: `${8 + line.rows * ROW}px` }">
        <span class="absolute left-0 text-[17px] font-[650]" :style="{ top: '14px' }">{{ line.name }}</span>
        <button
          v-for="mark in line.marks"
          :key="mark.id"
          class="narrow absolute flex min-h-[43px] min-w-11 -translate-x-1/2 flex-col items-center rounded-[3px] px-1.5 pt-0.5 leading-[18px]"
          :class="selected === mark.id ? 'bg-ink font-[650] text-sheet' : 'bg-ground'"
          :style="{ left: `${mark.x}px`, top: `${3 + mark.row * ROW}px` }"
          :aria-pressed="selected === mark.id"
          @click="$emit('select', mark.id)"
        >
          <span class="whitespace-nowrap">{{ mark.name }}</span><GlyphMark :name="mark.state" :plain="selected === mark.id" /><span
            class="sr-only"
            >, {{ mark.state }}</span
          >
        </button>
      </div>
    </template>
  </div>
</template>
