<script setup lang="ts">
import type { CalendarItem, CalendarView } from '@peen/contract'
import { isOpenOn, shiftDay } from '@peen/core/day'
import type { CalendarOptions, EventContentArg, EventInput } from '@fullcalendar/core'
import dayGrid from '@fullcalendar/daygrid'
import interaction from '@fullcalendar/interaction'
import list from '@fullcalendar/list'
import FullCalendar from '@fullcalendar/vue3'
import { ClipboardCheck, Flag, Hand, Hourglass, PawPrint, Repeat } from '@lucide/vue'
import { formatISO } from 'date-fns'
import { computed, ref, watch, type Component } from 'vue'
import { useRouter } from 'vue-router'
import { sayHours } from '../composables/words'
import { useSettingsStore } from '../stores/settings'
import { t } from '../words'
import './calendar.css'
import { linkOf, sayItem, type Show } from './useCalendar'

// Days as a grid, or as a list where the page is narrow.
const props = defineProps<{ view: CalendarView; show: Show; on: string; firstDay: number; narrow: boolean; mayMove: boolean }>()
const emit = defineEmits<{ day: [on: string]; move: [visit: CalendarItem, onDate: string, back: () => void] }>()
const router = useRouter()
const settings = useSettingsStore()
const grid = ref<InstanceType<typeof FullCalendar> | null>(null)

const ICONS: Readonly<Record<CalendarItem['kind'], Component>> = {
  visit: PawPrint,
  session: Hand,
  due: Repeat,
  aim: Flag,
  assessmentDay: ClipboardCheck,
  expires: Hourglass
}
const events = computed<EventInput[]>(() => [
  ...props.view.items.map((item, nth): EventInput => ({
    ...{ id: `${item.kind} ${item.id}`, title: sayItem(item), start: item.onDate, allDay: true, url: linkOf(item) ?? undefined },
    startEditable: props.mayMove && item.kind === 'visit' && item.onDate >= props.view.today,
    extendedProps: { item, nth }
  })),
  ...props.view.off
    .filter(({ about }) => about === 'school')
    .map((off): EventInput => ({
      ...{ id: off.id, title: t('calendar.schoolClosed', { name: off.name }), start: off.fromOn, end: shiftDay(off.toOn, 1), allDay: true },
      extendedProps: { nth: -1 }
    }))
])
const type = computed(() => {
  const size = { day: 'Day', week: 'Week', month: 'Month' }[props.show]
  return props.narrow || props.show === 'day' ? `list${size}` : `dayGrid${size}`
})
const isOpen = (date: Date) => isOpenOn(formatISO(date, { representation: 'date' }), props.view.opening, [])
const options = computed<CalendarOptions>(() => ({
  plugins: [dayGrid, list, interaction],
  initialView: type.value,
  initialDate: props.on,
  now: `${props.view.today}T12:00:00`,
  timeZone: 'UTC',
  locale: settings.settings.language,
  firstDay: props.firstDay,
  headerToolbar: false,
  height: 'auto',
  // nothing is hidden behind a number
  dayMaxEvents: false,
  fixedWeekCount: false,
  navLinks: true,
  navLinkHint: (text) => t('calendar.openDay', { date: text }),
  navLinkDayClick: (date) => emit('day', date.toISOString().slice(0, 10)),
  noEventsContent: t('calendar.nothingPlanned'),
  eventInteractive: true,
  eventOrder: 'nth',
  dayCellClassNames: ({ date }) => (isOpen(date) ? [] : ['is-shut']),
  listDayFormat: { weekday: 'long', day: 'numeric', month: 'long' },
  listDaySideFormat: false,
  dayHeaderFormat: props.show === 'month' ? { weekday: 'short' } : { weekday: 'short', day: 'numeric', month: 'short' },
  eventClick: ({ event, jsEvent }) => {
    if (!event.url) return
    // inside the application a page is not loaded again
    jsEvent.preventDefault()
    void router.push(event.url)
  },
  // a visit is moved to another day by hand; the keys' way is the form of its day
  eventAllow: ({ startStr }) => startStr >= props.view.today,
  longPressDelay: 400,
  eventDrop: ({ event, revert }) => emit('move', (event.extendedProps as { item: CalendarItem }).item, event.startStr, revert),
  events: events.value
}))
watch([type, () => props.on], ([to, on]) => {
  const api = grid.value?.getApi()
  api?.changeView(to, on)
})
const itemOf = (arg: EventContentArg) => (arg.event.extendedProps as { item?: CalendarItem }).item
const timeOf = (item: CalendarItem | undefined) => (item?.kind === 'visit' && item.comesAt ? sayHours(item.comesAt) : null)
const more = (item: CalendarItem | undefined) =>
  item?.kind === 'visit' && (props.narrow || props.show !== 'month')
    ? t('calendar.visitMore', { trim: item.trim, table: item.table })
    : item?.kind === 'session' && (props.narrow || props.show !== 'month')
      ? t('calendar.minutes', { minutes: item.minutes })
      : null
</script>

<template>
  <FullCalendar ref="grid" :options="options" :class="['peen-calendar', show === 'month' && 'is-month']">
    <template #eventContent="arg">
      <span class="flex gap-1.5 py-0.5 text-left leading-[1.25] whitespace-normal">
        <component :is="ICONS[itemOf(arg)!.kind]" v-if="itemOf(arg)" :size="15" class="mt-[2px] shrink-0" aria-hidden="true" />
        <span class="min-w-0 wrap-break-word"
          ><b v-if="timeOf(itemOf(arg))" class="tabular-nums">{{ `${timeOf(itemOf(arg))} ` }}</b
          ><span :class="itemOf(arg) ? '' : 'font-[650]'">{{ arg.event.title }}</span
          ><span v-if="more(itemOf(arg))" class="muted block">{{ more(itemOf(arg)) }}</span></span
        >
      </span>
    </template>
  </FullCalendar>
</template>
