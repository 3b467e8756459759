<script setup lang="ts">
import { giveOrTake } from '@peen/core/units'
import { unitOf } from '@peen/core/grade'
import { MEASURE_IDS, measureSpec, type MeasureId } from '@peen/core/measure'
import { REGIONS } from '@peen/core/regions'
import { FORMULAS, formulaById, STATIONS, type Criterion, type FormulaId, type How, type Standard } from '@peen/core/standard'
import { computed } from 'vue'
import { STATION_WORDS } from '../composables/outcomes'
import BandPicture from './BandPicture.vue'
import { computedBy, howOf } from './criterion-parts'
import NumberBox from './NumberBox.vue'
import { t } from '../words'

// One criterion, every part of it. What is typed goes into the draft at once; a number that is none says so beside its field.
const props = defineProps<{ standard: Standard; criterion: Criterion; at: number | null }>()
const emit = defineEmits<{ change: [criterion: Criterion] }>()
const KINDS: readonly [How['kind'], string][] = [
  ['length', t('library.lengthReadGauge')],
  ['measured', t('library.differenceMeasured')],
  ['computed', t('library.calculatedFromReadings')],
  ['difference', t('library.leftComparedRight')],
  ['judged', t('library.judgedFiveLevels')]
]
const how = computed(() => props.criterion.how)
const put = (part: Partial<Criterion>) => emit('change', { ...props.criterion, ...part })
const putHow = (part: Record<string, unknown>) => put({ how: { ...how.value, ...part } as How })
type End = 'band' | 'limit'
const putEnd = (which: End, i: 0 | 1, value: number | null) => {
  if (how.value.kind === 'judged') return
  const old = how.value[which]
  putHow({ [which]: i === 0 ? [value, old[1]] : [old[0], value] })
}
const pairs = computed(() => props.standard.criteria.filter((one) => one.how.kind === 'length' && one.how.sides === 'pair'))
const formula = computed(() => (how.value.kind === 'computed' ? formulaById(how.value.formula) : undefined))
const putKind = (kind: How['kind']) => put({ how: howOf(kind, props.standard, how.value) })
function putFormula(id: FormulaId): void {
  if (how.value.kind !== 'computed') return
  put({ how: computedBy(id, how.value.sides, how.value.instrument, how.value) })
}
/** what a photograph can be measured for in this criterion's unit */
const onPictures = computed(() =>
  MEASURE_IDS.map(measureSpec).filter(
    ({ unit }) => how.value.kind !== 'length' && (how.value.kind === 'judged' || unit === unitOf(how.value))
  )
)
function putPicture(id: string): void {
  const { picture: _gone, ...rest } = props.criterion
  emit('change', id === '' ? rest : { ...rest, picture: id as MeasureId })
}
const text = (event: Event) => (event.target as HTMLInputElement).value
const levelNames = ['0', '1', '2', '3', t('library.n4Should')]
const putLevel = (i: number, value: string) => {
  if (how.value.kind !== 'judged') return
  const levels = Array.from({ length: 5 }, (_, k) => how.value.kind === 'judged' && (k === i ? value : (how.value.levels[k] ?? '')))
  putHow({ levels })
}
</script>

<template>
  <div class="grid gap-3 bg-plate px-4 py-4 sm:grid-cols-2" :data-criterion-form="criterion.id">
    <BandPicture v-if="how.kind !== 'judged'" class="sm:col-span-2" :standard="standard" :criterion="criterion" :at="at" />
    <label class="sm:col-span-2"
      ><span class="label">{{ t('library.name') }}</span
      ><input class="field" :value="criterion.label" maxlength="80" @change="put({ label: text($event) })"
    /></label>
    <label
      ><span class="label">{{ t('library.howAnswered') }}</span>
      <select class="field h-12" :value="how.kind" @change="putKind(text($event) as How['kind'])">
        <option v-for="[kind, name] in KINDS" :key="kind" :value="kind">{{ name }}</option>
      </select></label
    >
    <label v-if="how.kind === 'computed'"
      ><span class="label">{{ t('library.calculated') }}</span>
      <select class="field h-12" :value="how.formula" @change="putFormula(text($event) as FormulaId)">
        <option v-for="one in FORMULAS" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select></label
    >
    <label v-else-if="how.kind === 'difference'"
      ><span class="label">{{ t('library.comparesTwoSides') }}</span>
      <select class="field h-12" :value="how.of" @change="putHow({ of: text($event) })">
        <option v-for="one in pairs" :key="one.id" :value="one.id">{{ one.label }}</option>
      </select></label
    >
    <label v-else
      ><span class="label">{{ t('library.sides') }}</span>
      <select class="field h-12" :value="how.sides" @change="putHow({ sides: text($event) })">
        <option value="single">{{ t('library.once') }}</option>
        <option value="pair">{{ t('library.leftRightHalfWeightEach') }}</option>
      </select></label
    >
    <label v-if="onPictures.length" class="sm:col-span-2"
      ><span class="label">{{ t('library.photograph') }}</span>
      <select class="field h-12" :value="criterion.picture ?? ''" @change="putPicture(text($event))">
        <option value="">{{ t('library.notReadFromPhotograph') }}</option>
        <option v-for="one in onPictures" :key="one.id" :value="one.id">
          {{ one.name }}, {{ one.view === 'head' ? t('library.headFromFront') : t('library.profile') }}
        </option>
      </select></label
    >
    <p v-if="formula" class="muted sm:col-span-2">{{ t('library.saysUnit', { says: formula.says, unit: formula.unit }) }}</p>
    <template v-if="how.kind === 'length' || how.kind === 'measured'">
      <NumberBox :label="t('library.targetMm')" :value="how.targetMm" :low="0" :high="300" @put="(value) => putHow({ targetMm: value })" />
      <NumberBox
        v-if="how.kind === 'length'"
        :label="t('library.grownOutMm')"
        :value="how.grownOutMm"
        :low="0"
        :high="600"
        @put="(value) => putHow({ grownOutMm: value })"
      />
      <span v-else />
    </template>
    <template v-if="how.kind === 'computed'">
      <NumberBox
        :label="t('library.targetUnit', { unit: formula?.unit ?? '' })"
        :value="how.target"
        :low="-1000"
        :high="1000"
        @put="(value) => putHow({ target: value })"
      />
      <span />
      <NumberBox
        v-for="input in formula?.inputs ?? []"
        :key="input.id"
        :label="t('library.typicalName', { name: input.name })"
        :value="how.typical[input.id] ?? 0"
        :low="input.low"
        :high="input.high"
        @put="(value) => how.kind === 'computed' && putHow({ typical: { ...how.typical, [input.id]: value } })"
      />
    </template>
    <template v-if="how.kind !== 'judged'">
      <NumberBox
        :label="t('library.fullMarksFrom')"
        :value="how.band[0]"
        :low="-1000"
        :high="1000"
        open
        @put="(value) => putEnd('band', 0, value)"
      />
      <NumberBox
        :label="t('library.fullMarks')"
        :value="how.band[1]"
        :low="-1000"
        :high="1000"
        open
        @put="(value) => putEnd('band', 1, value)"
      />
      <NumberBox
        :label="t('library.noMarksBelow')"
        :value="how.limit[0]"
        :low="-2000"
        :high="2000"
        open
        @put="(value) => putEnd('limit', 0, value)"
      />
      <NumberBox
        :label="t('library.noMarksAbove')"
        :value="how.limit[1]"
        :low="-2000"
        :high="2000"
        open
        @put="(value) => putEnd('limit', 1, value)"
      />
    </template>
    <label v-if="'instrument' in how"
      ><span class="label">{{ t('library.instrument') }}</span>
      <select class="field h-12" :value="how.instrument" @change="putHow({ instrument: text($event) })">
        <option v-for="one in standard.instruments" :key="one.id" :value="one.id">
          {{ t('library.nameGiveOrTakeUMm', { name: one.name, uMm: giveOrTake(one.uMm), readings: one.readings }) }}
        </option>
      </select></label
    >
    <template v-if="how.kind === 'judged'">
      <label v-for="i in [4, 3, 2, 1, 0]" :key="i" class="sm:col-span-2"
        ><span class="label">{{ t('library.levelI', { i: levelNames[i] }) }}</span
        ><input class="field" :value="how.levels[i] ?? ''" maxlength="160" @change="putLevel(i, text($event))"
      /></label>
    </template>
    <NumberBox
      :label="t('library.weight')"
      :value="criterion.weight"
      :low="-100"
      :high="1000"
      @put="(value) => put({ weight: value ?? 0 })"
    />
    <label
      ><span class="label">{{ t('library.section') }}</span>
      <select class="field h-12" :value="criterion.section" @change="put({ section: text($event) })">
        <option v-for="section in standard.sections" :key="section.id" :value="section.id">{{ section.name }}</option>
      </select></label
    >
    <label
      ><span class="label">{{ t('library.seenFrom') }}</span>
      <select class="field h-12" :value="criterion.station" @change="put({ station: text($event) as Criterion['station'] })">
        <option v-for="station in STATIONS" :key="station" :value="station">{{ STATION_WORDS[station] }}</option>
      </select></label
    >
    <label
      ><span class="label">{{ t('library.placeDog') }}</span>
      <select class="field h-12" :value="criterion.region" @change="put({ region: text($event) as Criterion['region'] })">
        <option v-for="region in REGIONS" :key="region.id" :value="region.id">{{ region.name }}</option>
      </select></label
    >
    <label class="sm:col-span-2"
      ><span class="label">{{ t('library.whereExactly') }}</span
      ><input class="field" :value="criterion.place" maxlength="120" @change="put({ place: text($event) })"
    /></label>
    <template v-if="how.kind === 'measured' || how.kind === 'computed'">
      <label class="sm:col-span-2"
        ><span class="label">{{
          t('library.faultWordingKindReplacedNumber', { kind: how.kind === 'measured' ? t('library.mm') : t('library.value') })
        }}</span
        ><input class="field" :value="how.fault" maxlength="200" @change="putHow({ fault: text($event) })"
      /></label>
    </template>
    <template v-if="'mend' in how">
      <label class="sm:col-span-2"
        ><span class="label">{{ t('library.howCorrect') }}</span
        ><input class="field" :value="how.mend" maxlength="200" @change="putHow({ mend: text($event) })"
      /></label>
      <label class="flex min-h-11 items-center gap-3 sm:col-span-2"
        ><input
          type="checkbox"
          class="size-6"
          :checked="how.mendNow"
          @change="putHow({ mendNow: ($event.target as HTMLInputElement).checked })"
        />{{ t('library.canCorrectedDay') }}</label
      >
    </template>
    <label class="sm:col-span-2"
      ><span class="label">{{ t('library.praiseWhenMet') }}</span
      ><input class="field" :value="criterion.praise" maxlength="160" @change="put({ praise: text($event) })"
    /></label>
  </div>
</template>
