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
import { t } from '../words'

// Who belongs to the school, in which cohort, and the letters with which people come in.
const session = useSessionStore()
const { data, error, loading, reload } = useAsked('people')
const said = ref<readonly string[]>([])
const refused = ref<string | null>(null)
const roles = computed(() => (session.isLead ? ROLES : (['apprentice'] as const)).map((id) => ({ id, name: ROLE_NAMES[id] })))
const FIELDS = computed<readonly NewField[]>(() => [
  { name: 'givenName', label: t('people.firstName') },
  { name: 'familyName', label: t('people.lastName') },
  { name: 'username', label: t('people.username') },
  { name: 'email', label: t('people.emailAddress') },
  { name: 'role', label: t('people.role'), choices: roles.value },
  { name: 'cohort', label: t('people.cohort2'), only: ({ role }) => role === 'apprentice' }
])
const EMPTY = { givenName: '', familyName: '', username: '', email: '', role: '', cohort: '' }
const stateOf = ({ active, waiting, erasedOn }: PersonRow) =>
  erasedOn ? t('people.erasedErasedOn', { erasedOn }) : !active ? 'retired' : waiting ? t('people.invitedNotJoinedYet') : ''
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
  act(() => ask('confirmAccount', { id }), t('people.youHaveConfirmedGivenNameAccount', { givenName, waithours: WAIT_HOURS }))
const nameOf = (id: string) => data.value?.people.find((one) => one.id === id)?.givenName ?? null
const namedFully = (id: string) => {
  const one = data.value?.people.find((person) => person.id === id)
  return one ? `${one.givenName} ${one.familyName} (${one.username})` : t('people.formerColleague')
}
/** which apprentice who left is about to be erased */
const erasing = ref<PersonRow | null>(null)
const erase = ({ id }: PersonRow) => act(() => ask('erasePerson', { id }), t('people.erased'))
/** whose second account is being named */
const twofold = ref<PersonRow | null>(null)
const saySame = (otherId: string, same: boolean) =>
  act(
    () => ask('saySame', { id: twofold.value!.id, body: { otherId, same } }),
    same ? t('people.theyNowCountOnePerson') : t('people.theyCountTwoPeopleAgain')
  )
const noted = ref<string | null>(null)
const retire = ({ id, givenName, active }: PersonRow) =>
  act(
    () => ask('retirePerson', { id, body: { active: !active } }),
    active ? t('people.givenNameRetiredRecordStays', { givenName }) : t('people.givenNameReinstated', { givenName })
  )
function edit({ name, startedOn, endedOn }: Cohort): void {
  cohort.value = { name, startedOn, endedOn: endedOn ?? '' }
}
const keep = () => {
  const { name, startedOn, endedOn } = cohort.value
  return act(
    () => ask('keepCohort', { body: { name, startedOn, endedOn: endedOn === '' ? null : endedOn } }),
    t('people.nameSaved', { name })
  )
}
async function cohortIn(count: number): Promise<void> {
  said.value = [t('people.countAddedLettersWritten', { count })]
  await reload()
}
async function invited(): Promise<void> {
  said.value = [t('people.letterWritten')]
  await reload()
}
</script>

<template>
  <TopLine :what="t('people.people')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_400px] lg:overflow-hidden">
    <main class="min-w-0 p-4 sm:p-6 lg:overflow-y-auto" tabindex="0">
      <h2 class="title">{{ t('people.nPeople', { n: data.people.filter(({ active }) => active).length }) }}</h2>
      <hr class="rule2 mt-2" />
      <p v-for="(words, i) in said" :key="words" :class="['mt-2', i === 0 ? 'font-[650]' : 'text-danger']" role="status">{{ words }}</p>
      <p v-if="refused" class="mt-2 font-semibold text-danger" role="alert">{{ refused }}</p>
      <ul class="row-rule m-0 list-none p-0" data-testid="people">
        <li v-for="one in data.people" :key="one.id" class="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-1 py-1">
          <span class="min-w-[200px] flex-1" :class="one.active ? '' : 'muted'"
            ><b>{{ one.givenName }} {{ one.familyName }}</b>
            <span class="muted ml-2">{{ ROLE_NAMES[one.role] }}{{ one.cohort ? `, ${one.cohort}` : '' }}</span
            ><span v-if="stateOf(one)" class="muted block">{{ stateOf(one) }}</span
            ><span v-if="one.active && one.unsettled" class="block text-danger">{{
              t('people.cannotSignYetUnsettled', { unsettled: one.unsettled })
            }}</span
            ><span v-if="one.otherAccounts.length" class="block">{{
              t('people.samePersonOtherAccounts', { otherAccounts: one.otherAccounts.map(namedFully).join(', ') })
            }}</span></span
          >
          <button v-if="one.mayConfirm" class="btn min-h-11 px-3 text-[16px]" @click="meeting = one">
            {{ t('people.confirm') }}<span class="sr-only"> {{ one.givenName }}</span>
          </button>
          <button
            class="btn btn-quiet min-h-11 px-3 text-[16px]"
            :aria-expanded="noted === one.id"
            @click="noted = noted === one.id ? null : one.id"
          >
            {{ t('people.notes') }}<span class="sr-only"> {{ t('people.aboutGivenName', { givenName: one.givenName }) }}</span>
          </button>
          <button v-if="!one.erasedOn" class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="twofold = one">
            {{ t('people.secondAccount') }}<span class="sr-only"> {{ t('people.givenName', { givenName: one.givenName }) }}</span>
          </button>
          <button v-if="one.active && mayReset(one)" class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="reset(one)">
            {{ one.waiting ? t('people.newLetter') : t('people.newPassword')
            }}<span class="sr-only"> {{ t('people.givenName', { givenName: one.givenName }) }}</span>
          </button>
          <button
            v-if="session.isLead && !one.erasedOn && one.id !== session.me?.id"
            class="btn btn-quiet min-h-11 px-3 text-[16px]"
            @click="one.active ? (leaving = one) : retire(one)"
          >
            {{ one.active ? t('people.retire') : t('people.reinstate') }}<span class="sr-only"> {{ one.givenName }}</span>
          </button>
          <button
            v-if="session.isLead && !one.active && !one.erasedOn && one.role === 'apprentice'"
            class="btn btn-quiet min-h-11 px-3 text-[16px]"
            @click="erasing = one"
          >
            {{ t('people.erase') }}<span class="sr-only"> {{ one.givenName }}</span>
          </button>
          <NotesPart v-if="noted === one.id" :id="one.id" about="person" class="basis-full pb-3" />
        </li>
      </ul>
      <h2 class="mt-8">{{ t('people.cohorts2') }}</h2>
      <hr class="rule2 mt-1" />
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="one in data.cohorts" :key="one.name" class="flex min-h-12 items-center gap-4">
          <span class="flex-1"
            ><b>{{ one.name }}</b>
            <span class="muted ml-2"
              >{{ t('people.fromDate', { date: sayDate(one.startedOn, session.school?.now) })
              }}<template v-if="one.endedOn">{{ ` ${t('people.date', { date: sayDate(one.endedOn, session.school?.now) })}` }}</template
              >{{ t('people.ofPeople', { n: one.people }) }}</span
            ></span
          >
          <button class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="edit(one)">
            {{ t('people.change') }}<span class="sr-only"> {{ one.name }}</span>
          </button>
        </li>
      </ul>
      <form class="mt-2 flex flex-wrap items-end gap-2" @submit.prevent="keep">
        <label
          ><span class="muted block">{{ t('people.cohort2') }}</span
          ><input v-model="cohort.name" class="field w-[180px]" required maxlength="60"
        /></label>
        <label
          ><span class="muted block">{{ t('people.started') }}</span
          ><input v-model="cohort.startedOn" class="field w-[170px]" type="date" required
        /></label>
        <label
          ><span class="muted block">{{ t('people.ended') }}</span
          ><input v-model="cohort.endedOn" class="field w-[170px]" type="date"
        /></label>
        <button class="btn">{{ t('people.saveCohort') }}</button>
      </form>
      <CohortTable @in="cohortIn" />
      <template v-if="data.accounts.length">
        <h2 class="mt-8">{{ t('people.staffAccounts') }}</h2>
        <hr class="rule2 mt-1" />
        <p class="muted mt-1">
          {{ t('people.newOrResetAccountCannot', { waithours: WAIT_HOURS }) }}
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
        <h2 class="mt-8">{{ t('people.letters') }}</h2>
        <hr class="rule2 mt-1" />
        <p class="muted mt-1">
          {{ t('people.peenSendsNoEmailLetters') }}
        </p>
        <ul class="row-rule m-0 list-none p-0" data-testid="letters">
          <li v-for="letter in data.letters" :key="letter.id" class="py-2 leading-[1.4]">
            <b>{{ letter.subject }}</b> <span class="muted ml-2">{{ letter.address || t('people.noAddress') }}</span>
            <LetterText :body="letter.body" />
          </li>
        </ul>
      </template>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <h2 class="title">{{ t('people.inviteLetter') }}</h2>
      <hr class="rule2 mt-2 mb-3" />
      <NewForm to="invite" :fields="FIELDS" :start="EMPTY" :action="t('people.writeLetter')" @made="invited" />
    </aside>
    <AskOnce
      :open="meeting !== null"
      :title="t('people.confirmGivenName', { givenName: meeting?.givenName ?? '' })"
      :says="[
        t('people.youHaveMetGivenNamePerson', { givenName: meeting?.givenName ?? t('people.person') }),
        t('people.accountCanSignWaithoursHours', { waithours: WAIT_HOURS })
      ]"
      :action="t('people.iHaveMetThem')"
      :working="t('people.confirming')"
      :run="() => confirm(meeting!)"
      @close="meeting = null"
    />
    <ErasePerson :person="erasing" :run="() => erase(erasing!)" @close="erasing = null" />
    <SecondAccount :person="twofold" :people="data.people" :say="saySame" @close="twofold = null" />
    <AskOnce
      :open="leaving !== null"
      :title="t('people.retireGivenName', { givenName: leaving?.givenName ?? '' })"
      :says="[t('people.givenNameCanNoLongerSign', { givenName: leaving?.givenName ?? '' }), t('people.recordGradingsSignaturesStayLead')]"
      :action="t('people.retire')"
      :working="t('people.retiring')"
      :run="() => retire(leaving!)"
      @close="leaving = null"
    />
  </div>
</template>
