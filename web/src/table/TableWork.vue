<script setup lang="ts">
import { colourName } from '@peen/content'
import type { EventKind, Payloads } from '@peen/core/practice'
import { attemptMinutes } from '@peen/core/practice'
import type { RegionId } from '@peen/core/regions'
import { sayLinePlace } from '@peen/core/setup'
import { sayLength } from '@peen/core/units'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { v7 } from 'uuid'
import { ask, sentenceOf } from '../api/client'
import SheetDialog from '../components/SheetDialog.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useKeys } from '../composables/useKeys'
import { useTable } from './useTable'
import DogPlate from '../figure/DogPlate.vue'
import type { PlateNote } from '../figure/plate-note'
import TechniqueGuide from '../library/TechniqueGuide.vue'
import { allTechniques, techniqueById } from '../stores/techniques'
import AttemptSheet from './AttemptSheet.vue'
import NoteSheet from './NoteSheet.vue'
import SayMore from './SayMore.vue'
import StepStrip from './StepStrip.vue'
import TableFacts from './TableFacts.vue'
import StopKey from './StopKey.vue'
import TableKeys from './TableKeys.vue'
import { tableKeys } from './table-keys'
import { useTaps } from './useTaps'
import { useVisit, wornBy } from '../visit/useVisit'
import { t } from '../words'

const props = defineProps<{ id: string }>()
const router = useRouter()
const table = useTable(() => props.id)
const { data, error, loading, reload, events, state, standard, steps, current, nextStep, now, waitsAt, gate, tap, session } = table
const taps = useTaps(table, () => props.id)
const { asking, problem } = taps

const sheet = ref<'start' | 'safety' | 'note' | null>(null)
/** the technique whose steps are read */
const shown = ref<ReturnType<typeof techniqueById> | null>(null)
const picked = ref<RegionId | null>(null)
const startWith = ref<string | null>(null)

const NOTED: readonly RegionId[] = ['skull', 'brow', 'beard', 'neckSide', 'back', 'skirt', 'foreleg', 'foreFoot', 'rearPastern', 'tail']
const NOTED_AS: Partial<Record<RegionId, string>> = {
  neckSide: t('table.neck'),
  back: t('table.backRibs'),
  rearPastern: t('table.rearLeg')
}
/** what was agreed for this dog; before it is said ready, what its sheet says so far */
const { agreed: soFar, plan, cameIn } = useVisit(() => props.id)
const agreed = computed(() => data.value?.agreed ?? soFar.value)
const worn = computed(() => wornBy(agreed.value, plan.value, 'left', cameIn.value))
const plateNotes = computed<PlateNote[]>(() =>
  NOTED.flatMap((region) => {
    const line = agreed.value.find((one) => one.region === region && one.side !== 'right')
    return line ? [line] : []
  }).map((line, i) => ({
    id: line.place,
    region: line.region,
    numeral: String(i + 1),
    heading: NOTED_AS[line.region] ?? sayLinePlace(line),
    lines: [
      { text: line.tool },
      ...(line.mm === null ? [] : [{ text: t('table.leavesLength', { length: sayLength(line.mm, 'mm') }), bold: true }])
    ],
    danger: line.stopped ? t('table.nothingCut') : undefined
  }))
)
const nowRegion = computed<RegionId | null>(() => current.value?.regions[0] ?? null)
const stepMinutes = computed(() => (current.value ? attemptMinutes(current.value, state.value, now.value) : 0))
/** why no step is started here now, in words on the strip */
const over = computed(() => {
  if (state.value.closedAt) return 'finished'
  if (state.value.ranOut) return t('table.noMoreToday')
  if (session.isStaff || current.value) return null
  return gate.value ? t('table.notCheckedYet') : waitsAt.value ? t('table.waitsInstructor') : null
})

function begin(techniqueId: string | null, region: RegionId | null = null): void {
  startWith.value = techniqueId
  picked.value = region
  sheet.value = 'start'
}
/** The technique that touching a place means: the next planned one that works there, else any. */
function techniqueAt(region: RegionId): string | null {
  const works = (id: string) => techniqueById(id)?.regions.includes(region) ?? false
  const takes = (id: string) => data.value?.closing.some((step) => step.technique === id && step.regions.includes(region)) ?? false
  const open = steps.value.filter((step) => step.state === 'todo').map(({ step }) => step.technique)
  // who touches a place means the step that takes hair there, not the bath that wets it
  const walked = steps.value.map(({ step }) => step.technique)
  const planned = open.find(takes) ?? walked.find(takes) ?? open.find(works)
  return planned ?? allTechniques().find((technique) => works(technique.id))?.id ?? nextStep.value?.step.technique ?? null
}
/** Records what a sheet has asked for, and closes it. */
function close<K extends EventKind>(kind: K, payload: Payloads[K], label: string): void {
  tap(kind, payload, label)
  sheet.value = null
}
/** Asks after an earlier tap that says no more yet. */
function askAgain(eventId: string): void {
  const event = events.value.find((one) => one.id === eventId)
  if (event?.kind === 'stopped') return taps.ask('stop', eventId, current.value)
  if (event?.kind !== 'faultNoted' && event?.kind !== 'helped') return
  const attempt = state.value.attempts.find((one) => one.id === event.payload.attemptId) ?? null
  taps.ask(event.kind === 'helped' ? 'helped' : 'fault', eventId, attempt)
}
async function grade(): Promise<void> {
  try {
    const { id } = await ask('openGrading', { id: props.id, body: { id: v7() } })
    await router.push(`/trims/${id}`)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
const show = (techniqueId: string) => (shown.value = techniqueById(techniqueId) ?? null)

useKeys([
  ...tableKeys(table, taps),
  { key: 'o', label: t('table.startDifferentStep'), run: () => begin(nextStep.value?.step.technique ?? null) },
  { key: 'h', label: t('table.howDoStep'), run: () => show(current.value?.techniqueId ?? nextStep.value?.step.technique ?? '') },
  { key: 't', label: t('table.noteYourOwnWords'), run: () => (sheet.value = 'note') },
  ...(session.isStaff
    ? [
        { key: 'g', label: t('table.gradeFinishedTrim'), run: () => void grade() },
        { key: 's', label: t('table.safetyEvent4'), run: () => (sheet.value = 'safety') },
        { key: 'e', label: t('table.endTable'), run: () => void router.push(`/table/${props.id}/end`) }
      ]
    : [])
])
</script>

<template>
  <TopLine
    :what="
      data
        ? t('table.tableTableNumberGivenNameFamilyNameName', {
            tableNumber: data.tableNumber,
            givenName: data.apprentice.givenName,
            familyName: data.apprentice.familyName,
            name: data.dog.name
          })
        : t('table.table')
    "
  />
  <ViewState v-if="!data || !standard" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_328px] lg:overflow-hidden">
    <main class="flex min-w-0 flex-col lg:overflow-y-auto" tabindex="0">
      <div class="flex-1 p-3 sm:p-4">
        <DogPlate
          :dog="{ ...data.dog, trim: standard.plan.drawnAs }"
          :plan="standard.plan.lengthsMm"
          :lengths="worn"
          :notes="plateNotes"
          :selected="picked"
          :now="nowRegion"
          :lists-rest="false"
          :height="544"
          :caption="
            t('table.plTableNumberNameColourWithersMm', {
              tableNumber: data.tableNumber,
              name: data.dog.name,
              colour: colourName(data.dog.colour),
              withersMm: data.dog.withersMm
            })
          "
          :label="t('table.namePlannedTrim', { name: data.dog.name })"
          @pick="(region) => begin(techniqueAt(region), region)"
        />
      </div>
      <StepStrip
        :steps="steps"
        :current="current"
        :minutes="stepMinutes"
        :over="over"
        :end="session.isStaff ? `/table/${id}/end` : null"
        @start="taps.startPlanned"
        @other="begin"
        @back="taps.back"
        @end="taps.end"
        @pause="taps.pause"
        @how="show"
      />
    </main>
    <aside class="flex flex-col border-line bg-sheet lg:min-h-0 lg:border-l" :aria-label="t('table.table2')">
      <div :class="['lg:min-h-0 lg:flex-1 lg:overflow-y-auto', asking ? 'max-lg:order-first' : '']" tabindex="0">
        <SayMore
          v-if="asking"
          :key="asking.eventId"
          :asking="asking"
          :dog="data.dog.name"
          @say="taps.say"
          @later="asking = null"
          @mistake="taps.takeBack"
        />
        <TableFacts
          :id="id"
          :class="asking ? 'max-lg:hidden' : ''"
          :table="table"
          :agreed="agreed"
          :problem="problem"
          @arrive="taps.arrive"
          @more="askAgain"
        />
      </div>
      <div class="flex gap-1.5 border-t border-line px-4 pt-2">
        <RouterLink :to="`/visits/${id}/${session.isStaff ? 'set-up' : 'table'}`" class="btn btn-quiet min-h-11 flex-1 px-1 text-[16px]">{{
          t('table.sheet')
        }}</RouterLink>
        <button v-if="session.isStaff" class="btn btn-quiet min-h-11 flex-1 px-1 text-[16px] text-danger" @click="sheet = 'safety'">
          {{ t('table.safety') }}
        </button>
        <button v-if="session.isStaff" class="btn min-h-11 flex-1 px-1 text-[16px]" @click="grade">{{ t('table.grade') }}</button>
        <RouterLink v-if="session.isStaff && state.openedAt" :to="`/table/${id}/end`" class="btn min-h-11 flex-1 px-1 text-[16px]">{{
          t('table.end2')
        }}</RouterLink>
        <button v-else-if="session.isStaff" class="btn btn-go min-h-11 flex-1 px-1 text-[16px]" @click="tap('visitOpened', {}, 'opening')">
          {{ t('table.open') }}
        </button>
      </div>
      <TableKeys
        class="max-lg:order-first"
        :tally="state.tally"
        :on-break="state.onBreakSince !== null"
        :stopped="state.stopped !== null"
        :staff="session.isStaff"
        :may-ask="state.askedAt === null && state.openedAt !== null && state.closedAt === null"
        @ask="tap('helpAsked', {}, 'asking')"
        @press="taps.press"
        @picture="taps.picture"
        @note="sheet = 'note'"
      />
    </aside>
    <div class="sticky bottom-0 z-20 border-t-2 border-ink bg-sheet p-2 lg:hidden">
      <StopKey class="min-h-14 w-full items-center justify-center gap-3" :stopped="state.stopped !== null" @press="taps.press('stop')" />
    </div>
    <SheetDialog :open="shown !== null" :title="shown?.name ?? ''" @close="shown = null">
      <TechniqueGuide v-if="shown" :technique="shown" />
    </SheetDialog>
    <AttemptSheet
      :open="sheet === 'start'"
      :technique-id="startWith"
      :region="picked"
      :steps="data.steps"
      :agreed="agreed"
      :staff="session.isStaff"
      @close="sheet = null"
      @start="(payload) => close('attemptStarted', payload, 'start')"
    />
    <NoteSheet
      v-if="sheet === 'safety' || sheet === 'note'"
      :what="sheet"
      :attempt="current"
      :planned="nextStep?.step.technique ?? null"
      @close="sheet = null"
      @tap="(kind, payload, label) => close(kind, payload as never, label)"
    />
  </div>
</template>
