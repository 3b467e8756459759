<script setup lang="ts">
import { answersAtTarget, gradeResult } from '@peen/core/grade'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import SortList from '../components/SortList.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { OUTCOME_WORDS } from '../composables/outcomes'
import { useKeys } from '../composables/useKeys'
import DogPlate from '../figure/DogPlate.vue'
import { dogOfTrim } from '../figure/place'
import { newCriterion } from './criterion-parts'
import { sayTarget } from './criterion-words'
import CriterionForm from './CriterionForm.vue'
import HeadForm from './HeadForm.vue'
import StepsForm from './StepsForm.vue'
import WorkForm from './WorkForm.vue'
import { liveAt, stopsOf, viewFor } from './on-the-dog'
import { togetherOf, useDraft } from './useDraft'
import TextClash from '../components/TextClash.vue'
import { clashName, clashSays } from './change-words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Where a standard is written: its criteria in order at the right, and what each number means on the dog at the left.
const props = defineProps<{ id: string }>()
const router = useRouter()
const session = useSessionStore()
const draft = useDraft(() => props.id)
const { data, error, loading, reload, body: standard, issues, refused, said, clashes, before } = draft
/** what is open: a criterion by its id, the head, the steps, or the work at each place */
const STEPS = ' steps'
const WORK = ' work'
const open = ref<string | null>(null)
const stop = ref('target')
const criterion = computed(() => standard.value?.criteria.find(({ id }) => id === open.value) ?? null)
watch(open, () => (stop.value = 'target'))

const drawn = computed(() => dogOfTrim(standard.value?.bodyType ?? 'bearded', standard.value?.plan.drawnAs))
const stops = computed(() => (criterion.value ? stopsOf(criterion.value) : []))
const at = computed(() => stops.value.find(({ id }) => id === stop.value) ?? stops.value.find(({ id }) => id === 'target') ?? null)
const live = computed(() =>
  standard.value && criterion.value && at.value ? liveAt(standard.value, drawn.value.coat, criterion.value, at.value.value) : null
)
const view = computed(() =>
  criterion.value ? viewFor(criterion.value) : { from: 'side' as const, mirrored: false, name: t('library.leftSide') }
)
const plan = computed(() => standard.value?.plan.lengthsMm ?? {})
const issuesOf = (id: string) => issues.value.filter(({ path }) => path.includes(`criteria.${id}.`))
const otherIssues = computed(() => togetherOf(issues.value.filter(({ path }) => !/criteria\.[^.]+\./.test(path))))
const share = computed(() => {
  const total = standard.value?.criteria.reduce((sum, { weight }) => sum + Math.max(0, weight), 0) ?? 0
  return criterion.value && total > 0 ? (100 * criterion.value.weight) / total : 0
})
/** What the standard says of a trim that is exactly right: it must pass. */
const right = computed(() => {
  if (!standard.value || issues.value.length > 0) return null
  const { total, outcome } = gradeResult(standard.value, {
    answers: answersAtTarget(standard.value),
    critical: [],
    burns: [],
    seedText: props.id
  })
  return outcome === 'passed'
    ? t('library.exactlyRightPasses', { mark: Math.round(total!.value) })
    : t('library.exactlyRightFails', { outcome: OUTCOME_WORDS[outcome] })
})
const order = computed(() => standard.value?.criteria ?? [])
function reorder(from: number, to: number): void {
  const criteria = order.value.toSpliced(from, 1)
  void draft.change({ criteria: criteria.toSpliced(to, 0, order.value[from]) })
}
function add(): void {
  const made = newCriterion(standard.value!, criterion.value)
  draft.addCriterion(made, open.value)
  open.value = made.id
  void nextTick(() => document.querySelector(`[data-criterion="${made.id}"]`)?.scrollIntoView({ block: 'nearest' }))
}
const asking = ref<string | null>(null)
async function use(): Promise<void> {
  asking.value = null
  try {
    await draft.save()
    const { id, version } = await ask('useDraft', {
      id: props.id,
      body: {
        version: draft.version.value
      }
    })
    await session.refreshSchool()
    await router.push(`/standards/${id}/${version}`)
  } catch (caught) {
    asking.value = sentenceOf(caught)
  }
}
const dropping = ref(false)
async function drop(): Promise<void> {
  await ask('dropDraft', { id: props.id })
  await router.push('/standards')
}
useKeys([{ key: 'z', label: t('library.undoLastChange'), run: () => draft.undo() }])
</script>

<template>
  <TopLine :what="t('library.editTrim')" />
  <ViewState v-if="!data || !standard" :loading="loading" :error="error" :empty="false" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_520px] lg:overflow-hidden">
    <main class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <DogPlate
        :key="view.name"
        :dog="drawn.dog"
        :plan="drawn.coat.lengths"
        :lengths="live?.lengths ?? plan"
        :lengths-b="live?.lengthsB"
        :shapes="live?.shapes"
        :faults="live?.faults"
        :from="view.from"
        :mirrored="view.mirrored"
        :selected="criterion?.region ?? null"
        :shows-departures="criterion?.how.kind === 'length' && stop !== 'target'"
        :height="480"
        :caption="criterion && at ? `${criterion.label}, ${at.name}; ${view.name}` : `${standard.name}, ${view.name}`"
        :label="`${standard.name}, ${view.name}`"
        @pick="(region) => (open = standard!.criteria.find((one) => one.region === region)?.id ?? open)"
      />
      <div v-if="stops.length > 0" class="mt-3 flex flex-wrap gap-2" role="group" :aria-label="t('library.showDog')">
        <button
          v-for="one in stops"
          :key="one.id"
          :class="['btn min-h-11 px-4', one.id === at?.id ? 'bg-ink text-sheet' : 'btn-quiet']"
          :aria-pressed="one.id === at?.id"
          @click="stop = one.id"
        >
          {{ one.name }}
        </button>
      </div>
      <p v-if="live && !live.isDrawn" class="muted mt-2">{{ t('library.figureCannotShowOneSee') }}</p>
      <p v-if="!criterion" class="muted mt-3 max-w-[60ch] leading-[1.4]">
        {{ t('library.touchDogOrCriterionDog') }}
      </p>
    </main>
    <aside class="flex min-h-0 flex-col border-line bg-sheet max-lg:border-t lg:border-l" :aria-label="t('library.standard')">
      <div class="px-5 pt-4 pb-3">
        <h2 class="title">{{ standard.name }}</h2>
        <p class="muted">
          {{ t('library.draftVersionVersion', { version: standard.version, by: data.by })
          }}<template v-if="data.basedOn">{{ t('library.fromIdVersion', { id: data.basedOn.id, version: data.basedOn.version }) }}</template
          >{{ t('library.notUsedGradingYet') }}
        </p>
        <p v-if="said" class="mt-2 font-[650]" role="status">{{ said }}</p>
        <p v-if="refused" class="mt-2 font-semibold text-danger" role="alert">{{ t('library.refusedWhatYouTypedStill', { refused }) }}</p>
        <TextClash
          :title="t('library.draftAlsoChangedAnotherDevice')"
          :clashes="clashes"
          :name-of="(clash) => clashName(clash, standard!)"
          :say="(_clash, value) => clashSays(value)"
          @settle="draft.settle"
        />
        <ul v-if="otherIssues.length > 0" class="mt-2 list-none p-0 font-semibold text-danger" data-issues>
          <li v-for="issue in otherIssues" :key="issue.path">{{ issue.say }}</li>
        </ul>
        <p v-if="issues.length > 0" class="mt-2 leading-[1.35]" role="status">
          {{ t('library.problemsBeforeUse', { n: issues.length }) }}
        </p>
        <p v-else class="mt-2 leading-[1.35] text-act" role="status">{{ t('library.readyUseRight', { right }) }}</p>
      </div>
      <div class="min-h-0 flex-1 border-t border-line lg:overflow-y-auto">
        <button
          class="flex min-h-12 w-full items-center border-b border-line px-5 font-[650]"
          :aria-expanded="open === ''"
          @click="open = open === '' ? null : ''"
        >
          {{ t('library.namePassMarkFloorsCaps') }}
        </button>
        <HeadForm v-if="open === ''" :standard="standard" @change="(part) => draft.change(part)" />
        <button
          class="flex min-h-12 w-full items-center border-b border-line px-5 font-[650]"
          :aria-expanded="open === STEPS"
          @click="open = open === STEPS ? null : STEPS"
        >
          {{ t('library.stepsOrder') }}
        </button>
        <StepsForm v-if="open === STEPS" :standard="standard" @change="(part) => draft.change(part)" />
        <button
          class="flex min-h-12 w-full items-center border-b border-line px-5 font-[650]"
          :aria-expanded="open === WORK"
          @click="open = open === WORK ? null : WORK"
        >
          {{ t('library.whatDoneEachPlacePass') }}
        </button>
        <WorkForm v-if="open === WORK" :standard="standard" @change="(part) => draft.change(part)" />
        <SortList :options="{ handle: '[data-handle]', animation: 120 }" @moved="reorder">
          <template v-for="(element, index) in order" :key="element.id">
            <div class="border-b border-line" :data-criterion="element.id">
              <div class="flex items-stretch">
                <span
                  data-handle
                  class="flex w-10 flex-none cursor-grab items-center justify-center text-hair select-none"
                  aria-hidden="true"
                  >⋮⋮</span
                >
                <button
                  class="flex min-h-12 flex-1 items-center gap-3 py-1 pr-2 leading-[1.2]"
                  :aria-expanded="open === element.id"
                  @click="open = open === element.id ? null : element.id"
                >
                  <span class="flex-1"
                    ><b class="font-[650]">{{ element.label }}</b
                    ><span v-if="issuesOf(element.id).length > 0" class="block text-danger">{{ issuesOf(element.id)[0].say }}</span></span
                  >
                  <span class="muted narrow w-36 text-right">{{ sayTarget(element) }}</span>
                  <span class="w-7 text-right" :aria-label="t('library.weightWeight', { weight: element.weight })">{{
                    element.weight
                  }}</span>
                </button>
              </div>
              <template v-if="open === element.id">
                <div class="flex flex-wrap gap-2 bg-plate px-4 pt-3">
                  <button class="btn btn-quiet min-h-11 px-3" :disabled="index === 0" @click="draft.moveCriterion(element.id, -1)">
                    {{ t('library.moveUp') }}
                  </button>
                  <button
                    class="btn btn-quiet min-h-11 px-3"
                    :disabled="index === order.length - 1"
                    @click="draft.moveCriterion(element.id, 1)"
                  >
                    {{ t('library.moveDown') }}
                  </button>
                  <button class="btn btn-quiet min-h-11 px-3" @click="draft.removeCriterion(element.id)">{{ t('library.remove') }}</button>
                  <span class="muted self-center">{{ t('library.shareMarks', { share: share.toFixed(1) }) }}</span>
                </div>
                <CriterionForm
                  :standard="standard"
                  :criterion="element"
                  :at="at?.value ?? null"
                  @change="(next) => draft.changeCriterion(next, element.id)"
                />
              </template>
            </div>
          </template>
        </SortList>
      </div>
      <div class="flex flex-wrap gap-2 border-t border-line px-5 py-3">
        <button class="btn btn-quiet min-h-11" @click="add">{{ t('library.addCriterion') }}</button>
        <button class="btn btn-quiet min-h-11" :disabled="before.length === 0" @click="draft.undo">{{ t('library.undo') }}</button>
        <button class="btn btn-quiet min-h-11" @click="dropping = !dropping">{{ t('library.discard') }}</button>
        <button v-if="session.isLead" class="btn btn-go min-h-11 flex-1" :disabled="issues.length > 0" @click="use">
          {{ t('library.bringIntoUse') }}
        </button>
        <p v-else class="muted w-full">{{ t('library.onlyLeadAssessorCanBring') }}</p>
        <p v-if="dropping" class="w-full">
          {{ t('library.deletesDraftStandardStays') }}
          <button class="btn min-h-11 px-3" @click="drop">{{ t('library.discardDraft') }}</button>
        </p>
        <p v-if="asking" class="w-full font-semibold text-danger" role="alert">{{ asking }}</p>
      </div>
    </aside>
  </div>
</template>
