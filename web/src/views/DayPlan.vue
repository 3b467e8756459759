<script setup lang="ts">
import { bodies, colourNames } from '@peen/content'
import { newDogSchema, newPersonSchema, newVisitSchema, ROLE_NAMES, ROLES, type DayView } from '@peen/contract'
import { v7 } from 'uuid'
import { computed, ref } from 'vue'
import { api, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import NewForm, { type NewField } from '../components/NewForm.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useLoaded } from '../composables/useLoaded'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'

// Who works on which dog at which table today; and how a school gets its people, dogs and tables.
const session = useSessionStore()
const { data, error, loading, reload } = useLoaded<DayView>(() => '/day')
const making = ref<'visit' | 'dog' | 'person'>('visit')
const MAKING = [
  { id: 'visit', name: 'Visit' },
  { id: 'dog', name: 'Dog' },
  { id: 'person', name: 'Person' }
] as const
const said = ref<readonly string[]>([])
const refused = ref<string | null>(null)

const busy = computed(() => data.value?.visits.filter(({ closed }) => !closed) ?? [])
const apprentices = computed(() => data.value?.people.filter(({ role }) => role === 'apprentice') ?? [])
const visitFields = computed<readonly NewField[]>(() => [
  {
    name: 'apprenticeId',
    label: 'Apprentice',
    choices: apprentices.value.map((one) => ({ id: one.id, name: `${one.givenName} ${one.familyName}` }))
  },
  { name: 'dogId', label: 'Dog', choices: data.value?.dogs ?? [] },
  { name: 'tableId', label: 'Table', choices: (data.value?.tables ?? []).map(({ id, number }) => ({ id, name: `Table ${number}` })) },
  { name: 'standardId', label: 'Trim', choices: data.value?.trims ?? [] },
  { name: 'weeksSince', label: 'Weeks since the last groom, if known', type: 'number', nullable: true },
  { name: 'wishes', label: 'What the owner asked for' }
])
const DOG_FIELDS: readonly NewField[] = [
  { name: 'name', label: 'Name' },
  { name: 'bodyType', label: 'Body type', choices: bodies.map(({ id, label }) => ({ id, name: label })) },
  { name: 'coat', label: 'Coat, as wire or soft curly' },
  { name: 'colour', label: 'Colour', choices: colourNames.map((id) => ({ id, name: id })) },
  { name: 'withersMm', label: 'Height at the withers, mm', type: 'number' },
  { name: 'canStandMin', label: 'Minutes it can stand', type: 'number' },
  { name: 'temperament', label: 'Temperament' },
  { name: 'dislikes', label: 'What it dislikes' },
  { name: 'owner', label: 'Owner’s given name' },
  { name: 'contact', label: 'How to reach the owner' }
]
const roles = computed(() => (session.me?.role === 'lead' ? ROLES : (['apprentice'] as const)).map((id) => ({ id, name: ROLE_NAMES[id] })))
const personFields = computed<readonly NewField[]>(() => [
  { name: 'givenName', label: 'Given name' },
  { name: 'familyName', label: 'Family name' },
  { name: 'username', label: 'User name' },
  { name: 'password', label: 'First password, ten characters or more', type: 'password' },
  { name: 'role', label: 'Role', choices: roles.value },
  { name: 'cohort', label: 'Cohort' }
])
const EMPTY_VISIT = { apprenticeId: '', dogId: '', tableId: '', standardId: '', weeksSince: '', wishes: '' }
const EMPTY_DOG = {
  name: '',
  bodyType: '',
  coat: '',
  colour: '',
  withersMm: '',
  canStandMin: '',
  temperament: '',
  dislikes: '',
  owner: '',
  contact: ''
}
const EMPTY_PERSON = { givenName: '', familyName: '', username: '', password: '', role: '', cohort: '' }

async function made(words: string, answer: Record<string, unknown>): Promise<void> {
  said.value = [words, ...((answer.warnings as readonly string[] | undefined) ?? [])]
  await reload()
}
async function addTable(): Promise<void> {
  refused.value = null
  try {
    const { number } = await api.post<{ number: number }>('/tables', { id: v7() })
    said.value = [`Table ${number} stands in the room.`]
    await reload()
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
}
const visitAt = (number: number) => busy.value.find((visit) => visit.tableNumber === number)
</script>

<template>
  <TopLine what="The day" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_400px] lg:overflow-hidden">
    <main class="min-w-0 p-4 sm:p-6 lg:overflow-y-auto">
      <h1>{{ sayDate(data.onDate, session.school?.now) }}: {{ busy.length }} of {{ data.tables.length }} tables at work</h1>
      <hr class="rule2 mt-2" />
      <p v-if="data.tables.length === 0" class="muted mt-3">
        No table yet: put one into the room, then people and dogs, then plan a visit.
      </p>
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="table in data.tables" :key="table.id" class="flex min-h-14 items-center gap-4 px-1 py-2" data-testid="day-table">
          <span class="w-10 font-serif text-[26px] italic">{{ table.number }}</span>
          <RouterLink
            v-if="visitAt(table.number)"
            :to="`/table/${visitAt(table.number)!.id}`"
            class="flex min-h-11 flex-1 flex-wrap items-center gap-x-3 no-underline hover:underline"
            ><b>{{ visitAt(table.number)!.apprentice }}</b
            ><span>{{ visitAt(table.number)!.dog }}, {{ visitAt(table.number)!.trim }}</span></RouterLink
          >
          <span v-else class="muted flex-1">free</span>
        </li>
      </ul>
      <button class="btn btn-quiet mt-4" @click="addTable">Put a table into the room</button>
      <p v-if="refused" class="mt-2 font-semibold text-danger" role="alert">{{ refused }}</p>
      <h2 class="mt-8">{{ data.people.length }} people, {{ data.dogs.length }} dogs</h2>
      <hr class="rule2 mt-1" />
      <p class="mt-2 leading-[1.5]">
        <span v-for="one in data.people" :key="one.id" class="mr-4 inline-block"
          >{{ one.givenName }} {{ one.familyName }} <span class="muted">{{ ROLE_NAMES[one.role] }}</span></span
        >
      </p>
      <p class="mt-2 leading-[1.5]">
        <RouterLink v-for="dog in data.dogs" :key="dog.id" :to="`/dogs/${dog.id}`" class="mr-4 inline-flex min-h-6 items-center">{{
          dog.name
        }}</RouterLink>
      </p>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l">
      <div class="mb-4 flex gap-2" role="group" aria-label="What to add">
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
      <div v-if="said.length" class="mb-4" role="status" data-testid="said">
        <p v-for="(words, i) in said" :key="words" :class="i === 0 ? 'font-[650]' : 'mt-1 text-danger'">
          <GlyphMark v-if="i > 0" name="danger" :size="17" class="mr-1 align-[-3px]" />{{ words }}
        </p>
      </div>
      <NewForm
        v-if="making === 'visit'"
        key="visit"
        path="/visits"
        :schema="newVisitSchema"
        :fields="visitFields"
        :start="EMPTY_VISIT"
        action="Plan this visit"
        @made="(answer) => made('The visit is planned.', answer)"
      />
      <NewForm
        v-else-if="making === 'dog'"
        key="dog"
        path="/dogs"
        :schema="newDogSchema"
        :fields="DOG_FIELDS"
        :start="EMPTY_DOG"
        action="Take this dog in"
        @made="(answer) => made('The dog is taken in.', answer)"
      />
      <NewForm
        v-else
        key="person"
        path="/people"
        :schema="newPersonSchema"
        :fields="personFields"
        :start="EMPTY_PERSON"
        action="Let this person in"
        @made="(answer) => made('The person can sign in.', answer)"
      />
    </aside>
  </div>
</template>
