<script setup lang="ts">
import { ROLE_NAMES, ROLES, type Cohort, type PersonRow } from '@peen/contract'
import { WAIT_HOURS } from '@peen/core/certify'
import { computed, ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import CohortTable from './CohortTable.vue'
import AskOnce from '../components/AskOnce.vue'
import LetterText from './LetterText.vue'
import NotesPart from '../components/NotesPart.vue'
import ErasePerson from './ErasePerson.vue'
import SecondAccount from './SecondAccount.vue'
import NewForm, { type NewField } from '../components/NewForm.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { sayAccount } from '../certify/account-words'
import { sayClock, sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'

// Who belongs to the school, in which cohort, and the letters with which people come in.
const session = useSessionStore()
const { data, error, loading, reload } = useAsked('people')
const said = ref<readonly string[]>([])
const refused = ref<string | null>(null)
const roles = computed(() => (session.isLead ? ROLES : (['apprentice'] as const)).map((id) => ({ id, name: ROLE_NAMES[id] })))
const FIELDS = computed<readonly NewField[]>(() => [
  { name: 'givenName', label: 'Given name' },
  { name: 'familyName', label: 'Family name' },
  { name: 'username', label: 'User name' },
  { name: 'email', label: 'Mail address' },
  { name: 'role', label: 'Role', choices: roles.value },
  { name: 'cohort', label: 'Cohort', only: ({ role }) => role === 'apprentice' }
])
const EMPTY = { givenName: '', familyName: '', username: '', email: '', role: '', cohort: '' }
const stateOf = ({ active, waiting, erasedOn }: PersonRow) =>
  erasedOn ? `erased on ${erasedOn}` : !active ? 'retired' : waiting ? 'invited, not come yet' : ''
const mayReset = ({ role }: PersonRow) => session.isLead || role === 'apprentice'
const cohort = ref({ name: '', startedOn: '', endedOn: '' })

async function act(work: () => Promise<unknown>, words: string): Promise<void> {
  refused.value = null
  try {
    const { warnings = [] } = ((await work()) ?? {}) as { warnings?: readonly string[] }
    said.value = [words, ...warnings]
    await reload()
  } catch (caught) {
    said.value = []
    refused.value = sentenceOf(caught)
  }
}
const reset = ({ id, givenName }: PersonRow) => act(() => ask('resetPassword', { id }), `A letter for ${givenName} is written.`)
/** who is about to be retired: it is asked once */
const leaving = ref<PersonRow | null>(null)
/** whose account is about to be confirmed: it is asked once */
const meeting = ref<PersonRow | null>(null)
const confirm = ({ id, givenName }: PersonRow) =>
  act(() => ask('confirmAccount', { id }), `You have confirmed ${givenName}. The account signs in ${WAIT_HOURS} hours.`)
const nameOf = (id: string) => data.value?.people.find((one) => one.id === id)?.givenName ?? null
const namedFully = (id: string) => {
  const one = data.value?.people.find((person) => person.id === id)
  return one ? `${one.givenName} ${one.familyName} (${one.username})` : 'a former colleague'
}
/** which apprentice who left is about to be erased */
const erasing = ref<PersonRow | null>(null)
const erase = ({ id }: PersonRow) => act(() => ask('erasePerson', { id }), 'Erased.')
/** whose second account is being named */
const twofold = ref<PersonRow | null>(null)
const saySame = (otherId: string, same: boolean) =>
  act(
    () => ask('saySame', { id: twofold.value!.id, body: { otherId, same } }),
    same ? 'They count as one person now, in grading and signing.' : 'They count as two people again.'
  )
const noted = ref<string | null>(null)
const retire = ({ id, givenName, active }: PersonRow) =>
  act(
    () => ask('retirePerson', { id, body: { active: !active } }),
    active ? `${givenName} is retired; the record stays.` : `${givenName} is back.`
  )
function edit({ name, startedOn, endedOn }: Cohort): void {
  cohort.value = { name, startedOn, endedOn: endedOn ?? '' }
}
const keep = () => {
  const { name, startedOn, endedOn } = cohort.value
  return act(() => ask('keepCohort', { body: { name, startedOn, endedOn: endedOn === '' ? null : endedOn } }), `${name} is kept.`)
}
async function cohortIn(count: number): Promise<void> {
  said.value = [`${count} let in; the letters are written.`]
  await reload()
}
async function invited(): Promise<void> {
  said.value = ['The letter is written.']
  await reload()
}
</script>

<template>
  <TopLine what="People" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_400px] lg:overflow-hidden">
    <main class="min-w-0 p-4 sm:p-6 lg:overflow-y-auto" tabindex="0">
      <h2 class="title">{{ data.people.filter(({ active }) => active).length }} people</h2>
      <hr class="rule2 mt-2" />
      <p v-for="(words, i) in said" :key="words" :class="['mt-2', i === 0 ? 'font-[650]' : 'text-danger']" role="status">{{ words }}</p>
      <p v-if="refused" class="mt-2 font-semibold text-danger" role="alert">{{ refused }}</p>
      <ul class="row-rule m-0 list-none p-0" data-testid="people">
        <li v-for="one in data.people" :key="one.id" class="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-1 py-1">
          <span class="min-w-[200px] flex-1" :class="one.active ? '' : 'muted'"
            ><b>{{ one.givenName }} {{ one.familyName }}</b>
            <span class="muted ml-2">{{ ROLE_NAMES[one.role] }}{{ one.cohort ? `, ${one.cohort}` : '' }}</span
            ><span v-if="stateOf(one)" class="muted block">{{ stateOf(one) }}</span
            ><span v-if="one.active && one.unsettled" class="block text-danger">Signs nothing yet: {{ one.unsettled }}.</span
            ><span v-if="one.otherAccounts.length" class="block"
              >Same person as {{ one.otherAccounts.map(namedFully).join(', ') }}.</span
            ></span
          >
          <button v-if="one.mayConfirm" class="btn min-h-11 px-3 text-[16px]" @click="meeting = one">
            Confirm<span class="sr-only"> {{ one.givenName }}</span>
          </button>
          <button
            class="btn btn-quiet min-h-11 px-3 text-[16px]"
            :aria-expanded="noted === one.id"
            @click="noted = noted === one.id ? null : one.id"
          >
            Notes<span class="sr-only"> on {{ one.givenName }}</span>
          </button>
          <button v-if="!one.erasedOn" class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="twofold = one">
            Second account<span class="sr-only"> of {{ one.givenName }}</span>
          </button>
          <button v-if="one.active && mayReset(one)" class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="reset(one)">
            {{ one.waiting ? 'New letter' : 'New password' }}<span class="sr-only"> for {{ one.givenName }}</span>
          </button>
          <button
            v-if="session.isLead && !one.erasedOn && one.id !== session.me?.id"
            class="btn btn-quiet min-h-11 px-3 text-[16px]"
            @click="one.active ? (leaving = one) : retire(one)"
          >
            {{ one.active ? 'Retire' : 'Take in again' }}<span class="sr-only"> {{ one.givenName }}</span>
          </button>
          <button
            v-if="session.isLead && !one.active && !one.erasedOn && one.role === 'apprentice'"
            class="btn btn-quiet min-h-11 px-3 text-[16px]"
            @click="erasing = one"
          >
            Erase<span class="sr-only"> {{ one.givenName }}</span>
          </button>
          <NotesPart v-if="noted === one.id" :id="one.id" about="person" class="basis-full pb-3" />
        </li>
      </ul>
      <h2 class="mt-8">Cohorts</h2>
      <hr class="rule2 mt-1" />
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="one in data.cohorts" :key="one.name" class="flex min-h-12 items-center gap-4">
          <span class="flex-1"
            ><b>{{ one.name }}</b>
            <span class="muted ml-2"
              >from {{ sayDate(one.startedOn, session.school?.now)
              }}<template v-if="one.endedOn"> to {{ sayDate(one.endedOn, session.school?.now) }}</template
              >, {{ one.people }} people</span
            ></span
          >
          <button class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="edit(one)">
            Change<span class="sr-only"> {{ one.name }}</span>
          </button>
        </li>
      </ul>
      <form class="mt-2 flex flex-wrap items-end gap-2" @submit.prevent="keep">
        <label
          ><span class="muted block">Cohort</span><input v-model="cohort.name" class="field w-[180px]" required maxlength="60"
        /></label>
        <label
          ><span class="muted block">Started on</span><input v-model="cohort.startedOn" class="field w-[170px]" type="date" required
        /></label>
        <label><span class="muted block">Ended on</span><input v-model="cohort.endedOn" class="field w-[170px]" type="date" /></label>
        <button class="btn">Keep this cohort</button>
      </form>
      <CohortTable @in="cohortIn" />
      <template v-if="data.accounts.length">
        <h2 class="mt-8">Accounts of staff</h2>
        <hr class="rule2 mt-1" />
        <p class="muted mt-1">
          A new or reset account signs nothing until another signer has met the person and confirmed it, and then {{ WAIT_HOURS }} hours
          have passed.
        </p>
        <ul class="row-rule m-0 list-none p-0" data-testid="accounts">
          <li v-for="(event, i) in data.accounts" :key="i" class="flex min-h-11 flex-wrap items-center gap-x-3">
            <span class="muted w-[190px]"
              >{{ sayDate(event.at, session.school?.now) }}, {{ sayClock(event.at, session.school?.timeZone ?? 'UTC') }}</span
            >
            <span>{{ sayAccount(event, nameOf) }}</span>
          </li>
        </ul>
      </template>
      <template v-if="data.letters.length">
        <h2 class="mt-8">Letters</h2>
        <hr class="rule2 mt-1" />
        <p class="muted mt-1">
          No mail leaves this machine: what would be sent is kept here. Hand the address over, or open it on a tablet of the school.
        </p>
        <ul class="row-rule m-0 list-none p-0" data-testid="letters">
          <li v-for="letter in data.letters" :key="letter.id" class="py-2 leading-[1.4]">
            <b>{{ letter.subject }}</b> <span class="muted ml-2">{{ letter.address || 'no address' }}</span>
            <LetterText :body="letter.body" />
          </li>
        </ul>
      </template>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <h2 class="title">Invite by a letter</h2>
      <hr class="rule2 mt-2 mb-3" />
      <NewForm to="invite" :fields="FIELDS" :start="EMPTY" action="Write the letter" @made="invited" />
    </aside>
    <AskOnce
      :open="meeting !== null"
      :title="`Confirm ${meeting?.givenName ?? ''}?`"
      :says="[
        `You have met ${meeting?.givenName ?? 'this person'} in person, and they signed in themselves.`,
        `The account signs ${WAIT_HOURS} hours from now. Your word is in the trail, and every signer sees it.`
      ]"
      action="I have met them"
      working="Confirming …"
      :run="() => confirm(meeting!)"
      @close="meeting = null"
    />
    <ErasePerson :person="erasing" :run="() => erase(erasing!)" @close="erasing = null" />
    <SecondAccount :person="twofold" :people="data.people" :say="saySame" @close="twofold = null" />
    <AskOnce
      :open="leaving !== null"
      :title="`Retire ${leaving?.givenName ?? ''}?`"
      :says="[
        `${leaving?.givenName ?? ''} can no longer sign in, and is offered no dog.`,
        'The record, gradings and signatures stay. A lead assessor can take them in again.'
      ]"
      action="Retire"
      working="Retiring …"
      :run="() => retire(leaving!)"
      @close="leaving = null"
    />
  </div>
</template>
