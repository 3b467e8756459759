<script setup lang="ts">
import { follows, sidesOf, unitOf, type Answers, type GradeResult, type SideAnswer, type SideKey } from '@peen/core/grade'
import { formulaById, type Criterion, type Standard, type Station } from '@peen/core/standard'
import { giveOrTake, sayNumber } from '@peen/core/units'
import { computed } from 'vue'
import { glyphOfPart, wordOfParts } from '../composables/outcomes'
import AnswerEditor from './AnswerEditor.vue'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// The criteria of one station as rows: target, left, right and the answer in shape and word. The open row is edited in place.
const props = defineProps<{
  standard: Standard
  station: Station
  result: GradeResult | null
  answers: Answers
  open: string | null
  numbers: ReadonlyMap<string, number>
  readonly?: boolean
}>()
const emit = defineEmits<{ open: [id: string]; answer: [id: string, side: SideKey, value: SideAnswer | null] }>()

/** One touch for what is as it should be; each criterion is touched on its own. */
const isOpenYet = ({ id, how }: Criterion) => sidesOf(how).some((side) => !props.answers[id]?.[side])
function asItShouldBe({ id, how }: Criterion): void {
  for (const side of sidesOf(how)) if (!props.answers[id]?.[side]) emit('answer', id, side, { kind: 'asItShouldBe' })
}

/** what nobody has answered at this station yet: one touch, and what is not so is opened and read */
const unanswered = computed(() => props.standard.criteria.filter((one) => one.station === props.station && !follows(one) && isOpenYet(one)))
function stationAsItShouldBe(): void {
  for (const criterion of unanswered.value) asItShouldBe(criterion)
}
const rows = computed(() =>
  props.standard.criteria
    .filter((criterion) => criterion.station === props.station)
    .map((criterion) => {
      const parts = props.result?.parts.filter((part) => part.criterionId === criterion.id) ?? []
      return { criterion, parts, answer: parts.length > 0 ? wordOfParts(parts) : null }
    })
)
function target({ how }: Criterion): string {
  if (how.kind === 'judged') return '4'
  if (how.kind === 'difference')
    return how.agreedMm
      ? `${sayNumber(how.agreedMm)} ± ${sayNumber(how.band[1]! - how.agreedMm)}`
      : t('grading.withinBand', { band: how.band[1] })
  if (how.kind === 'measured') return t('grading.upBand', { band: how.band[1] })
  if (how.kind === 'computed') {
    const [low, high] = how.band
    const ends =
      low === null
        ? t('grading.upNumber', { number: sayNumber(high!) })
        : high === null
          ? t('grading.fromNumber', { number: sayNumber(low) })
          : t('grading.numberNumber2', { number: sayNumber(low), number2: sayNumber(high) })
    return unitOf(how) === 'mm' ? ends : `${ends} ${unitOf(how)}`
  }
  if (how.bySide) return `${sayNumber(how.bySide.left.targetMm)} | ${sayNumber(how.bySide.right.targetMm)}`
  return `${sayNumber(how.targetMm)} ± ${sayNumber((how.band[1] ?? how.targetMm) - how.targetMm)}`
}
function sayFollows({ how }: Criterion, parts: GradeResult['parts']): string {
  const says = parts.map(({ side, say }) => (side === 'whole' ? say : `${side} ${say}`)).join('; ')
  if (parts.some(({ basis }) => basis === 'picture')) return t('grading.measuredPhotographSays', { says })
  if (how.kind !== 'computed') return t('grading.calculatedFromReadingsBothSides', { says })
  const from = props.standard.criteria.find(({ id }) => id === how.readingsOf)
  return t('grading.calculatedFromReadingsLabelSays', { label: from?.label, says: formulaById(how.formula)?.says, says2: says })
}
function found(row: (typeof rows.value)[number], side: 'left' | 'right'): string {
  const part =
    row.parts.find((candidate) => candidate.side === side) ??
    (side === 'left' ? row.parts.find((candidate) => candidate.side === 'whole') : undefined)
  if (!part || part.verdict === 'notAnswered') return ''
  if (part.level !== null) return String(part.level)
  if (part.basis === 'byEye') return 'eye'
  return part.valueMm === null ? '' : sayNumber(part.valueMm)
}
</script>

<template>
  <div>
    <div
      class="muted grid h-9 grid-cols-[20px_1fr_58px_34px_34px_86px] items-center gap-1 sm:grid-cols-[22px_1fr_76px_42px_42px_104px] sm:gap-2 border-b border-line px-3 sm:px-5"
    >
      <span /><span>{{ t('grading.mm2') }}</span
      ><span class="text-right">{{ t('grading.target') }}</span
      ><span class="text-right">{{ t('grading.left2') }}</span
      ><span class="text-right">{{ t('grading.right2') }}</span
      ><span>{{ t('grading.answer') }}</span>
    </div>
    <button
      v-if="!readonly && unanswered.length > 1"
      class="flex min-h-11 w-full items-center gap-2 border-b border-line px-3 text-left font-[650] text-act sm:px-5"
      data-station-quick
      @click="stationAsItShouldBe"
    >
      <span class="inline-block size-[18px] flex-none rounded-full border-2 border-act" />{{
        t('grading.allNHereTheyShould', { n: unanswered.length })
      }}
    </button>
    <div v-for="row in rows" :key="row.criterion.id" class="relative border-b border-line">
      <button
        v-if="!readonly && open !== row.criterion.id && !follows(row.criterion) && isOpenYet(row.criterion)"
        class="narrow absolute top-0 right-3 z-10 flex h-11 w-[86px] items-center gap-1.5 leading-[1.05] text-act sm:right-5 sm:w-[104px]"
        :data-quick="row.criterion.id"
        :aria-label="t('grading.labelShould', { label: row.criterion.label })"
        @click="asItShouldBe(row.criterion)"
      >
        <span class="inline-block size-[18px] flex-none rounded-full border-2 border-act" />{{ t('grading.should2') }}
      </button>
      <button
        class="grid min-h-11 w-full grid-cols-[20px_1fr_58px_34px_34px_86px] items-center gap-1 sm:grid-cols-[22px_1fr_76px_42px_42px_104px] sm:gap-2 px-3 py-1 sm:px-5"
        :class="
          open === row.criterion.id
            ? row.answer?.part.departure === 'long'
              ? 'bg-long-tint'
              : row.answer?.part.departure === 'short'
                ? 'bg-short-tint'
                : 'bg-well'
            : ''
        "
        :aria-expanded="open === row.criterion.id"
        :data-row="row.criterion.id"
        @click="$emit('open', row.criterion.id)"
      >
        <span class="numeral text-[20px]">{{ numbers.get(row.criterion.id) }}</span>
        <span class="narrow leading-[1.15]">{{ row.criterion.label }}</span>
        <span class="muted narrow text-right whitespace-nowrap">{{ target(row.criterion) }}</span>
        <span class="text-right">{{ found(row, 'left') }}</span>
        <span class="text-right">{{ found(row, 'right') }}</span>
        <span
          v-if="row.answer && (readonly || open === row.criterion.id || !isOpenYet(row.criterion) || follows(row.criterion))"
          class="narrow flex items-center gap-1.5 leading-[1.1]"
          :class="
            row.answer.part.departure === 'long'
              ? 'font-[650] text-long'
              : row.answer.part.departure === 'short'
                ? 'font-[650] text-short'
                : row.answer.part.verdict === 'meets'
                  ? 'text-act'
                  : ''
          "
          ><GlyphMark :name="glyphOfPart(row.answer.part)" :size="18" />{{ row.answer.word }}</span
        >
      </button>
      <template v-if="open === row.criterion.id">
        <p v-if="follows(row.criterion)" class="bg-plate px-5 py-3 leading-[1.3]">
          {{ sayFollows(row.criterion, row.parts) }}
        </p>
        <ul v-else-if="readonly" class="m-0 list-none bg-plate px-5 py-3 leading-[1.35]">
          <li v-for="part in row.parts" :key="part.side">
            {{ part.side === 'whole' ? '' : `${part.side}: ` }}{{ part.say
            }}<template v-if="part.overruled">{{
              t('grading.photographGaveNumberUnitOverruled', {
                number: sayNumber(part.overruled.value),
                unit: part.unit,
                reason: part.overruled.reason
              })
            }}</template
            ><span v-if="part.uMm" class="muted">{{
              t('grading.giveOrTakeNumberUnit', {
                number: giveOrTake(part.uMm),
                unit: part.unit,
                x: Math.round(100 * (part.conformity01 ?? 0))
              })
            }}</span>
          </li>
        </ul>
        <AnswerEditor
          v-else
          class="px-5!"
          :criterion="row.criterion"
          :answer="answers[row.criterion.id] ?? {}"
          :instruments="standard.instruments"
          @answer="(side, value) => $emit('answer', row.criterion.id, side, value)"
        />
      </template>
    </div>
  </div>
</template>
