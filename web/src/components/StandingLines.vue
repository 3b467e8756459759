<script setup lang="ts">
import { techniqueById, type Family } from '@peen/content'
import type { TechniqueStanding } from '@peen/contract'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import GlyphMark from './GlyphMark.vue'

// Every technique as a mark on a line from first try to competent, one line a family.
const props = defineProps<{ techniques: readonly TechniqueStanding[]; selected: string | null }>()
defineEmits<{ select: [id: string] }>()

const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const LABEL = 120
const PAD = 26
const READY_AT = 0.88
const FAMILIES: readonly [Family, string][] = [['handling', 'Handling'], ['clipping', 'Clipping'], ['scissoring', 'Scissoring'], ['stripping', 'Stripping'], ['finishing', 'Finishing']]
const x = (along: number) => LABEL + along * (width.value - LABEL - PAD)
/** Labels that would run into each other take turns above and below the line. */
const LABEL_ROOM = 118

const lines = computed(() =>
  FAMILIES.map(([id, name]) => {
    const marks = props.techniques
      .filter((entry) => techniqueById(entry.techniqueId)?.family === id)
      .map((entry) => ({ id: entry.techniqueId, name: techniqueById(entry.techniqueId)!.name.replace(/, .*$/, ''), at: entry.standing.along01, state: entry.standing.state }))
      .sort((a, b) => a.at - b.at)
    return { id, name, rows: stackRows(marks) }
  })
)
type Mark = { readonly id: string; readonly name: string; readonly at: number; readonly state: TechniqueStanding['standing']['state'] }
function stackRows(marks: readonly Mark[]): (Mark & { readonly row: number })[] {
  const ends: number[] = []
  return marks.map((mark) => {
    let row = ends.findIndex((end) => end <= x(mark.at) - LABEL_ROOM / 2)
    if (row < 0) row = ends.length
    ends[row] = x(mark.at) + LABEL_ROOM / 2
    return { ...mark, row }
  })
}
const rowsOf = (line: { readonly rows: readonly { readonly row: number }[] }) => Math.max(1, ...line.rows.map((mark) => mark.row + 1))
const anchor = (at: number) => (at > 0.9 ? 'translateX(-100%) translateX(12px)' : at < 0.06 ? 'translateX(-12px)' : 'translateX(-50%)')
</script>

<template>
  <div ref="box" class="relative">
    <template v-if="width > 0">
      <div class="muted relative h-8 text-[16px]">
        <span class="absolute" :style="{ left: `${LABEL}px` }">first try</span>
        <span class="absolute" :style="{ left: `${x(READY_AT)}px`, transform: 'translateX(-100%) translateX(-8px)' }">ready</span>
        <span class="absolute right-0">competent</span>
        <span class="absolute right-[26px] bottom-0 h-px bg-ink" :style="{ left: `${LABEL}px` }" />
      </div>
      <div class="absolute top-8 bottom-0 border-l-[1.2px] border-dashed border-hair" :style="{ left: `${x(READY_AT)}px` }" />
      <div v-for="line in lines" :key="line.id" class="relative" :style="{ height: `${12 + rowsOf(line) * 46}px` }">
        <span class="absolute left-0 text-[17px] font-[650]" :style="{ top: '28px' }">{{ line.name }}</span>
        <template v-for="row in rowsOf(line)" :key="row"><span class="absolute right-[26px] h-px bg-line" :style="{ left: `${LABEL}px`, top: `${38 + (row - 1) * 46}px` }" /></template>
        <button
          v-for="mark in line.rows"
          :key="mark.id"
          class="absolute min-h-11 min-w-11 rounded-[3px] px-1 leading-[20px]"
          :class="selected === mark.id ? 'bg-ink text-sheet' : 'bg-ground'"
          :style="{ left: `${x(mark.at)}px`, top: `${4 + mark.row * 46}px`, transform: anchor(mark.at) }"
          :aria-pressed="selected === mark.id"
          @click="$emit('select', mark.id)"
        >
          <span class="block whitespace-nowrap" :class="selected === mark.id ? 'font-[650]' : ''">{{ mark.name }}</span>
          <span class="flex" :class="mark.at > 0.9 ? 'justify-end' : mark.at < 0.06 ? '' : 'justify-center'"><GlyphMark :name="mark.state" :plain="selected === mark.id" /></span>
          <span class="sr-only">{{ mark.state }}</span>
        </button>
      </div>
    </template>
  </div>
</template>
