<script setup lang="ts">
import type { GradingView } from '@peen/contract'
import type { RegionId } from '@peen/core/regions'
import { STATIONS, type Station } from '@peen/core/standard'
import { computed, ref } from 'vue'
import { stationNotes } from './gradePlate'
import { OUTCOME_WORDS, STATION_WORDS } from '../composables/outcomes'
import { useGrade } from './useGrade'
import { useKeys } from '../composables/useKeys'
import AskOnce from '../components/AskOnce.vue'
import CriterionRows from './CriterionRows.vue'
import FeedbackBlock from './FeedbackBlock.vue'
import FeedbackPrint from './FeedbackPrint.vue'
import FoundPlate from './FoundPlate.vue'
import MovedList from './MovedList.vue'
import GlyphMark from '../components/GlyphMark.vue'
import MarkPanel from './MarkPanel.vue'
import MergeSheet from './MergeSheet.vue'
import WalkTabs from './WalkTabs.vue'
import { t } from '../words'

const props = defineProps<{ grading: GradingView }>()
const emit = defineEmits<{ signed: [] }>()
const { standard } = props.grading
const { answers, critical, rating, result, count, conflict, problem, answer, toggleCritical, rate, sign, settle, current } = useGrade(
  props.grading,
  standard
)

const station = ref<Station>('side')
const open = ref<string | null>(null)
const numbers = new Map(standard.criteria.map((criterion, i) => [criterion.id, i + 1]))
const notes = computed(() => stationNotes(standard, result.value, station.value, numbers))
const selected = computed<RegionId | null>(() => standard.criteria.find((criterion) => criterion.id === open.value)?.region ?? null)
const isComplete = computed(() => count.value.answered === count.value.asked)
const here = computed(() => STATIONS.indexOf(station.value))
const next = computed(() => STATIONS[here.value + 1] ?? null)
const rows = computed(() => standard.criteria.filter((criterion) => criterion.station === station.value).map((criterion) => criterion.id))

/** Touching a place opens the first criterion there, at this station if it has one. */
function pick(region: RegionId): void {
  const own = standard.criteria.filter((criterion) => criterion.region === region)
  const found = own.find((criterion) => criterion.station === station.value) ?? own[0]
  if (!found) return
  station.value = found.station
  open.value = found.id
}
function walk(by: number): void {
  const to = STATIONS[here.value + by]
  if (!to) return
  station.value = to
  open.value = null
}
function step(by: number): void {
  const at = open.value ? rows.value.indexOf(open.value) + by : by > 0 ? 0 : rows.value.length - 1
  open.value = rows.value[Math.min(rows.value.length - 1, Math.max(0, at))]
  requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-row="${open.value}"]`)?.focus())
}
const asks = ref(false)
async function finish(): Promise<void> {
  if (await sign()) emit('signed')
}
/** what follows from the signature, before it is given */
const follows = computed(() => {
  const mark = result.value?.total
    ? t('grading.markTotalOutcome', { total: Math.round(result.value.total.value), outcome: OUTCOME_WORDS[result.value.outcome] })
    : t('grading.noMarkFeedbackOnly')
  return [
    mark,
    result.value?.because ?? '',
    'A signed grading is never changed. It counts for the record, and the apprentice reads it.'
  ].filter((one) => one !== '')
})
useKeys([
  { key: 'ArrowRight', label: t('grading.nextSideDog'), run: () => walk(1) },
  { key: 'ArrowLeft', label: t('grading.previousSideDog'), run: () => walk(-1) },
  { key: 'ArrowDown', label: t('grading.nextCriterion'), run: () => step(1) },
  { key: 'ArrowUp', label: t('grading.previousCriterion'), run: () => step(-1) }
])
</script>

<template>
  <div class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_460px] lg:overflow-hidden">
    <main class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <FoundPlate
        :grading="grading"
        :standard="standard"
        :result="result"
        :notes="notes"
        :selected="selected"
        :caption="t('grading.withersMmMm', { withersMm: grading.dog.withersMm })"
        @pick="pick"
      >
        <MovedList :moved="grading.moved" />
        <p v-for="item in grading.checkIn.excused" :key="item.region" class="flex items-center gap-2">
          <GlyphMark name="excused" />{{
            t('grading.sideRegionLikeArrivalReason', { side: item.side, region: item.region, reason: item.reason })
          }}
        </p>
      </FoundPlate>
      <div class="my-3 flex flex-wrap gap-3">
        <RouterLink :to="`/trims/${grading.id}/measure`" class="btn btn-quiet inline-flex no-underline" data-measure>{{
          t('grading.measurePhotographs')
        }}</RouterLink>
        <FeedbackPrint :grading-id="grading.id" :result="result && (rating === null ? { ...result, mend: [], nextTime: [] } : result)" />
      </div>
      <FeedbackBlock :result="result" :shown="rating !== null" :numbers="numbers" :praises="grading.praises" />
    </main>
    <aside class="flex min-h-0 flex-col border-line bg-sheet max-lg:border-t lg:border-l" :aria-label="t('grading.gradeSheet')">
      <div class="px-5 pt-4 pb-2">
        <MarkPanel :result="result" :rating="rating" :standard="standard" :signed="false" by="You" @rate="rate" />
      </div>
      <WalkTabs v-model="station" :standard="standard" :result="result" />
      <div class="min-h-0 flex-1 lg:overflow-y-auto">
        <CriterionRows
          :standard="standard"
          :station="station"
          :result="result"
          :answers="answers"
          :open="open"
          :numbers="numbers"
          @open="(id) => (open = open === id ? null : id)"
          @answer="answer"
        />
        <fieldset v-if="station === 'handling'" class="px-5 py-3">
          <legend class="label pt-3">{{ t('grading.whatLimitsMark') }}</legend>
          <button
            v-for="fault in standard.critical"
            :key="fault.id"
            :class="[
              'mt-1.5 flex min-h-11 w-full items-center gap-3 rounded-[4px] border px-3 py-1',
              critical.includes(fault.id) ? 'border-danger bg-danger text-danger-ink' : 'border-hair'
            ]"
            :aria-pressed="critical.includes(fault.id)"
            @click="toggleCritical(fault.id)"
          >
            <GlyphMark name="danger" :plain="critical.includes(fault.id)" />{{ fault.name
            }}<span class="ml-auto">{{ t('grading.capMost', { cap: fault.cap }) }}</span>
          </button>
        </fieldset>
      </div>
      <div class="border-t border-line px-5 py-3">
        <p v-if="problem" class="mb-2 flex gap-2 leading-[1.3]" role="alert">
          <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}
        </p>
        <div class="flex items-center justify-between gap-3">
          <span class="muted"
            >{{ t('grading.answeredAskedAnswered', { answered: count.answered, asked: count.asked })
            }}<template v-if="result?.cannotTell">{{
              t('grading.cannotTellCouldNotJudged', { cannotTell: result.cannotTell })
            }}</template></span
          >
          <button v-if="isComplete && rating" class="btn btn-go" @click="asks = true">{{ t('grading.signGrading') }}</button>
          <button v-else-if="next" class="btn btn-go" @click="walk(1)">
            {{ t('grading.nextSideNext', { next: STATION_WORDS[next].toLowerCase() }) }}
          </button>
          <button v-else class="btn btn-not-yet" disabled>
            {{ isComplete ? t('grading.giveYourRatingFirst') : t('grading.askedStillAnswer', { asked: count.asked - count.answered }) }}
          </button>
        </div>
      </div>
    </aside>
    <AskOnce
      :open="asks"
      :title="t('grading.signGrading2')"
      :says="follows"
      :action="t('grading.sign')"
      :working="t('grading.signing')"
      :run="finish"
      @close="asks = false"
    />
    <MergeSheet :standard="standard" :here="current()" :there="conflict" @settle="settle" />
  </div>
</template>
