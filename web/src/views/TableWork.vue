<script setup lang="ts">
import type { HoldView } from '@peen/contract'
import type { EventKind, Payloads } from '@peen/core/practice'
import type { RegionId } from '@peen/core/regions'
import { sayLinePlace, sayTool } from '@peen/core/setup'
import { sayLength, upperFirst } from '@peen/core/units'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { v7 } from 'uuid'
import { api, sentenceOf } from '../api/client'
import AttemptSheet from '../components/AttemptSheet.vue'
import EndSheet from '../components/EndSheet.vue'
import GlyphMark from '../components/GlyphMark.vue'
import LateNotes from '../components/LateNotes.vue'
import MinutesBar from '../components/MinutesBar.vue'
import NoteSheet from '../components/NoteSheet.vue'
import SheetDialog from '../components/SheetDialog.vue'
import StepStrip from '../components/StepStrip.vue'
import TableKeys from '../components/TableKeys.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useKeys } from '../composables/useKeys'
import { useTable } from '../composables/useTable'
import DogPlate from '../figure/DogPlate.vue'
import type { PlateNote } from '../figure/plate-note'
import TechniqueGuide from '../library/TechniqueGuide.vue'
import { useVisit, wornBy } from '../visit/useVisit'
import { allTechniques, techniqueById } from '../stores/techniques'

const props = defineProps<{ id: string }>()
const router = useRouter()
const { data, error, loading, reload, events, state, standard, steps, current, nextStep, worked, waitsAt, gate, tap, outbox, session } =
  useTable(() => props.id)

const sheet = ref<'start' | 'end' | 'fault' | 'helped' | 'praise' | 'safety' | 'stop' | 'note' | null>(null)
/** the technique whose steps are read */
const shown = ref<ReturnType<typeof techniqueById> | null>(null)
const picked = ref<RegionId | null>(null)
const startWith = ref<string | null>(null)
const canStand = computed(() => (data.value ? data.value.dog.canStandMin - worked.value : 0))
const technique = computed(() => (current.value ? (techniqueById(current.value.techniqueId) ?? null) : null))

const NOTED: readonly RegionId[] = ['skull', 'brow', 'beard', 'neckSide', 'back', 'skirt', 'foreleg', 'foreFoot', 'rearPastern', 'tail']
const NOTED_AS: Partial<Record<RegionId, string>> = { neckSide: 'Neck', back: 'Back and ribs', rearPastern: 'Rear leg' }
/** the sheet of this visit: the plan, moved by wishes, house rules, burns and what the instructor chose */
const { sheet: setUp, plan } = useVisit(() => props.id)
const worn = computed(() => (setUp.value ? wornBy(setUp.value.lines, plan.value, 'left') : plan.value))
const plateNotes = computed<PlateNote[]>(() =>
  NOTED.flatMap((region) => {
    const line = setUp.value?.lines.find((one) => one.region === region && one.side !== 'right')
    return line ? [line] : []
  }).map((line, i) => ({
    id: line.id,
    region: line.region,
    numeral: String(i + 1),
    heading: NOTED_AS[line.region] ?? sayLinePlace(line),
    lines: [{ text: sayTool(line) }, ...(line.leavesMm === null ? [] : [{ text: `leaves ${sayLength(line.leavesMm, 'mm')}`, bold: true }])],
    danger: line.stopped ? 'nothing is cut' : undefined
  }))
)
const nowRegion = computed<RegionId | null>(() => current.value?.regions[0] ?? null)

function begin(techniqueId: string | null, region: RegionId | null = null): void {
  startWith.value = techniqueId
  picked.value = region
  sheet.value = 'start'
}
/** The technique that touching a place means: the next planned one that works there, else any. */
function techniqueAt(region: RegionId): string | null {
  const works = (id: string) => techniqueById(id)?.regions.includes(region) ?? false
  const planned = steps.value.find((step) => step.state === 'todo' && works(step.step.technique))?.step.technique
  return planned ?? allTechniques().find((technique) => works(technique.id))?.id ?? nextStep.value?.step.technique ?? null
}
function press(key: 'fault' | 'prompt' | 'helped' | 'praise' | 'break' | 'stop'): void {
  if (key === 'break') return toggleBreak()
  if (key === 'praise' || key === 'stop') return void (sheet.value = key)
  if (!current.value) return begin(nextStep.value?.step.technique ?? null)
  if (key === 'prompt') return void tap('promptGiven', { attemptId: current.value.id }, 'prompt')
  sheet.value = key
}
/** Records what a sheet has asked for, and closes it. */
function close<K extends EventKind>(kind: K, payload: Payloads[K], label: string): void {
  tap(kind, payload, label)
  sheet.value = null
}
function release({ techniqueId, hazardId }: HoldView): void {
  tap('holdReleased', { techniqueId, hazardId })
  void outbox.flush().then(reload)
}
function toggleBreak(): void {
  if (!state.value.onBreakSince) return void tap('breakStarted', {}, 'break')
  const minutes = session.school
    ? Math.max(0, Math.round((Date.parse(session.school.now) - Date.parse(state.value.onBreakSince)) / 60000))
    : 0
  tap('breakEnded', { minutes })
}
const gradingError = ref<string | null>(null)
async function grade(): Promise<void> {
  try {
    const { id } = await api.post<{ id: string }>(`/sessions/${props.id}/gradings`, { id: v7() })
    await router.push(`/trims/${id}`)
  } catch (caught) {
    gradingError.value = sentenceOf(caught)
  }
}

const staffKeys = [
  { key: '1', label: 'Fault', run: () => press('fault') },
  { key: '2', label: 'Prompt', run: () => press('prompt') },
  { key: '3', label: 'Helped', run: () => press('helped') },
  { key: '4', label: 'Praise', run: () => press('praise') }
]
useKeys([
  ...(session.isStaff ? staffKeys : []),
  ...(session.isStaff ? [] : [{ key: '1', label: 'Ask for help', run: () => state.value.askedAt ?? tap('helpAsked', {}, 'asking') }]),
  { key: '5', label: 'Break', run: () => press('break') },
  { key: '6', label: 'Stop', run: () => press('stop') },
  {
    key: 'n',
    label: 'Start the next step, or end this one',
    run: () => (current.value ? (sheet.value = 'end') : begin(nextStep.value?.step.technique ?? null))
  },
  {
    key: 'h',
    label: 'How this step is done',
    run: () => (shown.value = techniqueById(current.value?.techniqueId ?? nextStep.value?.step.technique ?? '') ?? null)
  },
  ...(session.isStaff
    ? [
        { key: 'g', label: 'Grade the finished trim', run: () => void grade() },
        { key: 's', label: 'Safety event', run: () => (sheet.value = 'safety') }
      ]
    : [])
])
</script>

<template>
  <TopLine
    :what="data ? `Table ${data.tableNumber}, ${data.apprentice.givenName} ${data.apprentice.familyName} with ${data.dog.name}` : 'Table'"
  />
  <ViewState v-if="!data || !standard" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_328px] lg:overflow-hidden">
    <main class="flex min-w-0 flex-col lg:overflow-y-auto">
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
          :caption="`Pl. ${data.tableNumber}. ${data.dog.name}, ${data.dog.colour}, ${data.dog.withersMm} mm at the withers. The plan for today, from the dog’s own left.`"
          :label="`${data.dog.name} in the planned trim`"
          @pick="(region) => begin(techniqueAt(region), region)"
        />
      </div>
      <StepStrip
        :steps="steps"
        :current="current"
        @start="begin"
        @end="sheet = 'end'"
        @how="(techniqueId) => (shown = techniqueById(techniqueId) ?? null)"
      />
    </main>
    <aside class="flex flex-col border-line bg-sheet lg:overflow-y-auto lg:border-l" aria-label="At the table">
      <div class="px-4 pt-4">
        <p class="text-[32px] leading-none font-[650]">
          {{ worked }} <span class="text-[20px] font-normal">of {{ data.standardMin }} min</span>
        </p>
        <MinutesBar class="mt-1" :worked="worked" :standard="data.standardMin" :can-stand="canStand" :width="286" />
        <p class="mt-1 leading-[1.3]">
          <b :class="canStand <= 6 ? 'text-danger' : ''">{{ data.dog.name }} can stand {{ Math.max(0, canStand) }} more.</b>
          {{ upperFirst(data.dog.temperament) }}; dislikes {{ data.dog.dislikes }}.
        </p>
        <p v-for="item in data.checkIn.excused" :key="item.region" class="mt-1 leading-[1.3]">
          <GlyphMark name="excused" :size="17" class="mr-1 align-[-3px]" />Came in so: {{ item.reason }}.
        </p>
        <p v-if="data.checkIn.wishes" class="muted mt-1 leading-[1.3]">{{ data.checkIn.wishes }}</p>
        <template v-if="gate && !state.closedAt">
          <p class="mt-2 bg-danger-tint p-2 leading-[1.3] font-semibold text-danger">
            <GlyphMark name="hold" :size="18" class="mr-1.5 align-[-3px]" />{{ gate.hazardName }}: {{ gate.caution }}
          </p>
          <RouterLink :to="`/visits/${id}/check-in`" class="btn btn-go mt-2 w-full">Check the dog in</RouterLink>
        </template>
        <p v-if="waitsAt" class="mt-2 bg-danger-tint p-2 leading-[1.3] font-semibold text-danger">
          <GlyphMark name="hold" :size="18" class="mr-1.5 align-[-3px]" />{{ waitsAt.hazardName }}: {{ waitsAt.caution }}
        </p>
        <button v-if="waitsAt && session.isStaff" class="btn btn-go mt-2 w-full" @click="release(waitsAt)">I am here</button>
        <template v-if="state.askedAt && !state.closedAt">
          <p class="mt-2 bg-danger-tint p-2 leading-[1.3] font-semibold text-danger" role="status">
            <GlyphMark name="hold" :size="18" class="mr-1.5 align-[-3px]" />{{
              session.isStaff ? `${data.apprentice.givenName} asks for you.` : 'An instructor has been asked to come. Keep the dog steady.'
            }}
          </p>
          <button v-if="session.isStaff" class="btn btn-go mt-2 w-full" @click="tap('lookedAt', {})">I am here</button>
        </template>
        <button
          v-else-if="!session.isStaff && state.openedAt && !state.closedAt"
          class="btn btn-quiet mt-2 w-full"
          @click="tap('helpAsked', {}, 'asking')"
        >
          Ask for help
        </button>
        <p v-if="technique && technique.hazards.length" class="mt-2 leading-[1.3] text-danger">
          <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ technique.hazards[0].caution }}
        </p>
        <LateNotes
          :waiting="state.waiting"
          :events="events"
          :staff="session.isStaff"
          @confirm="(eventId) => tap('lateConfirmed', { eventId })"
        />
        <p v-if="state.stopped" class="mt-2 font-semibold text-danger">
          <GlyphMark name="hold" :size="17" class="mr-1 align-[-3px]" />Stopped: {{ state.stopped }}
        </p>
        <p v-if="state.closedAt" class="mt-2 font-[650]">This dog is finished; what is tapped now is kept as late.</p>
        <p v-if="outbox.refusal || gradingError" class="mt-2 flex gap-2 leading-[1.3]" role="alert">
          <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ outbox.refusal ?? gradingError }}
        </p>
      </div>
      <span class="flex-1" />
      <div class="flex gap-1.5 px-4 pt-2">
        <RouterLink :to="`/visits/${id}/${session.isStaff ? 'set-up' : 'table'}`" class="btn btn-quiet min-h-11 flex-1 px-1 text-[16px]"
          >Sheet</RouterLink
        >
        <button class="btn btn-quiet min-h-11 flex-1 px-1 text-[16px]" @click="sheet = 'note'">Note</button>
        <button v-if="session.isStaff" class="btn btn-quiet min-h-11 flex-1 px-1 text-[16px] text-danger" @click="sheet = 'safety'">
          Safety
        </button>
        <button v-if="session.isStaff" class="btn min-h-11 flex-1 px-1 text-[16px]" @click="grade">Grade</button>
        <button
          v-if="session.isStaff && !state.closedAt"
          class="btn btn-quiet min-h-11 flex-1 px-1 text-[16px]"
          @click="state.openedAt ? tap('sessionClosed', {}, 'finish') : tap('sessionOpened', {}, 'opening')"
        >
          {{ state.openedAt ? 'Finish' : 'Open' }}
        </button>
      </div>
      <TableKeys
        class="max-lg:order-first"
        :tally="state.tally"
        :on-break="state.onBreakSince !== null"
        :staff="session.isStaff"
        @press="press"
      />
    </aside>
    <SheetDialog :open="shown !== null" :title="shown?.name ?? ''" @close="shown = null">
      <TechniqueGuide v-if="shown" :technique="shown" />
    </SheetDialog>
    <AttemptSheet
      :open="sheet === 'start'"
      :technique-id="startWith"
      :region="picked"
      :standard="standard"
      :staff="session.isStaff"
      @close="sheet = null"
      @start="(payload) => close('attemptStarted', payload, 'start')"
    />
    <EndSheet
      v-if="current"
      :open="sheet === 'end'"
      :attempt="current"
      :staff="session.isStaff"
      :now="session.school?.now ?? ''"
      @close="sheet = null"
      @end="(payload) => close('attemptEnded', payload, 'end')"
    />
    <NoteSheet
      v-if="sheet && ['fault', 'helped', 'praise', 'safety', 'stop', 'note'].includes(sheet)"
      :what="sheet as 'fault'"
      :attempt="current"
      :planned="nextStep?.step.technique ?? null"
      @close="sheet = null"
      @tap="(kind, payload, label) => close(kind, payload as never, label)"
    />
  </div>
</template>
