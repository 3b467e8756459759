<script setup lang="ts">
import { addressOf } from '@peen/contract'
import { proposeAttempts, stillOpen, type ConfirmedAttempt } from '@peen/core/practice'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { v7 } from 'uuid'
import { ask, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import UndonePairs from '../coat/UndonePairs.vue'
import { useUndone } from '../coat/useUndone'
import SheetDialog from '../components/SheetDialog.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { RATING_CHOICES } from '../composables/choices'
import { useKeys } from '../composables/useKeys'
import { useTable } from './useTable'
import { techniqueById } from '../stores/techniques'
import AttemptRow from './AttemptRow.vue'
import MyFinish from './MyFinish.vue'
import { t } from '../words'

// The end of a table in one screen: graded first, then what the instructor finished, every attempt confirmed or corrected, closed.
const props = defineProps<{ id: string }>()
const router = useRouter()
const table = useTable(() => props.id)
const { data, error, loading, reload, state, standard, now, tap, outbox, session } = table
const { undone, outOfStep } = useUndone(() => props.id, table)
const problem = ref<string | null>(null)
const changed = ref<Readonly<Record<string, ConfirmedAttempt>>>({})
const struck = ref<readonly string[]>([])

const proposed = computed(() => proposeAttempts(state.value, now.value))
const counted = computed(() => proposed.value.filter(({ cutShort }) => !cutShort))
const asTold = ({ attemptId, minutes, help, witness, hands, side, portion }: ConfirmedAttempt): ConfirmedAttempt => ({
  ...{ attemptId, minutes, help, witness, hands, side, ...(portion ? { portion } : {}) }
})
/** A coat is often pulled in part: what came easily, half of it. What is clipped or scissored is done or is not. */
const isPulled = (techniqueId: string) =>
  techniqueById(techniqueId)?.family === 'stripping' && (data.value?.closing.some(({ technique }) => technique === techniqueId) ?? false)
const answers = computed(() => counted.value.map((one) => changed.value[one.attemptId] ?? asTold(one)))
const unvouched = computed(() => answers.value.filter(({ witness, hands }) => witness === 'self' && hands === 'apprentice'))
const isConfirmed = computed(() => state.value.confirmedBy !== null && stillOpen(state.value).length === 0)
const graded = computed(() => data.value?.gradings.find(({ own }) => own) ?? data.value?.gradings[0] ?? null)
const ratingWords = computed(() => RATING_CHOICES.find(({ value }) => value === state.value.selfRating?.rating)?.name ?? null)

const keep = (answer: ConfirmedAttempt) => (changed.value = { ...changed.value, [answer.attemptId]: answer })
/** a note that is taken back after the end says why */
const takesBack = ref<string | null>(null)
const why = ref('')
const strike = (eventId: string) => (state.value.closedAt ? (takesBack.value = eventId) : toggleStruck(eventId))
function takeBack(): void {
  if (takesBack.value && why.value.trim()) tap('undone', { eventId: takesBack.value, reason: why.value.trim() })
  takesBack.value = null
  why.value = ''
}
const toggleStruck = (eventId: string) =>
  (struck.value = struck.value.includes(eventId) ? struck.value.filter((one) => one !== eventId) : [...struck.value, eventId])
function inspectAll(): void {
  for (const one of unvouched.value) keep({ ...one, witness: 'inspected' })
}
function confirm(): void {
  tap('attemptsConfirmed', { attempts: answers.value, struck: struck.value }, 'confirming')
  changed.value = {}
  struck.value = []
}
async function grade(): Promise<void> {
  try {
    const { id } = await ask('openGrading', { id: props.id, body: { id: v7() } })
    await router.push(`/trims/${id}`)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
/** The newest closing that stands is undone: the table goes on. */
function reopen(): void {
  const closing = table.events.value.findLast(({ kind }) => kind === 'visitClosed')
  if (closing) tap('undone', { eventId: closing.id })
}
async function finish(): Promise<void> {
  if (!isConfirmed.value && counted.value.length > 0) confirm()
  tap('visitClosed', {}, 'finish')
  await outbox.flush()
  if (!outbox.refusal) await router.push('/floor')
}

const staffKeys = [
  { key: 'g', label: t('table.gradeFinishedTrim'), run: () => void grade() },
  { key: 'i', label: t('table.iInspectedRest'), run: inspectAll },
  { key: 'c', label: t('table.confirmEveryAttempt'), run: () => counted.value.length > 0 && confirm() }
]
useKeys([
  ...(session.isStaff ? staffKeys : []),
  { key: 'b', label: t('table.backTable'), run: () => void router.push(`/table/${props.id}`) }
])
</script>

<template>
  <TopLine
    :what="
      data
        ? t('table.endTableTableNumberGivenNameName', {
            tableNumber: data.tableNumber,
            givenName: data.apprentice.givenName,
            name: data.dog.name
          })
        : t('table.endTable3')
    "
  />
  <ViewState v-if="!data || !standard" :loading="loading" :error="error" @retry="reload" />
  <main v-else-if="!session.isStaff" class="p-6">
    <p class="text-[20px] font-[650]">{{ t('table.yourInstructorEndsTableYou') }}</p>
    <p class="muted mt-2">{{ t('table.thenYouRateYourOwn') }}</p>
    <RouterLink :to="`/table/${id}`" class="btn mt-4 inline-flex">{{ t('table.backTable') }}</RouterLink>
  </main>
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_384px] lg:overflow-hidden">
    <main class="min-w-0 p-4 sm:px-6 lg:overflow-y-auto" tabindex="0" :aria-label="t('table.confirmAttempts')">
      <div class="flex flex-wrap items-center justify-between gap-2">
        <h2 class="title">
          {{ t('table.attemptsFromTaps', { n: counted.length }) }}
        </h2>
        <button v-if="unvouched.length > 0 && !state.closedAt" class="btn btn-quiet min-h-11" @click="inspectAll">
          {{ t('table.iInspectedUnwatched', { n: unvouched.length }) }}
        </button>
      </div>
      <hr class="rule2 mt-2" />
      <p v-if="proposed.length === 0" class="mt-3">{{ t('table.noStepHasBeenStarted') }}</p>
      <p v-if="counted.length > 0" class="muted mt-1.5 flex gap-x-1.5 leading-[1.3] max-xl:hidden" aria-hidden="true">
        <span class="flex-1" /><span class="w-[154px] text-center">{{ t('table.minutes') }}</span
        ><span class="w-[128px]">{{ t('table.help') }}</span
        ><span class="w-[140px]">{{ t('table.whoVouches') }}</span
        ><span class="w-[118px]">{{ t('table.hands') }}</span
        ><span class="w-[80px]">{{ t('table.side') }}</span>
      </p>
      <ul class="row-rule m-0 list-none p-0">
        <template v-for="(one, i) in counted" :key="one.attemptId">
          <AttemptRow
            :model-value="answers[i]"
            :proposed="one"
            :asks-portion="isPulled(one.techniqueId)"
            :struck="struck"
            :disabled="state.closedAt !== null || !session.isStaff"
            :locked="!session.isStaff"
            @update:model-value="keep"
            @strike="strike"
          />
        </template>
      </ul>
      <p v-for="one in proposed.filter(({ cutShort }) => cutShort)" :key="one.attemptId" class="muted mt-2">{{ one.say[0] }}</p>
      <template v-if="counted.length > 0 && !state.closedAt">
        <p v-if="isConfirmed" class="mt-3 font-[650]" role="status">
          <GlyphMark name="meets" class="mr-1.5 align-[-4px]" />{{ t('table.confirmed') }}
        </p>
        <p v-else-if="unvouched.length > 0" class="muted mt-3">
          {{ t('table.attemptsNotVouched', { n: unvouched.length }) }}
        </p>
        <button class="btn mt-3" :class="isConfirmed ? 'btn-quiet' : 'btn-go'" @click="confirm">
          {{ isConfirmed ? t('table.confirmChanges') : t('table.confirmTheseAttempts') }}
        </button>
      </template>
      <section class="mt-6" :aria-label="t('table.whatLeftUndone')">
        <h2 class="title">{{ t('table.leftUndoneSideSide') }}</h2>
        <hr class="rule2 mt-2 mb-2" />
        <UndonePairs :dog="data.dog.name" :undone="undone" :minutes="state.closedAt ? 0 : table.canStand.value" :out-of-step="outOfStep" />
      </section>
    </main>
    <aside
      class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l"
      :aria-label="t('table.closing')"
      tabindex="0"
    >
      <h2 class="title">{{ t('table.n1Grade') }}</h2>
      <hr class="rule2 mt-2 mb-2" />
      <p class="leading-[1.35]">
        <template v-if="graded">{{
          t('table.statusAssessor', {
            status: { signed: t('table.signed'), draft: t('table.begun'), setAside: t('table.setAside') }[graded.status],
            assessor: graded.assessor
          })
        }}</template>
        <template v-else>{{ t('table.beforeAnyoneCorrectsMarkGivenName', { givenName: data.apprentice.givenName }) }}</template>
      </p>
      <button v-if="session.isStaff" class="btn mt-2 w-full" :class="graded ? 'btn-quiet' : 'btn-go'" @click="grade">
        {{ graded?.own ? t('table.continueGrading') : t('table.gradeTrim') }}
      </button>
      <h2 class="title mt-5">{{ t('table.n2WhatYouFinishYourself') }}</h2>
      <hr class="rule2 mt-2 mb-1" />
      <MyFinish :table="table" :graded="graded !== null" />
      <template v-if="state.pictures.length > 0">
        <h2 class="title mt-5">{{ t('table.picturesWork') }}</h2>
        <hr class="rule2 mt-2 mb-2" />
        <p class="flex flex-wrap gap-2">
          <a v-for="one in state.pictures" :key="one.eventId" :href="addressOf('picture', { id: one.pictureId })" target="_blank"
            ><img
              :src="addressOf('picture', { id: one.pictureId })"
              :alt="t('table.nameWork', { name: data.dog.name })"
              class="size-[76px] border border-line object-cover"
          /></a>
        </p>
      </template>
      <h2 class="title mt-5">{{ t('table.n3Close') }}</h2>
      <hr class="rule2 mt-2 mb-2" />
      <p class="leading-[1.35]">
        {{ data.apprentice.givenName }}
        {{ ratingWords ? t('table.ratedRatingWords', { ratingWords }) : t('table.ratesTheirOwnTrimOnce') }}
      </p>
      <RouterLink :to="`/visits/${id}/closing`" class="btn btn-quiet mt-2 w-full">{{ t('table.nextVisitOwnerPictures') }}</RouterLink>
      <p v-if="state.closedAt" class="mt-2 font-[650]" role="status">{{ t('table.tableFinished') }}</p>
      <button v-if="state.closedAt" class="btn btn-quiet mt-2 w-full" @click="reopen">{{ t('table.reopenTable') }}</button>
      <button v-else class="btn btn-go mt-2 w-full" :disabled="!state.openedAt" @click="finish">
        {{ isConfirmed || counted.length === 0 ? t('table.finishTable') : t('table.confirmFinishTable') }}
      </button>
      <p v-if="outbox.refusal || problem" class="mt-2 leading-[1.3]" role="alert">
        <GlyphMark name="fails" :size="18" class="mr-1 align-[-3px]" />{{ outbox.refusal ?? problem }}
      </p>
      <RouterLink :to="`/table/${id}`" class="btn btn-quiet mt-2 w-full">{{ t('table.backTable') }}</RouterLink>
    </aside>
    <SheetDialog :open="takesBack !== null" :title="t('table.withdrawFault')" @close="takesBack = null">
      <form @submit.prevent="takeBack">
        <p class="leading-[1.4]">{{ t('table.tableFinishedFaultNoLonger') }}</p>
        <label class="label mt-3" for="why-back">{{ t('table.why2') }}</label>
        <input id="why-back" v-model="why" class="field" maxlength="200" required />
        <button class="btn btn-go mt-3">{{ t('table.withdraw') }}</button>
      </form>
    </SheetDialog>
  </div>
</template>
