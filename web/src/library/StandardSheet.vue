<script setup lang="ts">
import { houseRules } from '@peen/content'
import { DRAWN_REGIONS } from '@peen/core/figure'
import { regionName, type RegionId } from '@peen/core/regions'
import { fittedStandard, STATIONS } from '@peen/core/standard'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { v7 } from 'uuid'
import { ask, ApiError, sentenceOf } from '../api/client'
import SheetDialog from '../components/SheetDialog.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { STATION_WORDS } from '../composables/outcomes'
import { useAsked } from '../composables/useAsked'
import DogPlate from '../figure/DogPlate.vue'
import { dogOfTrim } from '../figure/place'
import type { PlateNote } from '../figure/plate-note'
import { VIEW_NAMES } from '../figure/shape-words'
import ViewButtons from '../figure/ViewButtons.vue'
import ChangeList from './ChangeList.vue'
import { sayInstrument, sayTarget } from './criterion-words'
import { saveFile } from '../api/save-file'
import VersionList from './VersionList.vue'
import WorkPlan from './WorkPlan.vue'
import { useSessionStore } from '../stores/session'
import { techniqueById } from '../stores/techniques'
import { t } from '../words'

// One trim: drawn, with what makes it, what the house makes of it, and everything it is graded by.
const props = defineProps<{ id: string; version?: string }>()
const session = useSessionStore()
const router = useRouter()
const newest = computed(() =>
  Math.max(1, ...(session.school?.standards ?? []).filter(({ id }) => id === props.id).map(({ version }) => version))
)
const shownVersion = computed(() => (props.version ? Number(props.version) : newest.value))
const { data, error, loading, reload } = useAsked('standard', () => ({ standard: props.id, version: shownVersion.value }))
const fitted = computed(() =>
  data.value ? fittedStandard(data.value.standard, { house: session.school?.houseRules ?? {}, wishes: [] }) : null
)
const standard = computed(() => fitted.value?.standard ?? null)
const drawn = computed(() => dogOfTrim(standard.value?.bodyType ?? 'bearded', standard.value?.plan.drawnAs))
const view = ref(VIEW_NAMES[0])
const lit = ref<number | null>(null)
const DRAWN = new Set<string>(DRAWN_REGIONS)
/** What makes it, each at the first of its places on the dog. */
const notes = computed<PlateNote[]>(() => {
  const used = new Set<string>()
  return (standard.value?.makes ?? []).flatMap(({ say, criteria }, i) => {
    const own = criteria.flatMap((id) => standard.value!.criteria.find((one) => one.id === id) ?? [])
    const at = own.find(({ region }) => DRAWN.has(region) && !used.has(region))
    if (!at) return []
    used.add(at.region)
    return [{ id: String(i), region: at.region, numeral: String(i + 1), heading: regionName(at.region), lines: [{ text: shorten(say) }] }]
  })
})
const MOST_LETTERS = 60
const shorten = (say: string) => (say.length <= MOST_LETTERS ? say : `${say.slice(0, MOST_LETTERS - 1)}…`)
const stations = computed(() =>
  STATIONS.map((station) => ({ station, criteria: standard.value?.criteria.filter((one) => one.station === station) ?? [] }))
)
const made = (id: string) => standard.value?.makes.findIndex(({ criteria }) => criteria.includes(id)) ?? -1
const variants = computed(() =>
  (data.value?.standard.variants ?? []).map(({ rule, side, says }) => {
    const question = houseRules.find(({ id }) => id === rule)
    return {
      key: `${rule} ${side}`,
      says,
      when: question ? `${question.question}: ${question.sides[side]}` : rule,
      holds: (session.school?.houseRules[rule] ?? 0) === side
    }
  })
)
const lengths = computed(() =>
  Object.entries(standard.value?.plan.lengthsMm ?? {}).map(([region, mm]) => `${regionName(region as RegionId).toLowerCase()} ${mm}`)
)

// ---- what one does with it
const said = ref<string | null>(null)
const refused = ref<string | null>(null)
const copying = ref(false)
const copyName = ref('')
const comparing = ref<number | null>(null)
const { data: other } = useAsked('standard', () => ({ standard: props.id, version: comparing.value ?? shownVersion.value }))
const labels = computed(
  () =>
    new Map(
      [...(data.value?.standard.criteria ?? []), ...(other.value?.standard.criteria ?? [])].map(({ id, label }): [string, string] => [
        id,
        label
      ])
    )
)
async function act(work: () => Promise<unknown>): Promise<void> {
  refused.value = null
  try {
    await work()
  } catch (caught) {
    if (caught instanceof ApiError && caught.problem.code === 'draftThere')
      await router.push(`/standard-drafts/${caught.problem.draftId as string}`)
    else refused.value = sentenceOf(caught)
  }
}
const draft = (copyAs: { id: string; name: string } | null) =>
  act(async () => {
    const { id } = await ask('makeDraft', {
      body: {
        id: v7(),
        from: { id: props.id, version: shownVersion.value },
        copyAs
      }
    })
    await router.push(`/standard-drafts/${id}`)
  })
const copyId = computed(() =>
  copyName.value
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 50)
)
const chart = () =>
  act(async () => {
    said.value = t('library.drawingChart')
    const { downloadWallChart } = await import('./wall-chart')
    await downloadWallChart(standard.value!)
    said.value = t('library.chartYourDownloads')
  })
const file = () =>
  saveFile(
    new Blob([`${JSON.stringify(data.value!.standard, null, 2)}\n`], { type: 'application/json' }),
    `${props.id}-${shownVersion.value}.json`
  )
const retire = (retired: boolean) =>
  act(async () => {
    await ask('retireStandard', { standard: props.id, body: { retired } })
    await Promise.all([reload(), session.refreshSchool()])
  })
</script>

<template>
  <TopLine :what="standard?.name ?? t('library.trimLibrary')" />
  <ViewState v-if="!data || !standard" :loading="loading" :error="error" :empty="false" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_400px] lg:overflow-hidden">
    <main class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <DogPlate
        :dog="drawn.dog"
        :plan="drawn.coat.lengths"
        :lengths="standard.plan.lengthsMm"
        :from="view.from"
        :mirrored="view.mirrored"
        :notes="notes"
        :height="520"
        :lists-rest="false"
        :caption="t('library.labelWithersMmMmName', { label: drawn.body.label, withersMm: drawn.body.withersMm, name: view.name })"
        :label="`${standard.name}, ${view.name}`"
        @pick="(region) => (lit = notes.findIndex((note) => note.region === region))"
      />
      <ViewButtons class="mt-3" :view="view.id" @look="(id) => (view = VIEW_NAMES.find((one) => one.id === id)!)" />
      <h2 class="mt-6 text-[20px]">{{ t('library.gradedSideSide') }}</h2>
      <hr class="rule2 mt-1" />
      <section v-for="{ station, criteria } in stations" :key="station" class="mt-4">
        <h3 class="label mb-0">{{ STATION_WORDS[station] }}</h3>
        <ul class="row-rule m-0 list-none border-t border-line p-0">
          <li v-for="criterion in criteria" :key="criterion.id" class="grid gap-x-4 py-2 leading-[1.3] sm:grid-cols-[1fr_190px_1.2fr]">
            <span
              ><b class="font-[650]">{{ criterion.label }}</b
              ><span v-if="made(criterion.id) >= 0" class="numeral ml-2 text-[18px]" :title="t('library.whatDefines2')">{{
                made(criterion.id) + 1
              }}</span
              ><span class="muted block">{{ criterion.place }}</span></span
            >
            <span
              >{{ sayTarget(criterion)
              }}<span v-if="criterion.how.kind === 'length'" class="muted block">{{
                t('library.grownOutGrownOutMmMm', { grownOutMm: criterion.how.grownOutMm })
              }}</span></span
            >
            <span class="muted"
              >{{ t('library.instrumentWeightWeight', { instrument: sayInstrument(standard, criterion), weight: criterion.weight })
              }}<template v-if="criterion.how.kind === 'judged'">{{
                t('library.bestLevels', { levels: criterion.how.levels[4] })
              }}</template></span
            >
          </li>
        </ul>
      </section>
      <WorkPlan
        v-if="data.standard.plan.work"
        :work="data.standard.plan.work"
        :rack="session.school?.tools ?? []"
        :comb-base="session.school?.houseRules['comb-base'] === 1 ? '10' : '30'"
      />
      <p class="muted mt-4 leading-[1.4]">{{ t('library.lengthLeftMmLengths', { lengths: lengths.join(', ') }) }}</p>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-8 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <h2 class="title text-[24px]">{{ standard.name }}</h2>
      <p class="muted mt-1">
        {{
          t('library.versionVersionAboutStandardMinMinutes', {
            version: standard.version,
            standardMin: standard.standardMin,
            passMark: standard.passMark
          })
        }}<template v-if="data.graded > 0">{{ t('library.gradedGraded', { graded: data.graded }) }}</template
        >.
      </p>
      <p v-if="data.retired" class="mt-2 font-[650]">{{ t('library.noLongerOfferedExistingGradings') }}</p>
      <hr class="rule2 mt-2.5 mb-1" />
      <h2 class="mt-3">{{ t('library.whatDefines') }}</h2>
      <ol class="m-0 list-none p-0">
        <li
          v-for="({ say }, i) in standard.makes"
          :key="say"
          class="flex gap-3 border-b border-line py-2 leading-[1.35]"
          :class="lit === i ? 'bg-well' : ''"
        >
          <span class="numeral w-5 flex-none text-[22px] leading-[1.1]">{{ i + 1 }}</span>{{ say }}
        </li>
      </ol>
      <p class="mt-2 leading-[1.35]">
        <b>{{ t('library.typicalFault2') }}</b> {{ standard.ownFault.name.toLowerCase() }}.
      </p>
      <template v-if="variants.length > 0">
        <h2 class="mt-5">{{ t('library.houseRulesOwnersWishes') }}</h2>
        <ul class="row-rule m-0 mt-1 list-none border-y border-line p-0">
          <li v-for="variant in variants" :key="variant.key" class="py-2 leading-[1.35]">
            <b class="font-[650]">{{ variant.when }}.</b> {{ variant.says }}.
            <span v-if="variant.holds" class="text-act">{{ t('library.schoolsRuleShownPlate') }}</span>
          </li>
        </ul>
      </template>
      <h2 class="mt-5">{{ t('library.stepsOrder') }}</h2>
      <ol class="row-rule m-0 mt-1 list-none border-y border-line p-0">
        <li v-for="(step, i) in standard.plan.steps" :key="step.technique">
          <RouterLink
            :to="`/techniques/${step.technique}`"
            class="flex min-h-11 items-center gap-3 py-1 leading-[1.2] no-underline hover:underline"
          >
            <span class="numeral w-5 text-[18px]">{{ i + 1 }}</span><span class="flex-1">{{ step.label }}</span>
            <span class="muted text-right" :class="step.apart ? '' : 'whitespace-nowrap'">{{
              t('library.minutesMinApart', { minutes: step.minutes, apart: step.apart ? 'apart' : 'no' })
            }}</span>
            <span class="sr-only">{{ techniqueById(step.technique)?.name }}</span>
          </RouterLink>
        </li>
      </ol>
      <div class="mt-5 grid gap-2">
        <button class="btn" @click="chart">{{ t('library.wallChartPdf') }}</button>
        <template v-if="session.isStaff">
          <button class="btn btn-go" @click="draft(null)">{{ t('library.editVersionNewest', { newest: newest + 1 }) }}</button>
          <button class="btn btn-quiet" @click="copying = true">{{ t('library.makeOurOwnTrimFrom') }}</button>
          <button class="btn btn-quiet" @click="file">{{ t('library.downloadJson') }}</button>
          <button v-if="session.isLead" class="btn btn-quiet" @click="retire(!data.retired)">
            {{ data.retired ? t('library.offerAgain') : t('library.stopOffering') }}
          </button>
        </template>
        <p v-if="said" class="muted" role="status">{{ said }}</p>
        <p v-if="refused" class="font-semibold text-danger" role="alert">{{ refused }}</p>
      </div>
      <VersionList
        :versions="data.versions"
        :shown="shownVersion"
        :to="(version) => `/standards/${id}/${version}`"
        @compare="(version) => (comparing = version)"
      />
    </aside>
    <SheetDialog :open="copying" :title="t('library.ourOwnTrim')" @close="copying = false">
      <form novalidate @submit.prevent="draft({ id: copyId, name: copyName.trim() })">
        <label class="block"
          ><span class="label">{{ t('library.name') }}</span
          ><input v-model="copyName" class="field" maxlength="100" :placeholder="t('library.ourShortSummerTrim')"
        /></label>
        <p class="muted mt-2">{{ t('library.startsCopyNameNotUsed', { name: standard.name }) }}</p>
        <p v-if="refused" class="mt-2 font-semibold text-danger" role="alert">{{ refused }}</p>
        <button class="btn btn-go mt-3" :disabled="copyId === ''">{{ t('library.start') }}</button>
      </form>
    </SheetDialog>
    <SheetDialog
      :open="comparing !== null"
      :title="t('library.nameVersionComparingShownVersion', { name: standard.name, comparing, shownVersion })"
      @close="comparing = null"
    >
      <ChangeList
        v-if="other && comparing !== null && other.standard.version === comparing"
        :before="other.standard"
        :after="data.standard"
        :labels="labels"
        :from="t('library.versionComparing', { comparing })"
        :to="`version ${shownVersion}`"
      />
    </SheetDialog>
  </div>
</template>
