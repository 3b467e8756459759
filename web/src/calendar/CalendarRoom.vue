<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { format, parseISO } from 'date-fns'
import { computed, defineAsyncComponent, ref } from 'vue'
import { addressOf, type CalendarItem } from '@peen/contract'
import { ask } from '../api/client'
import { download } from '../api/download'
import GlyphMark from '../components/GlyphMark.vue'
import SheetDialog from '../components/SheetDialog.vue'
import ToggleButtons from '../components/ToggleButtons.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useDoing } from '../composables/useDoing'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'
import FeedPart from './FeedPart.vue'
import OffForm from './OffForm.vue'
import { offIn, sayView, SHOWS, stepped, useCalendar, type Show } from './useCalendar'

const CalendarGrid = defineAsyncComponent(() => import('./CalendarGrid.vue'))

// The school's days: what is planned, what is due, who is away; and how other calendars read it.
const props = defineProps<{ show?: string; on?: string }>()
const session = useSessionStore()
const { data, error, loading, reload, show, on, firstDay, span, go } = useCalendar(() => props)
const narrow = useMediaQuery('(max-width: 819px)')
const sheet = ref<'off' | 'elsewhere' | null>(null)
const { problem, doing } = useDoing(reload)
const SHOWN: Readonly<Record<Show, string>> = { day: t('calendar.day'), week: t('calendar.week'), month: t('calendar.month') }
const title = computed(() => {
  const day = parseISO(on.value)
  if (show.value === 'day') return format(day, 'EEEE d MMMM yyyy')
  if (show.value === 'month') return format(day, 'MMMM yyyy')
  return t('calendar.weekOf', { date: format(parseISO(span.value.from), 'd MMMM yyyy') })
})
const off = computed(() => (data.value ? offIn(data.value.off, span.value) : []))
const daysOf = ({ fromOn, toOn }: { readonly fromOn: string; readonly toOn: string }) =>
  fromOn === toOn
    ? sayDate(fromOn, session.today)
    : t('calendar.fromTo', { from: sayDate(fromOn, session.today), to: sayDate(toOn, session.today) })
type Done = { readonly id: string; readonly dog: string; readonly from: string; readonly to: string; readonly warnings: readonly string[] }
/** the visit that was moved last: it can go back */
const done = ref<Done | null>(null)
async function move(visit: CalendarItem, onDate: string, back: () => void): Promise<void> {
  done.value = null
  if (visit.kind !== 'visit') return
  await doing(async () => {
    const { warnings } = await ask('moveVisit', { id: visit.id, body: { onDate } })
    done.value = { id: visit.id, dog: visit.dog, from: visit.onDate, to: onDate, warnings }
  })
  // what was refused stands where it stood
  if (problem.value) back()
}
async function moveBack({ id, from }: Done): Promise<void> {
  await doing(() => ask('moveVisit', { id, body: { onDate: from } }))
  if (!problem.value) done.value = null
}
const mayRemove = (about: string) => session.isLead || (session.isStaff && about !== 'school')
const choose = (event: Event) => (event.target as HTMLInputElement).value && go({ on: (event.target as HTMLInputElement).value })
</script>

<template>
  <TopLine :what="t('calendar.calendar')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('calendar.calendar')">
    <p class="finding max-sm:text-[23px]" data-testid="calendar-says">{{ sayView(data, { show, on, isStaff: session.isStaff }) }}</p>
    <div class="mt-3 flex flex-wrap items-center gap-2">
      <ToggleButtons
        :options="SHOWS.map((id) => ({ id, name: SHOWN[id] }))"
        :is-on="(id) => id === show"
        @toggle="(id) => go({ show: id as Show })"
      />
      <div class="flex gap-2">
        <button class="btn btn-quiet min-h-11 px-3" @click="go({ on: stepped(show, on, -1) })">{{ t('calendar.earlier') }}</button>
        <button class="btn btn-quiet min-h-11 px-3" :disabled="on === session.today" @click="go({ on: session.today })">
          {{ t('calendar.today') }}
        </button>
        <button class="btn btn-quiet min-h-11 px-3" @click="go({ on: stepped(show, on, 1) })">{{ t('calendar.later') }}</button>
      </div>
      <label
        ><span class="sr-only">{{ t('calendar.goTo') }}</span
        ><input class="field h-11 min-h-11 w-40" type="date" :value="on" @change="choose"
      /></label>
    </div>
    <p v-if="problem" class="mt-2 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
    <p v-if="done" class="mt-2 flex flex-wrap items-center gap-2" role="status">
      <GlyphMark name="saved" :size="18" />{{
        [t('calendar.visitMoved', { dog: done.dog, date: sayDate(done.to, session.today) }), ...done.warnings].join(' ')
      }}
      <button class="btn btn-quiet px-3" @click="moveBack(done)">{{ t('calendar.moveBack') }}</button>
    </p>
    <div :class="['mt-4 grid gap-x-8 gap-y-6', session.isStaff && 'xl:grid-cols-[minmax(0,1fr)_290px]']">
      <section class="min-w-0" :aria-label="title">
        <h2 class="title">{{ title }}</h2>
        <hr class="rule2 mt-1 mb-2" />
        <CalendarGrid
          :view="data"
          :show="show"
          :on="on"
          :first-day="firstDay"
          :narrow="narrow"
          :may-move="session.isStaff"
          @day="(day) => go({ show: 'day', on: day })"
          @move="move"
        />
      </section>
      <div v-if="session.isStaff || off.length > 0" class="grid content-start gap-6 sm:grid-cols-2 xl:grid-cols-1">
        <section v-if="session.isStaff" :aria-label="t('calendar.overdue')" data-testid="overdue">
          <h2>{{ t('calendar.overdue') }}</h2>
          <hr class="rule2 mt-1" />
          <p v-if="data.overdue.length === 0" class="muted mt-2">{{ t('calendar.noneOverdue') }}</p>
          <ul class="row-rule m-0 list-none p-0">
            <li v-for="one in data.overdue" :key="one.dogId">
              <RouterLink :to="`/coat/${one.dogId}/next-visit`" class="block min-h-11 py-2 leading-[1.3]"
                ><b>{{ one.dog }}</b> <span class="muted block">{{ t('calendar.dueSince', { days: one.days }) }}</span></RouterLink
              >
            </li>
          </ul>
        </section>
        <section v-if="data.moved.length > 0" :aria-label="t('calendar.plansMoved')">
          <h2>{{ t('calendar.plansMoved') }}</h2>
          <hr class="rule2 mt-1" />
          <ul class="row-rule m-0 list-none p-0">
            <li v-for="one in data.moved" :key="one.dogId">
              <RouterLink :to="`/coat/${one.dogId}/work-back`" class="block min-h-11 py-2 leading-[1.3]"
                ><b>{{ one.dog }}</b> <span class="muted block">{{ t('calendar.placesMoved', { count: one.places }) }}</span></RouterLink
              >
            </li>
          </ul>
        </section>
        <section v-if="off.length > 0" :aria-label="t('calendar.timeOff')" data-testid="off">
          <h2>{{ t('calendar.timeOff') }}</h2>
          <hr class="rule2 mt-1" />
          <ul class="row-rule m-0 list-none p-0">
            <li v-for="one in off" :key="one.id" class="flex flex-wrap items-center justify-between gap-x-2 py-2 leading-[1.3]">
              <span
                ><b>{{
                  one.about === 'school' ? t('calendar.schoolClosed', { name: one.name }) : t('calendar.isAway', { name: one.whose })
                }}</b>
                <span class="muted block">{{ daysOf(one) }}</span></span
              >
              <button
                v-if="mayRemove(one.about)"
                class="btn btn-quiet px-3"
                :aria-label="t('calendar.removeOff', { days: daysOf(one) })"
                @click="doing(() => ask('removeOff', { id: one.id }))"
              >
                {{ t('calendar.remove') }}
              </button>
            </li>
          </ul>
        </section>
      </div>
    </div>
    <div class="mt-6 flex flex-wrap gap-2">
      <button v-if="session.isStaff" class="btn btn-quiet" @click="sheet = 'off'">{{ t('calendar.addTimeOff') }}</button>
      <button class="btn btn-quiet" @click="sheet = 'elsewhere'">{{ t('calendar.otherCalendars') }}</button>
      <button v-if="session.isStaff" class="btn btn-quiet" @click="doing(() => download(addressOf('weekPlan', { on })))">
        {{ t('calendar.weekOnPaper') }}
      </button>
    </div>
    <SheetDialog :open="sheet === 'off'" :title="t('calendar.timeOff')" @close="sheet = null">
      <OffForm :view="data" @kept="reload" />
    </SheetDialog>
    <SheetDialog :open="sheet === 'elsewhere'" :title="t('calendar.otherCalendars')" @close="sheet = null"><FeedPart /></SheetDialog>
  </main>
</template>
