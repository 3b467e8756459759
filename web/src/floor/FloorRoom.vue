<script setup lang="ts">
import type { FloorTable, FloorView, HoldView, TablePlace } from '@peen/contract'
import { useElementSize, useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useKeys } from '../composables/useKeys'
import { ALL_NEWS, useAsked } from '../composables/useAsked'
import FirstGuide from './FirstGuide.vue'
import FloorTile from './FloorTile.vue'
import LooksList from './LooksList.vue'
import MovableTable from './MovableTable.vue'
import MyDay from './MyDay.vue'
import RoomPlan from './RoomPlan.vue'
import RoundsDialog from './RoundsDialog.vue'
import { useOutboxStore } from '../stores/outbox'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

/** Minutes and the ranking go on even when nobody taps, ms. */
const MINUTES_MS = 20000

const session = useSessionStore()
const outbox = useOutboxStore()
const router = useRouter()
const { data, error, loading, reload } = useAsked('floor', undefined, { hears: ALL_NEWS })
useIntervalFn(() => void reload(), MINUTES_MS)
watch(data, (view) => view?.now && session.sync(view.now))

const showsRanking = ref(false)
const arranging = ref(false)
const problem = ref<string | null>(null)
const room = ref<HTMLElement | null>(null)
const { width } = useElementSize(room)
/** Under this width the room is told as a list, in the order of the tables. */
const LEAST_ROOM_PX = 860
const isRoom = computed(() => width.value >= LEAST_ROOM_PX)
const scale = computed(() => (data.value ? width.value / data.value.roomMm[0] : 0))
const tileWidth = computed(() => Math.min(286, 3520 * scale.value))
const occupied = computed(() => data.value?.tables.filter((table) => table.visitId) ?? [])
const title = computed(() => (session.isStaff ? t('floor.todayNTables', { n: data.value?.tables.length ?? 0 }) : t('floor.myTable')))
const firstHold = computed(() => data.value?.looks.find((look) => look.hold)?.visitId)

function open(table: FloorTable): void {
  if (table.visitId) void router.push(`/table/${table.visitId}`)
}

/** "I am here": the instructor stands at the table, beside the step that waits if one does. */
async function arrive(visitId: string, hold: HoldView | null): Promise<void> {
  const lamport = data.value?.tables.find((table) => table.visitId === visitId)?.lastLamport ?? 0
  if (hold) outbox.put(outbox.make(visitId, 'holdReleased', { techniqueId: hold.techniqueId, hazardId: hold.hazardId }, lamport))
  else outbox.put(outbox.make(visitId, 'lookedAt', {}, lamport))
  await outbox.flush()
  await reload()
}
async function change(work: () => Promise<FloorView | void>): Promise<void> {
  problem.value = null
  try {
    data.value = (await work()) ?? data.value
  } catch (caught) {
    problem.value = sentenceOf(caught)
    // a table that was refused its place is shown where it stands
    await reload()
  }
}
const placeTable = (table: FloorTable, place: TablePlace) => change(() => ask('placeTable', { id: table.tableId, body: place }))
const openDay = () => change(() => ask('openDay', { on: session.today }).then(reload))

useKeys([
  ...Array.from({ length: 9 }, (_, i) => ({
    key: String(i + 1),
    label: t('floor.tableI', { i: i + 1 }),
    run: () => {
      const table = occupied.value.find((t) => t.number === i + 1)
      if (table) open(table)
    }
  })),
  {
    key: 'h',
    label: t('floor.iAmHereFirstTable'),
    run: () => {
      const look = data.value?.looks[0]
      if (look?.hold?.gate) void router.push(`/visits/${look.visitId}/check-in`)
      else if (look) void arrive(look.visitId, look.hold)
    }
  },
  ...(session.isStaff
    ? [{ key: 'm', label: t('floor.startOrStopMovingTables'), run: () => (arranging.value = isRoom.value && !arranging.value) }]
    : [])
])
</script>

<template>
  <TopLine :what="title" />
  <FirstGuide />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_384px] lg:overflow-hidden">
    <main ref="room" class="relative min-w-0 lg:overflow-y-auto" :aria-label="t('floor.room')" tabindex="0">
      <p v-if="problem" class="absolute inset-x-6 top-6 z-20 border-2 border-ink bg-sheet p-3 font-semibold" role="alert">{{ problem }}</p>
      <div v-if="data.tables.length === 0 || (occupied.length === 0 && !session.isStaff)" class="p-6">
        <p class="text-[20px] font-[650]">{{ session.isStaff ? t('floor.thereNoTablesRoomYet') : t('floor.youHaveNoDogToday') }}</p>
        <p class="muted mt-2">
          {{ session.isStaff ? t('floor.yourSchoolStartsEmptySet') : t('floor.lookYourRecordOrAsk') }}
        </p>
        <RouterLink v-if="session.isStaff" to="/day" class="btn btn-go mt-4 inline-flex">{{ t('floor.setUpDay') }}</RouterLink>
      </div>
      <template v-else-if="isRoom">
        <RoomPlan :width="width" :height="data.roomMm[1] * scale" />
        <template v-if="arranging">
          <MovableTable
            v-for="table in data.tables"
            :key="table.tableId"
            :table="table"
            :scale="scale"
            :width="tileWidth * 0.86"
            :room-mm="data.roomMm"
            :container="room"
            @place="(place) => placeTable(table, place)"
          />
        </template>
        <template v-else>
          <FloorTile
            v-for="table in data.tables"
            :key="table.tableId"
            :table="table"
            class="absolute"
            :style="{ left: `${table.xMm * scale}px`, top: `${table.yMm * scale}px` }"
            :width="tileWidth"
            :waits="table.visitId === firstHold"
            @open="open(table)"
            @release="(hold) => arrive(table.visitId!, hold)"
          />
        </template>
      </template>
      <div v-else-if="width > 0" class="grid gap-x-8 gap-y-6 p-4 sm:grid-cols-2">
        <FloorTile
          v-for="table in occupied"
          :key="table.tableId"
          :table="table"
          :width="Math.min(300, width - 40)"
          :waits="table.visitId === firstHold"
          @open="open(table)"
          @release="(hold) => arrive(table.visitId!, hold)"
        />
      </div>
    </main>
    <LooksList
      v-if="session.isStaff"
      :view="data"
      :arranging="arranging"
      @arrive="arrive"
      @ranking="showsRanking = true"
      @open-day="openDay"
    >
      <button
        v-if="isRoom"
        :class="['btn min-h-11 flex-1 px-1 text-[16px]', arranging ? 'bg-ink text-sheet' : 'btn-quiet']"
        :aria-pressed="arranging"
        @click="arranging = !arranging"
      >
        {{ arranging ? t('floor.done') : t('floor.moveTables') }}
      </button>
    </LooksList>
    <MyDay v-if="!session.isStaff" :key="String(data.dayClosed)" :closed="data.dayClosed" />
    <RoundsDialog :open="showsRanking" :rounds="data.rounds" @close="showsRanking = false" @kept="(floor) => (data = floor)" />
  </div>
</template>
