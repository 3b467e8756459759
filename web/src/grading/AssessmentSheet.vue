<script setup lang="ts">
import type { Settle } from '@peen/contract'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { v7 } from 'uuid'
import { ask, sentenceOf } from '../api/client'
import ChoiceRow from '../components/ChoiceRow.vue'
import GlyphMark from '../components/GlyphMark.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useDoing } from '../composables/useDoing'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import { t } from '../words'

// One trim of two assessors: blind while they mark, side by side once both have signed, settled with both marks kept.
const props = defineProps<{ id: string }>()
const router = useRouter()
const { data, error, loading, reload } = useAsked('assessment', () => ({ id: props.id }), { fresh: true })
const { problem, doing } = useDoing(reload)
const outcome = ref<Settle['outcome'] | null>(null)
const reason = ref('')
const otherwise = ref(false)
const OUTCOMES = [
  { value: 'passed', name: t('grading.passed') },
  { value: 'notPassed', name: t('grading.notPassed') }
] as const
const RATING = {
  clearFail: t('grading.clearFail'),
  borderline: t('grading.borderline'),
  pass: t('grading.pass'),
  good: t('grading.good'),
  outstanding: t('grading.outstanding')
} as const
const OUTCOME = {
  unfinished: t('grading.unfinished'),
  feedbackOnly: t('grading.feedbackOnly'),
  passed: t('grading.passed'),
  notPassed: t('grading.notPassed'),
  secondAssessor: t('grading.cannotDecidedOwn')
} as const
async function mark(): Promise<void> {
  const own = data.value!.ownGradingId
  try {
    const id = own ?? (await ask('openGrading', { id: props.id, body: { id: v7() } })).id
    await router.push(`/trims/${id}`)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
const settle = () =>
  doing(async () => {
    await ask('settle', { id: props.id, body: { outcome: outcome.value!, reason: reason.value } })
    otherwise.value = false
  })
const agree = () => doing(() => ask('agree', { id: props.id }))
const round = (mark: number | null) => (mark === null ? '–' : Math.round(mark))
const signed = (by: number) => `${by > 0 ? '+' : '−'}${Math.abs(Math.round(10 * by) / 10)}`
const SIDE: Readonly<Record<string, string>> = { left: t('grading.left'), right: t('grading.right'), whole: '' }
</script>

<template>
  <TopLine
    :what="
      data
        ? t('grading.candidateDogDate', { candidate: data.row.candidate, dog: data.row.dog, date: sayDate(data.row.onDate) })
        : t('grading.twoAssessors')
    "
  />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_400px] lg:overflow-hidden">
    <main class="min-w-0 p-4 sm:px-6 lg:overflow-y-auto" tabindex="0">
      <p class="finding max-sm:text-[23px]">{{ data.say }}</p>
      <p class="muted mt-2">
        {{ t('grading.trimCoatCoatPassMark', { trim: data.row.trim, coat: data.row.coat, pass: data.version.pass }) }}
      </p>
      <div class="mt-4 grid gap-4 sm:grid-cols-2">
        <section v-for="(marker, i) in data.row.markers" :key="marker.id" class="border-[1.5px] border-line bg-sheet p-4" :data-marker="i">
          <p class="flex items-center gap-2">
            <GlyphMark :name="marker.status === 'signed' ? 'meets' : 'missing'" /><b class="text-[19px]">{{ marker.name }}</b>
          </p>
          <template v-if="data.marks">
            <p class="mt-2 text-[38px] leading-none font-[650]">{{ round(data.marks[i].mark) }}</p>
            <p v-if="data.marks[i].interval" class="muted">
              {{
                t('grading.betweenIntervalInterval2', {
                  interval: round(data.marks[i].interval![0]),
                  interval2: round(data.marks[i].interval![1])
                })
              }}
            </p>
            <p class="mt-2 leading-[1.3]">
              <b>{{ OUTCOME[data.marks[i].outcome] }}.</b> {{ data.marks[i].because }}
            </p>
            <p v-if="data.marks[i].rating" class="muted mt-1">
              {{
                t('grading.overallImpressionBeforeSeeingMark', {
                  rating: RATING[data.marks[i].rating!],
                  blind: data.marks[i].blind ? '' : t('grading.hadAlreadyReadOther')
                })
              }}
            </p>
            <RouterLink :to="`/trims/${data.marks[i].gradingId}`" class="btn btn-quiet mt-3 min-h-11 w-full py-0">{{
              t('grading.readWholeSheet')
            }}</RouterLink>
          </template>
          <p v-else class="mt-2">
            {{
              marker.status === 'signed'
                ? t('grading.signedShownOnceBothHave')
                : marker.status === 'draft'
                  ? t('grading.markingNow')
                  : t('grading.notStarted2')
            }}
          </p>
        </section>
      </div>
      <template v-if="data.marks">
        <h2 class="title mt-6">{{ t('grading.whereTheyDifferLargestFirst') }}</h2>
        <hr class="rule2 mt-2" />
        <p v-if="data.differences.length === 0" class="mt-2">{{ t('grading.nowhere') }}</p>
        <ul class="row-rule m-0 list-none p-0" data-differences>
          <li v-for="one in data.differences" :key="one.criterionId + one.side" class="py-2.5">
            <p class="flex gap-3">
              <b class="flex-1">{{ one.label }}{{ SIDE[one.side] }}</b
              ><span class="tabular-nums">{{ t('grading.marks', { by: signed(one.by) }) }}</span>
            </p>
            <p class="leading-[1.35]">{{ data.row.markers![0].name }}: {{ one.first.say }}</p>
            <p class="leading-[1.35]">{{ data.row.markers![1].name }}: {{ one.second.say }}</p>
            <p class="muted">{{ one.isReal ? t('grading.moreThanMeasuringErrorExplains') : t('grading.withinMeasuringError') }}</p>
          </li>
        </ul>
      </template>
    </main>
    <aside class="border-line bg-sheet px-6 py-4 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <p v-if="problem" class="mb-3 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
      <template v-if="!data.marks">
        <h2 class="title">{{ t('grading.yourPart') }}</h2>
        <hr class="rule2 my-3" />
        <button v-if="data.marksIt" class="btn btn-go w-full" @click="mark">
          {{ data.ownGradingId ? t('grading.continueYourSheet') : t('grading.markTrim') }}
        </button>
        <p v-else>{{ t('grading.youNotOneTwoAssessors') }}</p>
        <p class="muted mt-3 leading-[1.35]">{{ t('grading.doNotDiscussTrimOther') }}</p>
      </template>
      <template v-else>
        <h2 class="title">{{ t('grading.yourAgreedOutcome') }}</h2>
        <hr class="rule2 my-3" />
        <div v-if="data.settled" data-settled>
          <p class="font-serif text-[20px] leading-[1.3]">
            <b>{{ data.settled.outcome === 'passed' ? t('grading.passed') : t('grading.notPassed') }}.</b> {{ data.settled.reason }}
          </p>
          <p class="muted mt-1">
            {{ data.settled.by
            }}{{
              data.settled.agreedBy
                ? t('grading.agreedByAgreeBothMarksStay', { agreedBy: data.settled.agreedBy })
                : t('grading.proposedOtherHasNotAgreed')
            }}.
          </p>
        </div>
        <p v-else>{{ t('grading.nothingAgreedYetBothMarks') }}</p>
        <button v-if="data.may === 'agree'" class="btn btn-go mt-3 w-full" @click="agree">{{ t('grading.agree') }}</button>
        <button v-if="data.may === 'agree' && !otherwise" class="btn btn-quiet mt-2 w-full" @click="otherwise = true">
          {{ t('grading.disagree') }}
        </button>
        <form v-if="(data.may === 'settle' && !data.settled) || otherwise" class="mt-4" @submit.prevent="settle">
          <ChoiceRow v-model="outcome" :label="t('grading.outcome')" :options="OUTCOMES" />
          <label class="label" for="reason">{{ t('grading.why') }}</label>
          <textarea id="reason" v-model="reason" class="field" rows="3" maxlength="500" />
          <button class="btn btn-go mt-3 w-full" :disabled="outcome === null">{{ t('grading.propose') }}</button>
        </form>
        <p v-if="data.may === 'settle' && data.settled" class="muted mt-3">{{ t('grading.otherAssessorThenAgreesOr') }}</p>
      </template>
    </aside>
  </div>
</template>
