<script setup lang="ts">
import type { CorrectVisit, DayView, Swap, VisitView } from '@peen/contract'
import { computed, ref } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import SortList from '../components/SortList.vue'
import MoveVisit from './MoveVisit.vue'
import { t } from '../words'

// The tables of a day. A dog and an apprentice are drawn onto a table, a planned visit onto another; every move has its keys as well.
const props = defineProps<{ view: DayView }>()
const emit = defineEmits<{
  plan: [wanted: { readonly tableId: string; readonly dogId: string; readonly apprenticeId: string }]
  move: [id: string, to: { readonly tableId?: string; readonly apprenticeId?: string; readonly onDate?: string }]
  cancel: [id: string]
  fill: [tableId: string]
  swap: [id: string, to: Swap]
  correct: [id: string, right: CorrectVisit]
}>()

type Chip = {
  readonly key: string
  readonly kind: 'dog' | 'apprentice'
  readonly id: string
  readonly name: string
  readonly warn: boolean
}
type Item = Chip | { readonly key: string; readonly kind: 'visit'; readonly id: string; readonly visit: VisitView }
/** drawn by our own shadow of it, which looks the same on every tablet */
const BY_HAND = { sort: false, forceFallback: true }
const waiting = ref<Readonly<Record<string, readonly Chip[]>>>({})
const moving = ref<string | null>(null)
/** counts drops: what a drop changed on the page is drawn anew from the data */
const drops = ref(0)

const open = computed(() => props.view.visits.filter(({ closed }) => !closed))
const apprentices = computed<Chip[]>(() =>
  props.view.people
    .filter(({ role, id }) => role === 'apprentice' && !props.view.absent.includes(id))
    .filter(({ id }) => !open.value.some((visit) => visit.apprenticeId === id))
    .map(({ id, givenName }) => ({ key: `a${id}`, kind: 'apprentice', id, name: givenName, warn: false }))
)
const dogs = computed<Chip[]>(() =>
  props.view.dogs
    .filter(({ id }) => !open.value.some((visit) => visit.dogId === id))
    .map(({ id, name, standing }) => ({ key: `d${id}`, kind: 'dog', id, name, warn: standing !== null }))
)
const itemsAt = (tableId: string): Item[] => [
  ...open.value
    .filter((visit) => visit.tableId === tableId)
    .map((visit) => ({ key: visit.id, kind: 'visit' as const, id: visit.id, visit })),
  ...(waiting.value[tableId] ?? [])
]
const palettes = computed(() => [
  { name: t('day.apprentices'), chips: apprentices.value },
  { name: t('day.dogs'), chips: dogs.value }
])

const items = computed(
  () =>
    new Map<string, Item>(
      [...props.view.tables.flatMap(({ id }) => itemsAt(id)), ...apprentices.value, ...dogs.value].map((item) => [item.key, item])
    )
)
function dropped(tableId: string, key: string): void {
  const item = items.value.get(key)
  if (!item) return
  drops.value++
  if (item.kind === 'visit') {
    // drawn onto a taken table, the two change places
    const taken = open.value.find((visit) => visit.tableId === tableId && visit.id !== item.id)
    return taken ? emit('swap', item.id, { with: taken.id, what: 'tables' }) : emit('move', item.id, { tableId })
  }
  const here = [...(waiting.value[tableId] ?? []).filter(({ kind }) => kind !== item.kind), item]
  const [dog, apprentice] = [here.find(({ kind }) => kind === 'dog'), here.find(({ kind }) => kind === 'apprentice')]
  waiting.value = { ...waiting.value, [tableId]: dog && apprentice ? [] : here }
  if (dog && apprentice) emit('plan', { tableId, dogId: dog.id, apprenticeId: apprentice.id })
}
function swapped(id: string, to: Swap): void {
  moving.value = null
  emit('swap', id, to)
}
function put(id: string, right: CorrectVisit): void {
  moving.value = null
  emit('correct', id, right)
}
function apply(id: string, to: { tableId?: string; apprenticeId?: string; onDate?: string }): void {
  moving.value = null
  emit('move', id, to)
}
</script>

<template>
  <div>
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="table in view.tables" :key="table.id" class="px-1 py-2" data-testid="day-table">
        <div class="flex min-h-12 items-center gap-4">
          <span class="w-10 font-serif text-[26px] italic">{{ table.number }}</span>
          <SortList
            :key="`${drops} ${view.closedDay}`"
            class="flex min-h-12 min-w-0 flex-1 flex-wrap items-center gap-2"
            :options="{ ...BY_HAND, group: { name: 'day', pull: true, put: !view.closedDay }, filter: 'a, button', preventOnFilter: false }"
            :data-table="table.number"
            @dropped="(key) => dropped(table.id, key)"
          >
            <template v-for="element in itemsAt(table.id)" :key="element.key">
              <div
                v-if="element.kind === 'visit'"
                :data-key="element.key"
                class="flex min-h-12 flex-1 flex-wrap items-center gap-x-3 gap-y-1"
              >
                <span class="grip" aria-hidden="true">⠿</span>
                <RouterLink
                  :to="`/visits/${element.id}`"
                  class="flex min-h-11 flex-1 flex-wrap items-center gap-x-3 no-underline hover:underline"
                  ><b>{{ element.visit.apprentice }}</b
                  ><span>{{ element.visit.dog }}, {{ element.visit.trim }}</span
                  ><span v-if="element.visit.begun" class="muted">{{ t('day.working') }}</span></RouterLink
                >
                <button
                  class="btn btn-quiet min-h-11 px-3 text-[16px]"
                  :aria-expanded="moving === element.id"
                  :aria-label="t('day.moveDog', { dog: element.visit.dog })"
                  @click="moving = moving === element.id ? null : element.id"
                >
                  {{ t('day.move') }}
                </button>
              </div>
              <span v-else :data-key="element.key" class="chip">{{ element.name }}</span>
            </template>
            <button
              v-if="itemsAt(table.id).length === 0 && !view.closedDay"
              class="muted min-h-11 flex-1 text-left hover:underline"
              @click="emit('fill', table.id)"
            >
              {{ t('day.free') }}
            </button>
          </SortList>
        </div>
        <template v-for="visit in open.filter((one) => one.tableId === table.id)" :key="visit.id">
          <p v-for="warning in visit.warnings" :key="warning" class="ml-14 leading-[1.3] text-danger">
            <GlyphMark name="danger" :size="16" class="mr-1 align-[-3px]" />{{ warning }}
          </p>
          <MoveVisit
            v-if="moving === visit.id"
            class="ml-14"
            :view="view"
            :visit="visit"
            @move="(to) => apply(visit.id, to)"
            @cancel="emit('cancel', visit.id)"
            @swap="(to) => swapped(visit.id, to)"
            @correct="(right) => put(visit.id, right)"
          />
        </template>
      </li>
    </ul>
    <template v-if="!view.closedDay">
      <div v-for="palette in palettes" :key="palette.name" class="mt-4">
        <h2>
          {{ palette.name }}
          <span class="muted font-normal">{{ palette.chips.length ? t('day.dragOntoTable') : t('day.everyoneHasTable') }}</span>
        </h2>
        <SortList
          :key="drops"
          class="mt-2 flex flex-wrap gap-2"
          :options="{ ...BY_HAND, group: { name: 'day', pull: 'clone', put: false } }"
          :data-palette="palette.name"
        >
          <span v-for="chip in palette.chips" :key="chip.key" :data-key="chip.key" class="chip"
            ><GlyphMark v-if="chip.warn" name="danger" :size="16" class="mr-1 align-[-3px]" />{{ chip.name }}</span
          >
        </SortList>
      </div>
    </template>
  </div>
</template>

<style scoped>
.chip {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 4px 14px;
  border: 1.5px solid var(--hair);
  border-radius: 4px;
  background: var(--plate);
  cursor: grab;
  touch-action: none;
  user-select: none;
}
.grip {
  padding: 10px 4px;
  cursor: grab;
  color: var(--ink2);
  touch-action: none;
}
</style>
