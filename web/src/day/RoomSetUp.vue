<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import AskOnce from '../components/AskOnce.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import SharedTablets from './SharedTablets.vue'
import { useAsked } from '../composables/useAsked'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// The room with its size, the tablets that people share, and which tools lie at which table: the adviser advises what is at hand.
const session = useSessionStore()
const { data, error, loading, reload } = useAsked('day', () => ({ on: 'today' }), { fresh: true })
const refused = ref<string | null>(null)
const said = ref<string | null>(null)
const room = ref({ room: session.school?.room ?? '', roomWidthMm: '', roomDepthMm: '' })
const tableId = ref('')
const removes = ref(false)
const takeOut = () =>
  act(() => ask('removeTable', { id: tableId.value }), t('day.tableRemovedWorkDoneThere')).then(() => {
    if (!table.value) tableId.value = data.value?.tables[0]?.id ?? ''
  })
onMounted(async () => {
  const [widthMm, depthMm] = (await ask('floor')).roomMm
  room.value = { ...room.value, roomWidthMm: String(widthMm), roomDepthMm: String(depthMm) }
})
watch(data, (view) => {
  tableId.value ||= view?.tables[0]?.id ?? ''
})
const table = computed(() => data.value?.tables.find(({ id }) => id === tableId.value) ?? null)
const tools = computed(() => session.school?.tools ?? [])
const lies = (id: string) => table.value?.toolIds?.includes(id) ?? true

async function act(work: () => Promise<unknown>, words: string): Promise<void> {
  said.value = null
  try {
    await work()
    refused.value = null
    said.value = words
    await reload()
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
}
function keepRoom(): void {
  const { room: name, roomWidthMm, roomDepthMm } = room.value
  const sizes = { roomWidthMm: Number(roomWidthMm), roomDepthMm: Number(roomDepthMm) }
  void act(async () => {
    session.school = await ask('keepRoom', { body: { room: name, ...sizes } })
  }, t('day.roomSaved'))
}
function toggle(id: string): void {
  const now = table.value!.toolIds ?? tools.value.map((tool) => tool.id)
  const next = now.includes(id) ? now.filter((one) => one !== id) : [...now, id]
  setTools(next.length === tools.value.length ? null : next)
}
function setTools(toolIds: readonly string[] | null): void {
  void act(() => ask('setTableTools', { id: tableId.value, body: { toolIds } }), t('day.toolsSavedTable'))
}
</script>

<template>
  <TopLine :what="t('day.roomTools')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('day.roomTools')">
    <p v-if="said" class="mb-2 font-[650]" role="status">{{ said }}</p>
    <p v-if="refused" class="mb-2 font-semibold text-danger" role="alert">{{ refused }}</p>
    <template v-if="session.isLead">
      <h2 class="title">{{ t('day.room') }}</h2>
      <hr class="rule2 mt-2 mb-3" />
      <form class="flex flex-wrap items-end gap-2" novalidate @submit.prevent="keepRoom">
        <label
          ><span class="label">{{ t('day.name') }}</span
          ><input v-model="room.room" class="field w-[240px]" maxlength="80"
        /></label>
        <label
          ><span class="label">{{ t('day.widthMm') }}</span
          ><input v-model="room.roomWidthMm" class="field w-[130px]" inputmode="numeric"
        /></label>
        <label
          ><span class="label">{{ t('day.depthMm') }}</span
          ><input v-model="room.roomDepthMm" class="field w-[130px]" inputmode="numeric"
        /></label>
        <button class="btn">{{ t('day.saveRoom') }}</button>
      </form>
    </template>
    <SharedTablets />
    <h2 class="title mt-8">{{ t('day.toolsTables') }}</h2>
    <hr class="rule2 mt-2 mb-3" />
    <p v-if="!table" class="muted">{{ t('day.noTablesYetAddOne') }}</p>
    <template v-else>
      <label
        ><span class="label">{{ t('day.table') }}</span>
        <select v-model="tableId" class="field h-12 w-[160px]">
          <option v-for="one in data.tables" :key="one.id" :value="one.id">{{ t('day.tableNumber', { number: one.number }) }}</option>
        </select></label
      >
      <p class="mt-2">
        {{ table.toolIds ? t('day.nN2ToolsHere', { n: table.toolIds.length, n2: tools.length }) : t('day.wholeRackHere') }}
      </p>
      <ul class="m-0 mt-2 grid list-none gap-x-6 p-0 sm:grid-cols-2 lg:grid-cols-4">
        <li v-for="tool in tools" :key="tool.id">
          <label class="flex min-h-11 items-center gap-3"
            ><input type="checkbox" class="size-6 accent-(--act)" :checked="lies(tool.id)" @change="toggle(tool.id)" />{{
              tool.kind === 'blade' || tool.kind === 'comb' ? `${tool.kind} ` : ''
            }}{{ tool.label }}</label
          >
        </li>
      </ul>
      <button v-if="table.toolIds" class="btn btn-quiet mt-2 mr-2" @click="setTools(null)">{{ t('day.wholeRack') }}</button>
      <button class="btn btn-quiet mt-2" @click="removes = true">{{ t('day.removeTableNumber', { number: table.number }) }}</button>
    </template>
    <AskOnce
      :open="removes"
      :title="t('day.removeTableNumber2', { number: table?.number })"
      :says="[t('day.youCanNoLongerPlan')]"
      :action="t('day.remove')"
      :working="t('day.removing')"
      :run="takeOut"
      @close="removes = false"
    />
  </main>
</template>
