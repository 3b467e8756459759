<script setup lang="ts">
import { ROLE_NAMES, ROLES, type CorrectVisit, type MoveVisit, type Swap } from '@peen/contract'
import { addDays, format, parseISO } from 'date-fns'
import { v7 } from 'uuid'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import NewForm, { type NewField } from '../components/NewForm.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import DayBoard from './DayBoard.vue'
import DayCourse from './DayCourse.vue'
import { DOG_FIELDS, EMPTY_DOG } from './dog-fields'
import FinishedList from './FinishedList.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Who works on which dog at which table today; and how a school gets its people, dogs and tables.
const session = useSessionStore()
const props = defineProps<{ on?: string }>()
const router = useRouter()
const { data, error, loading, reload } = useAsked('day', () => ({ on: props.on || 'today' }), { hears: ({ kind }) => kind === 'day' })
const making = ref<'visit' | 'dog' | 'person'>('visit')
const MAKING = [
  { id: 'visit', name: t('day.visit') },
  { id: 'dog', name: t('day.dog') },
  { id: 'person', name: t('day.person') }
] as const
const said = ref<readonly string[]>([])
const refused = ref<string | null>(null)

const busy = computed(() => data.value?.visits.filter(({ closed }) => !closed) ?? [])
const apprentices = computed(() => data.value?.people.filter(({ role }) => role === 'apprentice') ?? [])
const visitFields = computed<readonly NewField[]>(() => [
  {
    name: 'apprenticeId',
    label: t('day.apprentice2'),
    choices: apprentices.value.map((one) => ({ id: one.id, name: `${one.givenName} ${one.familyName}` }))
  },
  {
    name: 'dogId',
    label: t('day.dog'),
    choices: (data.value?.dogs ?? []).map(({ id, name, standing }) => ({ id, name: standing ? `${name}, ${standing.kind}` : name }))
  },
  {
    name: 'tableId',
    label: t('day.table'),
    choices: (data.value?.tables ?? []).map(({ id, number }) => ({ id, name: t('day.tableNumber', { number }) }))
  },
  { name: 'standardId', label: t('day.trim'), choices: data.value?.trims ?? [] },
  { name: 'comesAt', label: t('day.comesAt'), type: 'time' },
  { name: 'weeksSince', label: t('day.weeksSinceLastGroomIf'), type: 'number', nullable: true },
  { name: 'wishes', label: t('day.whatOwnerAsked') },
  { name: 'allTheSame', label: t('day.reasonGoingAheadIfCoat') }
])
const roles = computed(() => (session.me?.role === 'lead' ? ROLES : (['apprentice'] as const)).map((id) => ({ id, name: ROLE_NAMES[id] })))
const personFields = computed<readonly NewField[]>(() => [
  { name: 'givenName', label: t('day.firstName') },
  { name: 'familyName', label: t('day.lastName') },
  { name: 'username', label: t('day.username') },
  { name: 'password', label: t('day.firstPasswordLeastTenCharacters'), type: 'password' },
  { name: 'role', label: t('day.role'), choices: roles.value },
  { name: 'cohort', label: t('day.cohort'), only: ({ role }) => role === 'apprentice' }
])
const start = ref<Record<string, unknown>>({
  apprenticeId: '',
  dogId: '',
  tableId: '',
  standardId: '',
  comesAt: '',
  weeksSince: '',
  wishes: '',
  allTheSame: ''
})
const visitStart = computed(() => ({ ...start.value, onDate: data.value?.onDate }))
/** Puts a table into the form, for keys and for who would rather type. */
function fill(tableId: string): void {
  making.value = 'visit'
  start.value = { ...start.value, tableId }
}
const goTo = (date: string) => router.push(date === data.value?.today ? '/day' : `/day/${date}`)
const shifted = (days: number) => format(addDays(parseISO(data.value!.onDate), days), 'yyyy-MM-dd')
const chooseDay = (event: Event) => goTo((event.target as HTMLInputElement).value || data.value!.today)

/** Does one thing to the day, says what stands against it or why it was refused, and shows the day anew. */
async function act<T>(work: () => Promise<T>, words: string | ((answer: T) => string)): Promise<void> {
  refused.value = null
  said.value = []
  try {
    const answer = await work()
    said.value = [typeof words === 'string' ? words : words(answer), ...((answer as { warnings?: readonly string[] }).warnings ?? [])]
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
  await reload()
}
/** The trim that a dog's body usually wears; the instructor changes it on the visit before anyone begins. */
function usualTrim(dogId: string): string {
  const dog = data.value!.dogs.find(({ id }) => id === dogId)
  const standards = (session.school?.standards ?? []).filter(({ retired }) => !retired)
  return (standards.find(({ bodyType }) => bodyType === dog?.bodyType) ?? standards[0]).id
}
function plan(wanted: { tableId: string; dogId: string; apprenticeId: string }): void {
  const visit = { id: v7(), ...wanted, standardId: usualTrim(wanted.dogId), weeksSince: null, wishes: '', onDate: data.value!.onDate }
  void act(() => ask('planVisit', { body: visit }), t('day.visitPlanned'))
}
const move = (id: string, to: MoveVisit) => void act(() => ask('moveVisit', { id, body: to }), t('day.visitMoved'))
const cancel = (id: string) => void act(() => ask('cancelVisit', { id }), t('day.visitCancelled'))
const correct = (id: string, right: CorrectVisit) =>
  void act(() => ask('correctVisit', { id, body: right }), t('day.visitCorrectedWorkNowCounts'))
const swap = (id: string, body: Swap) => void act(() => ask('swapVisits', { id, body }), t('day.swapped'))
const EMPTY_PERSON = { givenName: '', familyName: '', username: '', password: '', role: '', cohort: '' }

async function made(words: string, answer: { readonly warnings?: readonly string[] }): Promise<void> {
  said.value = [words, ...(answer.warnings ?? [])]
  await reload()
}
const addTable = () =>
  act(
    () => ask('addTable', { body: { id: v7() } }),
    ({ number }) => t('day.tableNumberRoom', { number })
  )
</script>

<template>
  <TopLine :what="t('day.day')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_400px] lg:overflow-hidden">
    <main class="min-w-0 p-4 sm:p-6 lg:overflow-y-auto" tabindex="0">
      <div class="flex flex-wrap items-center justify-between gap-3">
        <h2 class="title">
          {{ t('day.dateNN2TablesUse', { date: sayDate(data.onDate, session.school?.now), n: busy.length, n2: data.tables.length }) }}
        </h2>
        <div class="flex flex-wrap items-center gap-2" role="group" :aria-label="t('day.whichDay')">
          <button class="btn btn-quiet min-h-11 px-4 text-[16px]" @click="goTo(shifted(-1))">{{ t('day.dayBefore') }}</button>
          <input class="field h-11 min-h-11 w-[160px]" type="date" :aria-label="t('day.day2')" :value="data.onDate" @change="chooseDay" />
          <button class="btn btn-quiet min-h-11 px-4 text-[16px]" @click="goTo(shifted(1))">{{ t('day.dayAfter') }}</button>
        </div>
      </div>
      <hr class="rule2 mt-2" />
      <div v-if="said.length" class="mt-3" role="status" data-testid="said">
        <p v-for="(words, i) in said" :key="words" :class="i === 0 ? 'font-[650]' : 'mt-1 text-danger'">
          <GlyphMark v-if="i > 0" name="danger" :size="17" class="mr-1 align-[-3px]" />{{ words }}
        </p>
      </div>
      <p v-if="refused" class="mt-3 font-semibold text-danger" role="alert">{{ refused }}</p>
      <p v-if="data.closedDay" class="mt-3 font-[650]">
        {{ data.onDate < data.today ? t('day.dayOver') : t('day.dayClosedYouCanNo') }}
      </p>
      <p v-if="data.schoolOff !== null && !data.closedDay" class="mt-3 font-[650]">
        {{ t('day.schoolOff', { name: data.schoolOff || 'none' }) }}
      </p>
      <p v-if="data.tables.length === 0" class="muted mt-3">
        {{ t('day.noTablesYetAddTable') }}
      </p>
      <DayBoard :view="data" @plan="plan" @move="move" @cancel="cancel" @fill="fill" @swap="swap" @correct="correct" />
      <FinishedList :visits="data.visits.filter(({ closed }) => closed)" />
      <div class="mt-4 flex flex-wrap gap-2">
        <button class="btn btn-quiet" @click="addTable">{{ t('day.addTable') }}</button>
        <RouterLink class="btn btn-quiet" :to="`/calendar/week/${data.onDate}`">{{ t('day.calendar') }}</RouterLink>
        <RouterLink class="btn btn-quiet" to="/room">{{ t('day.roomTools') }}</RouterLink>
        <RouterLink class="btn btn-quiet" to="/people">{{ t('day.peopleCohortsInvitations') }}</RouterLink>
      </div>
      <DayCourse :view="data" @act="(work, words) => act(work, words as never)" />
      <h2 class="mt-8">{{ t('day.nPeopleN2Dogs', { n: data.people.length, n2: data.dogs.length }) }}</h2>
      <hr class="rule2 mt-1" />
      <p class="mt-2 leading-[1.5]">
        <span v-for="one in data.people" :key="one.id" class="mr-4 inline-block"
          >{{ one.givenName }} {{ one.familyName }} <span class="muted">{{ ROLE_NAMES[one.role] }}</span></span
        >
      </p>
      <p class="mt-2 leading-[1.5]">
        <RouterLink v-for="dog in data.dogs" :key="dog.id" :to="`/dogs/${dog.id}`" class="mr-4 inline-flex min-h-11 items-center">{{
          dog.name
        }}</RouterLink>
      </p>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <div class="mb-4 flex gap-2" role="group" :aria-label="t('day.add')">
        <button
          v-for="choice in MAKING"
          :key="choice.id"
          :class="['btn flex-1', making === choice.id ? 'bg-ink text-sheet' : 'btn-quiet']"
          :aria-pressed="making === choice.id"
          @click="making = choice.id"
        >
          {{ choice.name }}
        </button>
      </div>
      <NewForm
        v-if="making === 'visit'"
        :key="`visit ${data.onDate} ${start.tableId}`"
        to="planVisit"
        :fields="visitFields"
        :start="visitStart"
        :action="t('day.planVisit')"
        @made="(answer) => made(t('day.visitPlanned'), answer)"
      />
      <NewForm
        v-else-if="making === 'dog'"
        key="dog"
        to="addDog"
        :fields="DOG_FIELDS"
        :start="EMPTY_DOG"
        :action="t('day.addDog')"
        @made="(answer) => made(t('day.dogAdded'), answer)"
      />
      <NewForm
        v-else
        key="person"
        to="addPerson"
        :fields="personFields"
        :start="EMPTY_PERSON"
        :action="t('day.addPerson')"
        @made="(answer) => made(t('day.personAddedTheyCanSign'), answer)"
      />
    </aside>
  </div>
</template>
