<script setup lang="ts">
import type { BusyTaken, CalendarView, OffAbout } from '@peen/contract'
import type { Opening } from '@peen/core/day'
import { computed, ref } from 'vue'
import { v7 } from 'uuid'
import { ask } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import ToggleButtons from '../components/ToggleButtons.vue'
import { useDoing } from '../composables/useDoing'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// When the school is closed, or a dog or a person is away: by hand, or from a calendar file.
const props = defineProps<{ view: CalendarView }>()
const emit = defineEmits<{ kept: [] }>()
const session = useSessionStore()
const said = ref<string | null>(null)
const { problem, doing } = useDoing(() => Promise.resolve(emit('kept')))
const about = ref<OffAbout>('dog')
const aboutId = ref('')
const draft = ref({ fromOn: props.view.today, toOn: props.view.today, name: '' })
const ABOUT = computed(() => [
  { id: 'dog', name: t('calendar.aDog') },
  { id: 'person', name: t('calendar.aPerson') },
  ...(session.isLead ? [{ id: 'school', name: t('calendar.theSchool') }] : [])
])
const whose = computed(() => (about.value === 'dog' ? props.view.dogs : props.view.people))
function pick(id: string): void {
  about.value = id as OffAbout
  aboutId.value = ''
}
async function keep(): Promise<void> {
  said.value = null
  const body = { id: v7(), about: about.value, aboutId: about.value === 'school' ? null : aboutId.value || null, ...draft.value }
  await doing(async () => {
    await ask('addOff', { body })
    said.value = t('calendar.offKept')
  })
}
async function take(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  said.value = null
  if (!file) return
  await doing(async () => {
    const taken: BusyTaken = await ask('takeBusyIn', { about: about.value, id: aboutId.value, file })
    said.value = [
      t('calendar.fileTaken', { days: taken.days, name: whose.value.find(({ id }) => id === aboutId.value)!.name }),
      ...taken.notes
    ].join(' ')
  })
}
const opening = ref<Opening>({ ...props.view.opening, weekdays: [...props.view.opening.weekdays] })
/** Monday to Sunday, in the words of this language */
const WEEKDAYS = Array.from({ length: 7 }, (_, i) => ({
  id: String(i + 1),
  name: new Intl.DateTimeFormat(document.documentElement.lang || 'en-GB', { weekday: 'short', timeZone: 'UTC' }).format(
    Date.UTC(2024, 0, 1 + i)
  )
}))
function toggle(id: string): void {
  const [day, { weekdays }] = [Number(id), opening.value]
  opening.value = { ...opening.value, weekdays: weekdays.includes(day) ? weekdays.filter((one) => one !== day) : [...weekdays, day] }
}
const keepOpening = () =>
  doing(async () => {
    await ask('keepOpening', { body: opening.value })
    said.value = t('calendar.openingKept')
  })
</script>

<template>
  <p v-if="said" class="mb-3 flex gap-2 font-[650]" role="status"><GlyphMark name="saved" :size="18" class="mt-0.5" />{{ said }}</p>
  <p v-if="problem" class="mb-3 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
  <form novalidate @submit.prevent="keep">
    <ToggleButtons :options="ABOUT" :is-on="(id) => id === about" @toggle="pick" />
    <div class="mt-3 grid gap-x-4 gap-y-2 sm:grid-cols-2">
      <div v-if="about !== 'school'" class="sm:col-span-2">
        <label class="label" for="off-whose">{{ about === 'dog' ? t('calendar.whichDog') : t('calendar.whichPerson') }}</label>
        <select id="off-whose" v-model="aboutId" class="field">
          <option value="">{{ t('calendar.choose') }}</option>
          <option v-for="one in whose" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
      </div>
      <div v-else class="sm:col-span-2">
        <label class="label" for="off-name">{{ t('calendar.nameDays') }}</label><input
          id="off-name"
          v-model="draft.name"
          class="field"
          maxlength="60"
          :placeholder="t('calendar.springBreak')"
        />
      </div>
      <div>
        <label class="label" for="off-from">{{ t('calendar.firstDay') }}</label><input
          id="off-from"
          v-model="draft.fromOn"
          class="field"
          type="date"
        />
      </div>
      <div>
        <label class="label" for="off-to">{{ t('calendar.lastDay') }}</label><input
          id="off-to"
          v-model="draft.toOn"
          class="field"
          type="date"
        />
      </div>
    </div>
    <button class="btn btn-go mt-3">{{ t('calendar.saveOff') }}</button>
    <label v-if="about !== 'school' && aboutId" class="btn btn-quiet mt-3 ml-2 cursor-pointer"
      >{{ t('calendar.readFile') }}<input class="sr-only" type="file" accept=".ics,text/calendar" @change="take"
    /></label>
    <p class="muted mt-2 leading-[1.35]">{{ about === 'school' ? t('calendar.schoolOffSays') : t('calendar.offSays') }}</p>
  </form>
  <form v-if="session.isLead" class="mt-6" novalidate @submit.prevent="keepOpening">
    <h3 class="font-[650]">{{ t('calendar.openingHours') }}</h3>
    <hr class="rule2 mt-1 mb-3" />
    <ToggleButtons :options="WEEKDAYS" :is-on="(id) => opening.weekdays.includes(Number(id))" @toggle="toggle" />
    <div class="mt-3 grid grid-cols-2 gap-4">
      <div>
        <label class="label" for="opens">{{ t('calendar.opensAt') }}</label><input
          id="opens"
          v-model="opening.from"
          class="field"
          type="time"
        />
      </div>
      <div>
        <label class="label" for="closes">{{ t('calendar.closesAt') }}</label><input
          id="closes"
          v-model="opening.until"
          class="field"
          type="time"
        />
      </div>
    </div>
    <button class="btn mt-3">{{ t('calendar.saveOpening') }}</button>
  </form>
</template>
