<script setup lang="ts">
import type { Answer, HandAnswer, SideAnswer, SideKey } from '@peen/core/grade'
import { sidesOf, unitOf } from '@peen/core/grade'
import type { Criterion, Instrument } from '@peen/core/standard'
import { HAIR_LENGTH_LIMITS_MM, giveOrTake, sayNumber, upperFirst } from '@peen/core/units'
import { formulaById } from '@peen/core/standard'
import { computed, ref, watch } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// One criterion, side by side: as it should be, measured by three readings, judged by its worded levels, or came in so.
const props = defineProps<{ criterion: Criterion; answer: Answer; instruments: readonly Instrument[] }>()
const emit = defineEmits<{ answer: [side: SideKey, value: SideAnswer | null] }>()

const sides = computed(() => sidesOf(props.criterion.how))
const sideNames: Record<SideKey, string> = { left: t('grading.leftCapital'), right: t('grading.rightCapital'), whole: '' }
const instrument = computed(() =>
  props.instruments.find((one) => 'instrument' in props.criterion.how && one.id === props.criterion.how.instrument)
)
/** The places a computed criterion is read at; three readings of one place for the others. */
const formula = computed(() => (props.criterion.how.kind === 'computed' ? (formulaById(props.criterion.how.formula) ?? null) : null))
const slots = computed(
  () =>
    formula.value?.inputs ??
    Array.from({ length: instrument.value?.readings ?? 3 }, (_, i) => ({
      id: String(i),
      name: t('grading.readingI', { i: i + 1 }),
      ...HAIR_LENGTH_LIMITS_MM
    }))
)
const sayReading = computed(() => {
  const { name, uMm, readings } = instrument.value!
  const how = formula.value
    ? t('grading.oneReadingEachPlace')
    : readings === 1
      ? t('grading.oneReading')
      : t('grading.readingsReadings', { readings: ['', '', 'Two', 'Three'][readings] ?? readings })
  return t('grading.howNameGiveOrTake', { how, name, uMm: giveOrTake(uMm) })
})
/** What a hand answered, beneath a reason or without one. */
function handOf(side: SideKey): HandAnswer | null {
  const given = props.answer[side]
  if (!given || given.kind === 'picture') return null
  return given.kind === 'overruled' ? given.instead : given
}
const pictureOf = (side: SideKey) => {
  const given = props.answer[side]
  return given?.kind === 'picture' ? given : given?.kind === 'overruled' ? given.measured : null
}
/** An answer by hand: over a picture it stands with the reason that was given for it. */
function give(side: SideKey, value: HandAnswer | null): void {
  const given = props.answer[side]
  if (given?.kind === 'overruled' && value) return emit('answer', side, { ...given, instead: value })
  if (given?.kind === 'picture') return
  emit('answer', side, value)
}
function overrule(side: SideKey): void {
  const measured = pictureOf(side)
  if (!measured || !why.value.trim()) return
  const { measure, pictureId, value, u, common } = measured
  emit('answer', side, {
    kind: 'overruled',
    reason: why.value.trim(),
    measured: { measure, pictureId, value, u, common },
    instead: { kind: 'asItShouldBe' }
  })
  overruling.value = null
}
const reasonOf = (side: SideKey) => {
  const given = props.answer[side]
  return given?.kind === 'overruled' ? given.reason : ''
}
const isMeasured = (side: SideKey) => props.answer[side]?.kind === 'picture'
const sayPicture = (side: SideKey) => {
  const measured = pictureOf(side)!
  return t('grading.measuredWithin', { value: sayNumber(measured.value), unit: unitOf(props.criterion.how), u: giveOrTake(measured.u) })
}
const texts = ref<Record<string, string[]>>({})
const excusing = ref<SideKey | null>(null)
/** a measured side that somebody means to answer otherwise: the reason comes first */
const overruling = ref<SideKey | null>(null)
const why = ref('')
const reason = ref('')
watch(
  () => props.criterion.id,
  () => {
    texts.value = Object.fromEntries(
      sides.value.map((side) => {
        const given = handOf(side)
        const got = (id: string, i: number) =>
          given?.kind === 'readings' ? given.mm[i] : given?.kind === 'inputs' ? given.values[id] : undefined
        return [side, slots.value.map(({ id }, i) => String(got(id, i) ?? ''))]
      })
    )
    excusing.value = null
    overruling.value = null
  },
  { immediate: true }
)
const empty = () => slots.value.map(() => '')
const problemOf = (text: string, i: number): string | null => {
  if (text.trim() === '') return null
  const value = Number(text.replace(',', '.'))
  const { low, high, name } = slots.value[i]
  if (formula.value) {
    const fits = Number.isFinite(value) && value >= low && value <= high
    return fits ? null : t('grading.nameTextMustLowHigh', { name: upperFirst(name), text, low, high })
  }
  if (!Number.isFinite(value)) return t('grading.textNotLengthMustLow', { text, low, high })
  if (value < low) return t('grading.textMmBelowZeroMust', { text, low, high })
  return value > high ? t('grading.textMmLongerThanAny', { text, high }) : null
}
const problems = computed(() =>
  Object.values(texts.value)
    .flatMap((own) => own.map(problemOf))
    .filter((problem) => problem !== null)
)
function type(side: SideKey, i: number, text: string): void {
  texts.value[side][i] = text
  const read = texts.value[side]
  if (read.some((one, k) => problemOf(one, k) !== null)) return
  const mm = read.filter((one) => one.trim() !== '').map((one) => Number(one.replace(',', '.')))
  // a formula waits until every place is read
  if (formula.value) {
    const values = Object.fromEntries(slots.value.map(({ id }, k) => [id, mm[k]]))
    return give(side, mm.length === slots.value.length ? { kind: 'inputs', values } : null)
  }
  give(side, mm.length > 0 ? { kind: 'readings', mm } : null)
}
function asItShouldBe(): void {
  for (const side of sides.value) {
    texts.value[side] = empty()
    give(side, { kind: 'asItShouldBe' })
  }
}
function clear(side: SideKey): void {
  texts.value[side] = empty()
  emit('answer', side, null)
}
function excuse(side: SideKey): void {
  if (!reason.value.trim()) return
  give(side, { kind: 'excused', reason: reason.value.trim() })
  excusing.value = null
}
const levelOf = (side: SideKey) => {
  const given = handOf(side)
  return given?.kind === 'level' ? given.level : given?.kind === 'asItShouldBe' ? 4 : null
}
const isEye = computed(() => sides.value.every((side) => handOf(side)?.kind === 'asItShouldBe'))
</script>

<template>
  <div class="bg-plate px-3 py-3" :data-editor="criterion.id">
    <p class="muted leading-[1.3]">
      {{ t('grading.wherePlace', { place: criterion.place }) }}
      <template v-if="instrument">{{ sayReading }}</template>
      <template v-if="formula">{{ t('grading.calculatedSays', { says: formula.says }) }}</template>
    </p>
    <button
      :class="['btn mt-2 min-h-11 w-full py-1 text-[16px]', isEye ? 'bg-ink text-sheet' : 'btn-quiet']"
      :aria-pressed="isEye"
      @click="asItShouldBe"
    >
      {{ t('grading.should') }}
    </button>
    <div v-for="side in sides" :key="side" class="mt-2.5">
      <div v-if="pictureOf(side)" class="mb-2 border-l-4 border-ink pl-3 leading-[1.3]" :data-measured="side">
        <b>{{ sideNames[side] ? t('grading.sidePhotograph', { side: sideNames[side] }) : t('grading.photograph') }}:</b>
        {{ sayPicture(side) }}
        <template v-if="answer[side]?.kind === 'overruled'"
          ><br />{{ t('grading.overruledSideAnswerBelowCounts', { side: reasonOf(side) }) }}</template
        >
        <button
          v-else-if="overruling !== side"
          class="btn btn-quiet mt-1 min-h-11 px-3 py-1 text-[16px] font-normal"
          @click="overruling = side"
        >
          {{ t('grading.overrule') }}
        </button>
        <form v-else class="mt-1 flex gap-2" @submit.prevent="overrule(side)">
          <input
            v-model="why"
            class="field"
            :aria-label="t('grading.reasonOverrulingPicture')"
            :placeholder="t('grading.feltHandLockStoodUp')"
            maxlength="200"
          /><button class="btn">{{ t('grading.overrule') }}</button>
        </form>
      </div>
      <template v-if="isMeasured(side)" />
      <template v-else-if="criterion.how.kind === 'judged'">
        <fieldset>
          <legend v-if="sideNames[side]" class="font-[650]">{{ sideNames[side] }}</legend>
          <button
            v-for="level in [4, 3, 2, 1, 0]"
            :key="level"
            :class="[
              'mt-1 flex min-h-11 w-full items-center gap-3 rounded-[4px] border px-3 py-1 leading-[1.2]',
              levelOf(side) === level ? 'border-ink bg-ink text-sheet' : 'border-hair'
            ]"
            :aria-pressed="levelOf(side) === level"
            @click="give(side, { kind: 'level', level })"
          >
            <span class="numeral text-[20px]">{{ level }}</span>{{ criterion.how.levels[level] }}
          </button>
        </fieldset>
      </template>
      <fieldset v-else-if="formula" class="grid gap-1.5">
        <legend v-if="sideNames[side]" class="font-[650]">{{ sideNames[side] }}</legend>
        <label v-for="(slot, i) in slots" :key="slot.id" class="grid grid-cols-[1fr_6.5rem] items-center gap-2 leading-[1.2]">
          {{ upperFirst(slot.name) }}
          <input
            class="field min-h-11 px-2 text-center"
            inputmode="decimal"
            :value="texts[side]?.[i]"
            :placeholder="slot.id === 'bands' ? t('grading.number') : t('grading.mm')"
            :aria-label="`${criterion.label} ${sideNames[side].toLowerCase()} ${slot.name}`"
            :aria-invalid="problemOf(texts[side]?.[i] ?? '', i) ? 'true' : undefined"
            @input="type(side, i, ($event.target as HTMLInputElement).value)"
          />
        </label>
      </fieldset>
      <div v-else class="grid grid-cols-[3.2rem_1fr] gap-2">
        <span class="pt-2.5 font-[650]">{{ sideNames[side] || t('grading.mm') }}</span>
        <span class="grid grid-cols-3 gap-2"
          ><input
            v-for="(slot, i) in slots"
            :key="slot.id"
            class="field min-h-11 px-2 text-center"
            inputmode="decimal"
            :value="texts[side]?.[i]"
            :aria-label="t('grading.labelSideReadingIMm', { label: criterion.label, side: sideNames[side].toLowerCase(), i: i + 1 })"
            :aria-invalid="problemOf(texts[side]?.[i] ?? '', i) ? 'true' : undefined"
            @input="type(side, i, ($event.target as HTMLInputElement).value)"
        /></span>
      </div>
      <div class="mt-1.5 flex flex-wrap gap-2">
        <button
          v-if="!isMeasured(side)"
          :class="['btn min-h-11 px-3 py-1 text-[16px] font-normal', handOf(side)?.kind === 'excused' ? 'bg-ink text-sheet' : 'btn-quiet']"
          @click="excusing = side"
        >
          <GlyphMark name="excused" :size="16" />{{
            t('grading.likeArrivalSide', { side: sideNames[side] ? `, ${sideNames[side].toLowerCase()}` : '' })
          }}
        </button>
        <button
          v-if="!isMeasured(side)"
          :class="[
            'btn min-h-11 px-3 py-1 text-[16px] font-normal',
            handOf(side)?.kind === 'instructor' ? 'bg-ink text-sheet' : 'btn-quiet'
          ]"
          @click="give(side, { kind: 'instructor' })"
        >
          {{ t('grading.finishedInstructor') }}
        </button>
        <button v-if="answer[side]" class="btn btn-quiet min-h-11 px-3 py-1 text-[16px] font-normal" @click="clear(side)">
          {{ t('grading.clear') }}
        </button>
      </div>
      <form v-if="excusing === side" class="mt-2 flex gap-2" @submit.prevent="excuse(side)">
        <input
          v-model="reason"
          class="field"
          :aria-label="t('grading.whatThereArrival')"
          :placeholder="t('grading.matCutOutMarch')"
          maxlength="200"
        /><button class="btn">{{ t('grading.save') }}</button>
      </form>
    </div>
    <p v-for="problem in problems" :key="problem!" class="mt-2 flex gap-2 leading-[1.3]" role="alert">
      <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}
    </p>
  </div>
</template>
