<script setup lang="ts">
import type { FloorTable, FloorView, HoldView } from '@peen/contract'
import { useElementSize, useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import BoldText from '../components/BoldText.vue'
import FloorTile from '../components/FloorTile.vue'
import RoomPlan from '../components/RoomPlan.vue'
import RoundsDialog from '../components/RoundsDialog.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useKeys } from '../composables/useKeys'
import { useLoaded } from '../composables/useLoaded'
import { useOutboxStore } from '../stores/outbox'
import { useSessionStore } from '../stores/session'

const session = useSessionStore()
const outbox = useOutboxStore()
const router = useRouter()
const { data, error, loading, reload } = useLoaded<FloorView>(() => '/floor')
useIntervalFn(() => void reload(), 20000)

const showsRanking = ref(false)
const room = ref<HTMLElement | null>(null)
const { width } = useElementSize(room)
/** Under this width the room is told as a list, in the order of the tables. */
const LEAST_ROOM_PX = 860
const isRoom = computed(() => width.value >= LEAST_ROOM_PX)
const scale = computed(() => (data.value ? width.value / data.value.roomMm[0] : 0))
const occupied = computed(() => data.value?.tables.filter((table) => table.sessionId) ?? [])
const title = computed(() => (session.isStaff ? `Today, ${data.value?.tables.length ?? 0} tables` : 'My table'))
const firstHold = computed(() => data.value?.looks.find((look) => look.hold)?.sessionId)

function open(table: FloorTable): void {
  if (table.sessionId) void router.push(`/table/${table.sessionId}`)
}

/** "I am here": the instructor stands at the table, beside the step that waits if one does. */
async function arrive(sessionId: string, hold: HoldView | null): Promise<void> {
  const lamport = data.value?.tables.find((table) => table.sessionId === sessionId)?.lastLamport ?? 0
  if (hold) outbox.put(outbox.make(sessionId, 'holdReleased', { techniqueId: hold.techniqueId, hazardId: hold.hazardId }, lamport))
  else outbox.put(outbox.make(sessionId, 'lookedAt', {}, lamport))
  await outbox.flush()
  await reload()
}

useKeys([
  ...Array.from({ length: 9 }, (_, i) => ({
    key: String(i + 1),
    label: `Table ${i + 1}`,
    run: () => {
      const table = occupied.value.find((t) => t.number === i + 1)
      if (table) open(table)
    }
  })),
  {
    key: 'h',
    label: 'I am here, at the first look',
    run: () => {
      const look = data.value?.looks[0]
      if (look?.hold?.gate) void router.push(`/visits/${look.sessionId}/check-in`)
      else if (look) void arrive(look.sessionId, look.hold)
    }
  }
])
</script>

<template>
  <TopLine :what="title" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_384px] lg:overflow-hidden">
    <main ref="room" class="relative min-w-0 lg:overflow-y-auto" aria-label="The room">
      <div v-if="data.tables.length === 0 || (occupied.length === 0 && !session.isStaff)" class="p-6">
        <p class="text-[20px] font-[650]">{{ session.isStaff ? 'There is no table in the room yet.' : 'No dog for you today.' }}</p>
        <p class="muted mt-2">
          {{
            session.isStaff
              ? 'This school starts empty: tables, people, dogs and the day’s work are set up on one page.'
              : 'Look at your record, or ask your instructor for a practice figure.'
          }}
        </p>
        <RouterLink v-if="session.isStaff" to="/day" class="btn btn-go mt-4 inline-flex">Set up the day</RouterLink>
      </div>
      <template v-else-if="isRoom">
        <RoomPlan :width="width" :height="data.roomMm[1] * scale" />
        <FloorTile
          v-for="table in data.tables"
          :key="table.tableId"
          :table="table"
          class="absolute"
          :style="{ left: `${table.xMm * scale}px`, top: `${table.yMm * scale}px` }"
          :width="Math.min(286, 3520 * scale)"
          :waits="table.sessionId === firstHold"
          @open="open(table)"
          @release="(hold) => arrive(table.sessionId!, hold)"
        />
      </template>
      <div v-else-if="width > 0" class="grid gap-x-8 gap-y-6 p-4 sm:grid-cols-2">
        <FloorTile
          v-for="table in occupied"
          :key="table.tableId"
          :table="table"
          :width="Math.min(300, width - 40)"
          :waits="table.sessionId === firstHold"
          @open="open(table)"
          @release="(hold) => arrive(table.sessionId!, hold)"
        />
      </div>
    </main>
    <aside
      v-if="session.isStaff"
      class="border-line bg-sheet pb-4 max-lg:border-t lg:overflow-y-auto lg:border-l"
      aria-label="Your next looks"
    >
      <h1 class="px-6 pt-[18px] pb-3.5">Your next three looks</h1>
      <hr class="rule2 mx-6 mb-4" />
      <p v-if="data.looks.length === 0" class="px-6">Nobody waits, and no risky step is near. Walk the room.</p>
      <section
        v-for="(look, i) in data.looks"
        :key="look.sessionId"
        class="relative px-6 pl-16"
        :class="i > 0 ? 'mt-4 border-t border-line pt-4' : ''"
      >
        <span class="numeral absolute left-6 text-[38px]" :class="look.danger ? 'text-danger' : ''" aria-hidden="true">{{ i + 1 }}</span>
        <RouterLink
          :to="`/table/${look.sessionId}`"
          class="block min-h-11 font-serif no-underline"
          :class="i === 0 ? 'text-[23px] leading-[1.22]' : 'text-[20px] leading-[1.22]'"
          ><BoldText :text="look.say"
        /></RouterLink>
        <p class="muted mt-1.5 leading-[1.35]">{{ look.why }}</p>
        <template v-if="look.hold">
          <p class="mt-1.5 font-semibold text-danger">{{ look.hold.caution }}</p>
          <RouterLink v-if="look.hold.gate" :to="`/visits/${look.sessionId}/check-in`" class="btn mt-3 min-h-14 w-full text-[19px]"
            >Check the dog in, table {{ look.tableNumber }}</RouterLink
          >
        </template>
        <button
          v-if="!look.hold?.gate"
          :class="[
            'btn mt-3 w-full',
            look.hold ? 'min-h-14 text-[19px]' : 'min-h-11 text-[17px]',
            i === 0 && look.danger ? 'btn-go' : look.hold ? '' : 'btn-quiet'
          ]"
          @click="arrive(look.sessionId, look.hold)"
        >
          I am here, table {{ look.tableNumber }}
        </button>
      </section>
      <p v-if="outbox.refusal" class="mx-6 mt-4" role="alert">{{ outbox.refusal }}</p>
      <div v-if="data.tables.length > 0" class="mt-6 flex gap-2 px-6">
        <RouterLink to="/day" class="btn btn-quiet min-h-11 flex-1 justify-center px-2 text-[17px]">Plan the day</RouterLink>
        <button class="btn btn-quiet min-h-11 flex-1 px-2 text-[17px]" @click="showsRanking = true">Their ranking</button>
      </div>
    </aside>
    <RoundsDialog :open="showsRanking" :rounds="data.rounds" @close="showsRanking = false" @kept="(floor) => (data = floor)" />
  </div>
</template>
