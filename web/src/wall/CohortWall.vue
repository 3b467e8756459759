<script setup lang="ts">
import { ArrowRight } from '@lucide/vue'
import type { WallCell, WallRow } from '@peen/contract'
import { needOf, sayWall, stateOf, wordOf, type State, type WallWord } from '@peen/core/competency'
import { useElementSize, useScroll, useVirtualList } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import BoldText from '../components/BoldText.vue'
import ChoiceRow from '../components/ChoiceRow.vue'
import GlyphMark from '../components/GlyphMark.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { STATE_WORDS } from '../composables/state-words'
import WallReason from './WallReason.vue'
import { t } from '../words'

// Apprentices by techniques, sorted by need: what each cell says in shape and word, and why under the finger.
type Placed = WallCell & { readonly state: State; readonly because: string }
type Shown = Omit<WallRow, 'cells'> & { readonly cells: readonly Placed[]; readonly at: ReadonlyMap<number, Placed>; readonly need: number }
const { data, error, loading, reload } = useAsked('wall')

const ONLY = [
  { value: 'all', name: t('wall.all') },
  { value: 'held', name: t('wall.held') },
  { value: 'slipping', name: t('wall.slipping') },
  { value: 'stuck', name: t('wall.stuckOrFallenBack') },
  { value: 'lapsed', name: t('wall.lapsed') },
  { value: 'ready', name: t('wall.assessed') }
] as const
type Only = (typeof ONLY)[number]['value']
const only = ref<Only>('all')
const cohort = ref('all')
const fits = (word: WallWord | null): boolean =>
  only.value === 'all' || (only.value === 'stuck' ? word === 'plateau' || word === 'relapse' : word === only.value)

const everyone = computed<Shown[]>(() => {
  if (!data.value) return []
  const { rules, today } = data.value
  return data.value.rows
    .map((row) => {
      const cells = row.cells.map((cell) => ({ ...cell, ...stateOf(cell, { ...cell, today }, rules) }))
      return { ...row, cells, at: new Map(cells.map((cell) => [cell.t, cell])), need: needOf(cells) }
    })
    .sort((a, b) => b.need - a.need || a.name.localeCompare(b.name))
})
const cohorts = computed(() => [
  { value: 'all', name: t('wall.everyCohort') },
  ...[...new Set(everyone.value.map((row) => row.cohort))].sort().map((name) => ({ value: name, name }))
])
const rows = computed(() =>
  everyone.value.filter(
    (row) =>
      (cohort.value === 'all' || row.cohort === cohort.value) && (only.value === 'all' || row.cells.some((cell) => fits(wordOf(cell))))
  )
)
const names = computed(() => data.value?.techniques.map(({ name }) => name) ?? [])
const sentence = computed(() => sayWall(rows.value, names.value))
const competentIn = (column: number) => rows.value.filter((row) => row.at.get(column)?.state === 'competent').length

const ROW_PX = 46
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(rows, { itemHeight: ROW_PX, overscan: 6 })
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
/** Under this a table of techniques has no room: each apprentice tells only what needs somebody. */
const LEAST_TABLE_PX = 800
const isTable = computed(() => width.value >= LEAST_TABLE_PX)
const across = ref<HTMLElement | null>(null)
const { arrivedState, measure } = useScroll(across)
watch([across, rows, width], () => void nextTick(measure))
const showMore = () => across.value?.scrollBy({ left: across.value.clientWidth / 2 })

const chosen = ref<{ readonly row: number; readonly column: number } | null>(null)
const shownRow = computed(() => (chosen.value ? rows.value[chosen.value.row] : null))
function choose(row: number, column: number): void {
  chosen.value = { row, column }
}
/** Arrow keys walk over the wall, whatever of it is drawn. */
async function walk(event: KeyboardEvent): Promise<void> {
  const step = ({ ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] } as Record<string, number[]>)[event.key]
  if (!step) return
  event.preventDefault()
  const from = chosen.value ?? { row: 0, column: 0 }
  const row = Math.min(rows.value.length - 1, Math.max(0, from.row + step[0]))
  const column = Math.min(names.value.length - 1, Math.max(0, from.column + step[1]))
  chosen.value = { row, column }
  const own = () => box.value?.querySelector<HTMLElement>(`[data-cell="${row}.${column}"]`)
  if (!own()) scrollTo(row)
  await nextTick()
  setTimeout(() => own()?.focus(), 30)
}
const hasBar = (cell: Placed) => ['plateau', 'relapse'].includes(wordOf(cell) ?? '')
const isFocusable = (row: number, column: number) =>
  chosen.value ? chosen.value.row === row && chosen.value.column === column : row === 0 && column === 0
const sayCell = (row: Shown, column: number) => {
  const cell = row.at.get(column)
  const word = cell && wordOf(cell)
  const state = STATE_WORDS[cell?.state ?? 'new']
  return t('wall.cell', { name: row.name, technique: names.value[column], state, found: word ?? '' })
}
</script>

<template>
  <TopLine :what="t('wall.cohortGlance')" />
  <ViewState v-if="!data || data.rows.length === 0" :loading="loading" :error="error" :empty="data?.rows.length === 0" @retry="reload">
    <p class="text-[20px] font-[650]">{{ t('wall.noApprenticesYet') }}</p>
    <p class="muted mt-2">{{ t('wall.wallFillsOnceSomeoneHas') }}</p>
  </ViewState>
  <div v-else class="flex min-h-0 flex-1 flex-col max-lg:overflow-y-auto lg:grid lg:grid-cols-[1fr_360px]">
    <main ref="box" class="flex min-h-0 min-w-0 flex-col p-4 sm:px-6">
      <p class="font-serif text-[22px] leading-[1.25]"><BoldText :text="sentence" /></p>
      <div class="mt-3 flex flex-wrap gap-3">
        <ChoiceRow v-model="only" :label="t('wall.show')" :options="ONLY" quiet />
        <label class="flex items-center gap-2"
          ><span class="sr-only">{{ t('wall.cohort') }}</span>
          <select v-model="cohort" class="field h-11 w-44">
            <option v-for="one in cohorts" :key="one.value" :value="one.value">{{ one.name }}</option>
          </select></label
        >
      </div>
      <p v-if="rows.length === 0" class="mt-6">{{ t('wall.noOneHereChooseAnother') }}</p>
      <div v-else-if="isTable" ref="across" class="mt-3 min-h-0 flex-1 overflow-x-auto" @keydown="walk">
        <div class="flex h-full min-w-max flex-col">
          <div class="flex flex-none items-end border-b-[1.5px] border-ink">
            <span class="sticky left-0 z-10 w-44 flex-none bg-ground pb-2 font-[650]"
              ><button v-if="!arrivedState.right" class="btn btn-quiet mb-3 h-11 px-3 py-0 text-[16px]" @click="showMore">
                {{ t('wall.moreTechniques') }}<ArrowRight :size="18" aria-hidden="true" class="ml-1 inline" /></button
              ><span class="block">{{ t('wall.nApprentices', { n: rows.length }) }}</span></span
            >
            <span
              v-for="(technique, column) in data.techniques"
              :key="technique.id"
              class="narrow flex h-[172px] w-11 flex-none items-end justify-center pb-1.5"
              :class="chosen?.column === column && 'bg-well'"
              :title="technique.name"
            >
              <span class="max-h-[164px] max-w-[36px] rotate-180 overflow-hidden leading-[1.05] [writing-mode:vertical-rl]">{{
                technique.name
              }}</span>
            </span>
          </div>
          <div v-bind="containerProps" class="min-h-0 flex-1">
            <div v-bind="wrapperProps">
              <div
                v-for="{ data: row, index } in list"
                :key="row.id"
                class="flex items-center border-b border-line"
                :style="{ height: `${ROW_PX}px` }"
              >
                <RouterLink
                  :to="`/apprentices/${row.id}`"
                  class="sticky left-0 z-10 flex h-full w-44 flex-none items-center bg-ground font-[650] no-underline hover:bg-well"
                  >{{ row.name }}</RouterLink
                >
                <button
                  v-for="(_, column) in names"
                  :key="column"
                  class="relative flex h-full w-11 flex-none items-center justify-center"
                  :class="[
                    chosen?.row === index && chosen.column === column
                      ? 'bg-ink text-sheet'
                      : chosen?.column === column || chosen?.row === index
                        ? 'bg-well'
                        : '',
                    row.at.has(column) && !fits(wordOf(row.at.get(column)!)) && 'opacity-25'
                  ]"
                  :tabindex="isFocusable(index, column) ? 0 : -1"
                  :aria-label="sayCell(row, column)"
                  :aria-pressed="chosen?.row === index && chosen.column === column"
                  :data-cell="`${index}.${column}`"
                  @click="choose(index, column)"
                >
                  <template v-if="row.at.has(column)">
                    <GlyphMark :name="row.at.get(column)!.state" :plain="chosen?.row === index && chosen.column === column" />
                    <!-- stuck or fallen back: a bar under the shape -->
                    <svg v-if="hasBar(row.at.get(column)!)" class="absolute bottom-0.5" width="20" height="7" aria-hidden="true">
                      <path v-if="row.at.get(column)!.found!.kind === 'plateau'" d="M1 3.5h18" stroke="currentColor" stroke-width="3" />
                      <path v-else d="M2 1l8 5 8-5" fill="none" stroke="currentColor" stroke-width="2.4" />
                    </svg>
                  </template>
                  <span v-else class="text-hair" aria-hidden="true">·</span>
                </button>
              </div>
            </div>
          </div>
          <div class="flex flex-none items-center border-t-[1.5px] border-ink">
            <span class="muted sticky left-0 z-10 w-44 flex-none bg-ground py-1.5">{{ t('wall.competent') }}</span>
            <span
              v-for="(_, column) in names"
              :key="column"
              class="w-11 flex-none text-center"
              :class="competentIn(column) <= 1 ? 'font-[650]' : 'muted'"
              >{{ competentIn(column) }}</span
            >
          </div>
        </div>
      </div>
      <ul v-else class="m-0 mt-3 list-none p-0">
        <li v-for="(row, index) in rows" :key="row.id" class="border-b border-line py-2">
          <RouterLink :to="`/apprentices/${row.id}`" class="flex min-h-11 items-center text-[19px] font-[650]">{{ row.name }}</RouterLink>
          <div class="flex flex-wrap gap-x-2">
            <button
              v-for="cell in row.cells.filter((own) => wordOf(own) !== null && fits(wordOf(own)))"
              :key="cell.t"
              class="flex min-h-11 items-center gap-1.5 px-2"
              :class="chosen?.row === index && chosen.column === cell.t && 'bg-ink text-sheet'"
              @click="choose(index, cell.t)"
            >
              <GlyphMark :name="cell.state" :size="17" :plain="chosen?.row === index && chosen.column === cell.t" />{{ names[cell.t] }}
            </button>
          </div>
        </li>
      </ul>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-column lg:overflow-y-auto lg:border-l" tabindex="0">
      <WallReason
        :row="shownRow"
        :cell="chosen && shownRow ? (shownRow.at.get(chosen.column) ?? null) : null"
        :technique="chosen ? (data.techniques[chosen.column] ?? null) : null"
        :limit-rules="data.rules"
        :competent="chosen ? competentIn(chosen.column) : 0"
        :of="rows.length"
      />
    </aside>
  </div>
</template>
