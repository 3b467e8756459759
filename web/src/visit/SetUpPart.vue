<script setup lang="ts">
import { bodyById, coatFor, trimFits } from '@peen/content'
import type { VisitPage } from '@peen/contract'
import type { Choice } from '@peen/core/advice'
import { fitBody } from '@peen/core/figure'
import { measuredRules, RULE_KINDS, RULE_NAMES, type RuleKind } from '@peen/core/proportions'
import { regionName, type RegionId } from '@peen/core/regions'
import { fitOf, groupLines, layOut, sayLinePlace, sayTool, type SheetLine } from '@peen/core/setup'
import { computed, ref } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import SideButtons from '../components/SideButtons.vue'
import ToggleButtons from '../components/ToggleButtons.vue'
import ToolChoice from './ToolChoice.vue'
import DogPlate from '../figure/DogPlate.vue'
import type { PlateNote } from '../figure/plate-note'
import { useSessionStore } from '../stores/session'
import MeasureLines from './MeasureLines.vue'
import PassLines from './PassLines.vue'
import SheetTable from './SheetTable.vue'
import { isSided, wornBy, type useVisit } from './useVisit'
import { t } from '../words'

// The sheet: the dog as it will stand, and for every place the tool, the direction, the order, the caution and the reason.
const props = defineProps<{ page: VisitPage; visit: ReturnType<typeof useVisit> }>()
const session = useSessionStore()
const { sheet, plan, choose, agreed, cameIn } = props.visit
const MEASURES = RULE_KINDS.map((id) => ({ id, name: RULE_NAMES[id] }))
const region = ref<RegionId>('back')
const side = ref<'left' | 'right'>('left')
const shows = ref(false)
const makingPdf = ref<string | null>(null)

const lines = computed(() => sheet.value!.lines)
const lineAt = (at: RegionId) =>
  lines.value.find((line) => line.region === at && (line.side === side.value || line.side === 'both' || line.side === 'whole'))
const line = computed(() => lineAt(region.value) ?? lines.value[0])
const worn = computed(() => wornBy(agreed.value, plan.value, side.value, cameIn.value))
const fit = computed(() => fitOf(trimFits, props.page.standard.id, props.page.dog.coatType))
/** what this trim asks for first; every other measure of the trade can be added */
const kinds = ref<readonly RuleKind[]>(trimFits.find(({ trim }) => trim === props.page.standard.id)?.measures ?? RULE_KINDS)
function toggle(kind: RuleKind): void {
  kinds.value = RULE_KINDS.filter((one) => (one === kind ? !kinds.value.includes(one) : kinds.value.includes(one)))
}
const measured = computed(() => {
  const { bodyType, withersMm, own, flatFootMm } = props.page.dog
  const blade = lineAt('skull')?.choice?.tool ?? props.page.rack.find(({ id }) => id === 'blade-7f') ?? null
  const body = fitBody(bodyById(bodyType), { withersMm, ...own })
  const ball = coatFor(bodyType, props.page.standard.plan.drawnAs).shapes?.find(({ kind }) => kind === 'pompon') as
    { radiusMm: number } | undefined
  return measuredRules(kinds.value, {
    body,
    withersMm,
    lengths: worn.value,
    ballMm: ball?.radiusMm ?? null,
    flatFootMm,
    house: sheet.value!.house,
    blade
  })
})
/** One note for each group of places, at the place that is drawn largest. */
const notes = computed<PlateNote[]>(() =>
  groupLines(
    lines.value.filter(
      ({ region: at, side: of }) => plan.value[at as never] !== undefined && (of === side.value || of === 'both' || of === 'whole')
    )
  )
    .filter(([first]) => (first.choice || first.frozen || first.stopped) && !first.isPart)
    .slice(0, 12)
    .map((group, i) => noteOf(group, i))
)
function noteOf(group: readonly SheetLine[], i: number): PlateNote {
  const first = group.find(({ region: at }) => at === 'back' || at === 'foreleg') ?? group[0]
  const off = (first.leavesMm ?? 0) - (first.plannedMm ?? first.leavesMm ?? 0)
  return {
    id: first.id,
    region: first.region,
    numeral: String(i + 1),
    heading: t('visit.placeAndMore', { place: sayLinePlace({ ...first, part: null }), more: group.length - 1 }),
    lines: [
      { text: sayTool(first), bold: true },
      ...(first.leavesMm === null ? [] : [{ text: t('visit.leavesLeavesMmMm', { leavesMm: first.leavesMm }) }])
    ],
    // what the instructor chose is told apart from what the rules lengthen
    tone: !first.isOwn ? undefined : off > 0.05 ? 'long' : off < -0.05 ? 'short' : undefined,
    danger: first.stopped
      ? t('visit.nothingCut')
      : first.advice.fired.some(({ id }) => id === 'burn-step')
        ? t('visit.burnedBefore')
        : undefined
  }
}
const aims = computed(() => {
  const { plannedMm, targetMm, changedBy, advice } = line.value
  const parts = [
    ...(plannedMm === null ? [] : [t('visit.plannedPlannedMmMm', { plannedMm })]),
    ...(changedBy ? [t('visit.targetMmMmChangedBy', { targetMm, changedBy: changedBy.toLowerCase() })] : []),
    ...(advice.aimMm !== null && advice.aimMm !== targetMm ? [t('visit.aimingAimMmMm', { aimMm: advice.aimMm })] : [])
  ]
  return parts.join(', ')
})
function take({ tool, direction }: Choice): void {
  void choose(line.value.id, { toolId: tool.id, direction })
}
function pick(at: RegionId): void {
  region.value = at
}
async function pdf(): Promise<void> {
  makingPdf.value = t('visit.makingSheet')
  try {
    const { downloadSheet } = await import('./sheet-pdf')
    await downloadSheet(props.page, sheet.value!, measured.value, worn.value)
    makingPdf.value = null
  } catch (caught) {
    makingPdf.value = caught instanceof Error ? caught.message : t('visit.sheetCouldNotMade')
  }
}
</script>

<template>
  <div class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_380px] lg:overflow-hidden">
    <main class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <slot />
      <p v-if="fit.say" class="mb-2 bg-danger-tint p-2 leading-[1.35] font-semibold text-danger">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{
          fit.verdict === 'refused' ? t('visit.notCoat') : t('visit.lookFirst')
        }}
        {{ fit.say }}
        <span v-if="page.checkIn.allTheSame" class="block text-ink" data-all-the-same>{{
          t('visit.plannedAnywayReason', { reason: page.checkIn.allTheSame.reason })
        }}</span>
      </p>
      <DogPlate
        :dog="{ ...page.dog, trim: page.standard.plan.drawnAs }"
        :plan="plan"
        :lengths="worn"
        :notes="shows ? [] : notes"
        :selected="region"
        :mirrored="side === 'right'"
        :shows-departures="!shows && sheet!.lines.some((one) => one.isOwn)"
        :lists-rest="false"
        :height="520"
        :caption="t('visit.nameSheetLeavesFromDogs', { name: page.dog.name, side })"
        :label="t('visit.namePlannedToolEachPlace', { name: page.dog.name })"
        @pick="pick"
      >
        <template #over="{ toPlate }"><MeasureLines v-if="shows" :rules="measured" :to-plate="toPlate" /></template>
      </DogPlate>
      <div class="mt-3 flex flex-wrap items-center gap-2">
        <SideButtons v-model="side" />
        <button :class="['btn', shows ? 'bg-ink text-sheet' : 'btn-quiet']" :aria-pressed="shows" @click="shows = !shows">
          {{ t('visit.measuredDog') }}
        </button>
        <button class="btn btn-quiet" @click="pdf">{{ t('visit.a4SheetPdf') }}</button>
        <RouterLink class="btn btn-quiet" :to="`/visits/${page.id}/table`">{{ t('visit.table') }}</RouterLink>
        <span v-if="makingPdf" role="status">{{ makingPdf }}</span>
      </div>
      <ToggleButtons v-if="shows" class="mt-3" :options="MEASURES" :is-on="(kind) => kinds.includes(kind)" @toggle="toggle" />
      <ol v-if="shows" class="row-rule m-0 mt-3 list-none p-0" data-testid="measured">
        <li v-for="(rule, i) in measured" :key="rule.kind" class="flex gap-3 py-2 leading-[1.35]">
          <b class="w-5">{{ 'abcdefgh'[i] }}</b>
          <span
            ><b>{{ rule.name }}.</b> {{ rule.says.join(' ') }}</span
          >
        </li>
      </ol>
      <ul v-if="sheet!.wishes.length" class="m-0 mt-4 list-none p-0" :aria-label="t('visit.wishes')">
        <li v-for="wish in sheet!.wishes" :key="wish" class="leading-[1.4]">{{ wish }}</li>
      </ul>
      <p v-for="move in sheet!.moved" :key="move.say" class="mt-1 leading-[1.35]" data-moved>
        <b>{{ t('visit.trimToday') }}</b> {{ move.say }}
      </p>
      <p v-for="other in sheet!.overridden" :key="other" class="mt-1 font-[650]">{{ t('visit.visitDiffersFromHouseRules', { other }) }}</p>
      <p class="mt-3 leading-[1.35]" data-laid-out>
        <b>{{ t('visit.laidOut') }}</b> {{ layOut(sheet!, page.rack).join(', ') }}.
      </p>
      <SheetTable class="mt-4" :sheet="sheet!" :selected="line.id" @pick="(one) => (region = one.region)" />
      <p class="muted mt-3 max-w-[72ch]">
        {{ t('visit.commonPracticeSchoolsHouseRules', { decided: sheet!.decided.join('; ').toLowerCase() }) }}
      </p>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <label class="muted block" for="place">{{ t('visit.place') }}</label>
      <select id="place" v-model="region" class="field mt-1 h-11 w-full">
        <option v-for="at in [...new Set(lines.map((one) => one.region))]" :key="at" :value="at">{{ regionName(at) }}</option>
      </select>
      <h2 class="title mt-4">{{ sayLinePlace(line) }}</h2>
      <p class="muted">
        {{ line.order }}. {{ line.step
        }}<template v-if="isSided(line.region) && line.side !== 'both'">{{ t('visit.sideSide', { side: line.side }) }}</template>
      </p>
      <p v-if="line.stopped" class="mt-2 bg-danger-tint p-2 leading-[1.35] font-semibold text-danger">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ line.stopped }}
      </p>
      <p v-for="reason in line.excused" :key="reason" class="mt-1">
        <GlyphMark name="excused" :size="17" class="mr-1 align-[-3px]" />{{ reason }}
      </p>
      <p v-if="!line.stopped" class="mt-2 text-[18px] leading-[1.4]"><PassLines :line="line" /></p>
      <template v-if="!line.stopped && line.advice.ranked.length > 0">
        <p v-if="line.passes.length > 1" class="label mt-4">{{ t('visit.passSetsLength') }}</p>
        <ToolChoice
          :advice="line.advice"
          :chosen="line.choice"
          :aims="aims"
          :locked="!session.isStaff || page.closing !== null"
          @choose="take"
        />
        <button v-if="line.isOwn && session.isStaff" class="btn btn-quiet mt-3 w-full" @click="choose(line.id, null)">
          {{ t('visit.backRecommended') }}
        </button>
      </template>
    </aside>
  </div>
</template>
