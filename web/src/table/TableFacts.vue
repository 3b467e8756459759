<script setup lang="ts">
import { sayUndone } from '@peen/core/coat'
import type { AgreedTarget } from '@peen/core/setup'
import { upperFirst } from '@peen/core/units'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import MinutesBar from '../components/MinutesBar.vue'
import type { Table } from './useTable'
import { useUndone } from '../coat/useUndone'
import { sayClock, sayDate } from '../composables/words'
import { techniqueById } from '../stores/techniques'
import AgreedLines from './AgreedLines.vue'
import HouseAtStep from './HouseAtStep.vue'
import AwayTaps from './AwayTaps.vue'
import LateNotes from './LateNotes.vue'
import RanOut from './RanOut.vue'
import SelfRating from './SelfRating.vue'
import { t } from '../words'

// What one must know at the table now: minutes, what the dog can still stand, what waits for an instructor, cautions, what was said of it.
const props = defineProps<{ id: string; table: Table; agreed: readonly AgreedTarget[]; problem: string | null }>()
const emit = defineEmits<{ arrive: []; more: [eventId: string] }>()
const { data, state, current, nextStep, worked, canStand, waitsAt, gate, events, outbox, session, tap } = props.table
const view = computed(() => data.value!)
const LOW_MIN = 6
const { fromLast, lastOn } = useUndone(() => props.id, props.table)
/** places that are named before they are counted */
const MOST = 5
const technique = computed(() => (current.value ? (techniqueById(current.value.techniqueId) ?? null) : null))
const isOpen = computed(() => state.value.openedAt !== null && state.value.closedAt === null)
const ranOutNow = computed(() => isOpen.value && (canStand.value <= 0 || state.value.ranOut !== null))
/** who stood by at which hold point, and when; the newest two */
const stoodBy = computed(() =>
  state.value.released.slice(-2).map(({ techniqueId, hazardId, by, at }) => {
    const hazard = techniqueById(techniqueId)?.hazards.find(({ id }) => id === hazardId)?.name ?? hazardId
    const who = by === session.me?.id ? 'you' : (view.value.names?.[by] ?? t('table.instructor'))
    return t('table.hazardWhoThereClock', { hazard: upperFirst(hazard), who, clock: sayClock(at, session.school?.timeZone ?? 'UTC') })
  })
)
const isMine = computed(() => session.me?.id === view.value.apprentice.id)
// said at the table whoever has come since: it is over when the dog is noted as calmer, or the work has stopped
const distressed = computed(() => state.value.stresses.at(-1)?.level === 'panics' && state.value.stopped === null && isOpen.value)
</script>

<template>
  <div class="px-4 pt-4">
    <p class="text-[32px] leading-none font-[650]">
      {{ worked }} <span class="text-[20px] font-normal">{{ t('table.standardMinMin', { standardMin: view.standardMin }) }}</span>
      <span v-if="state.onBreakSince" class="text-[20px]">{{ t('table.break') }}</span>
    </p>
    <MinutesBar class="mt-1" :worked="worked" :standard="view.standardMin" :can-stand="canStand" :width="286" />
    <p class="mt-1 leading-[1.3]">
      <b :class="canStand <= LOW_MIN ? 'text-danger' : ''">{{
        t('table.xLeftNameToday', { name: view.dog.name, x: Math.max(0, canStand) })
      }}</b>
      {{ t('table.temperamentDislikesDislikes', { temperament: upperFirst(view.dog.temperament), dislikes: view.dog.dislikes }) }}
    </p>
    <RanOut v-if="ranOutNow" :id="id" :table="table" />
    <p v-if="fromLast.length > 0 && !state.closedAt" class="mt-1 leading-[1.3]" data-testid="from-last">
      <b>{{ t('table.startWhatLeftDate', { date: sayDate(lastOn) }) }}</b> {{ fromLast.slice(0, MOST).map(sayUndone).join('; ')
      }}{{ fromLast.length > MOST ? t('table.nMore2', { n: fromLast.length - MOST }) : '' }}.
    </p>
    <p v-for="item in view.checkIn.excused" :key="item.region" class="mt-1 leading-[1.3]">
      <GlyphMark name="excused" :size="17" class="mr-1 align-[-3px]" />{{ t('table.likeArrivalReason', { reason: item.reason }) }}
    </p>
    <p v-if="view.checkIn.wishes" class="muted mt-1 leading-[1.3]">{{ view.checkIn.wishes }}</p>
    <AgreedLines
      v-if="!state.closedAt"
      :agreed="agreed"
      :technique-id="current?.techniqueId ?? nextStep?.step.technique ?? null"
      :began="current !== null"
    />
    <HouseAtStep
      v-if="!state.closedAt"
      :house="view.house"
      :technique-id="current?.techniqueId ?? nextStep?.step.technique ?? null"
      :asks="!session.isStaff"
    />
    <template v-if="gate && !state.closedAt">
      <p class="mt-2 bg-danger-tint p-2 leading-[1.3] font-semibold text-danger">
        <GlyphMark name="hold" :size="18" class="mr-1.5 align-[-3px]" />{{ gate.hazardName }}: {{ gate.caution }}
      </p>
      <RouterLink :to="`/visits/${id}/check-in`" class="btn btn-go mt-2 w-full">{{ t('table.checkDog') }}</RouterLink>
    </template>
    <template v-if="waitsAt && !state.closedAt">
      <p class="mt-2 bg-danger-tint p-2 leading-[1.3] font-semibold text-danger" :role="session.isStaff ? undefined : 'status'">
        <GlyphMark name="hold" :size="18" class="mr-1.5 align-[-3px]" /><template v-if="!session.isStaff"
          >{{ t('table.waitInstructorBeforeNextStep') }}
        </template>
        {{ upperFirst(waitsAt.hazardName) }}: {{ waitsAt.caution }}
      </p>
      <button v-if="session.isStaff" class="btn btn-go mt-2 w-full" @click="emit('arrive')">{{ t('table.iAmHere') }}</button>
    </template>
    <template v-if="state.askedAt && !state.closedAt">
      <p class="mt-2 bg-danger-tint p-2 leading-[1.3] font-semibold text-danger" role="status">
        <GlyphMark name="hold" :size="18" class="mr-1.5 align-[-3px]" />{{
          session.isStaff ? t('table.givenNameNeedsYou', { givenName: view.apprentice.givenName }) : t('table.instructorHasBeenCalledKeep')
        }}
      </p>
      <button v-if="session.isStaff && !waitsAt" class="btn btn-go mt-2 w-full" @click="emit('arrive')">{{ t('table.iAmHere') }}</button>
    </template>
    <p v-if="distressed" class="mt-2 bg-danger-tint p-2 leading-[1.3] font-semibold text-danger" role="alert">
      <GlyphMark name="danger" :size="18" class="mr-1.5 align-[-3px]" />{{
        t('table.namePanickingStopHoldGently', { name: view.dog.name })
      }}
    </p>
    <p v-for="one in stoodBy" :key="one" class="muted mt-1 leading-[1.3]">
      <GlyphMark name="meets" :size="16" class="mr-1 align-[-2px]" />{{ one }}
    </p>
    <p v-for="hazard in technique?.hazards.slice(0, 2) ?? []" :key="hazard.id" class="mt-2 leading-[1.3] text-danger">
      <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ hazard.caution }}
    </p>
    <AwayTaps :events="events" />
    <LateNotes
      :waiting="state.waiting"
      :events="events"
      :staff="session.isStaff"
      @confirm="(eventId) => tap('lateConfirmed', { eventId })"
    />
    <p v-if="state.stopped !== null" class="mt-2 leading-[1.3] font-semibold text-danger">
      <GlyphMark name="hold" :size="17" class="mr-1 align-[-3px]" />{{
        t('table.stoppedStopped', { stopped: state.stopped ? `: ${state.stopped}` : t('table.noOneHasGivenReason') })
      }}
    </p>
    <button
      v-if="state.unsaid.length > 0 && (session.isStaff || state.stopped === '') && !state.closedAt"
      class="btn btn-quiet mt-2 min-h-11 w-full text-[16px]"
      @click="emit('more', state.unsaid[state.unsaid.length - 1])"
    >
      {{ t('table.tapsNeedDetail', { n: state.unsaid.length }) }}
    </button>
    <SelfRating v-if="isMine && (state.closedAt || state.selfRating)" :table="table" />
    <p v-else-if="state.closedAt" class="mt-2 font-[650]">{{ t('table.dogFinishedAnythingTappedNow') }}</p>
    <p v-if="outbox.refusal || problem" class="mt-2 flex gap-2 leading-[1.3]" role="alert">
      <GlyphMark name="fails" :size="18" class="mt-0.5 flex-none" />{{ outbox.refusal ?? problem }}
    </p>
    <p v-else-if="outbox.notice" class="mt-2 leading-[1.3]" role="status">{{ outbox.notice }}</p>
  </div>
</template>
