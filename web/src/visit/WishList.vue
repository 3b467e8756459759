<script setup lang="ts">
import { houseRules } from '@peen/content'
import type { Wish } from '@peen/core/checkin'
import { REGIONS, regionName, type RegionId } from '@peen/core/regions'
import { WISH_LIMITS_MM } from '@peen/core/setup'
import { WORK_WISH_NAMES, workWishesFor, type Standard, type WorkWish } from '@peen/core/standard'
import { upperFirst } from '@peen/core/units'
import { computed, ref } from 'vue'
import { t } from '../words'

// What was asked for, and by whom: words, a length at a place, other work, or the other side of a house rule.
const props = defineProps<{ wishes: readonly Wish[]; standard: Standard; house: Readonly<Record<string, number>>; locked: boolean }>()
const emit = defineEmits<{ change: [wishes: readonly Wish[]] }>()

const ASKERS = [t('visit.owner'), t('visit.school'), t('visit.examiner')] as const
const what = ref('')
const askedBy = ref<string>(ASKERS[0])
const region = ref<RegionId | ''>('')
const mm = ref('')
const rule = ref('')
const work = ref<WorkWish | ''>('')
const works = computed(() => workWishesFor(props.standard))
const wrong = ref<string | null>(null)

/** every side that the school does not take */
const otherSides = computed(() =>
  houseRules.flatMap(({ id, question, sides }) =>
    sides.flatMap((name, side) => (side === (props.house[id] ?? 0) ? [] : [{ value: `${id}=${side}`, name: `${question}: ${name}` }]))
  )
)
function add(): void {
  const length = Number(mm.value.replace(',', '.'))
  if (region.value !== '' && !(mm.value.trim() !== '' && length >= WISH_LIMITS_MM.low && length <= WISH_LIMITS_MM.high)) {
    wrong.value = t('visit.lengthMmMustLowHigh', {
      mm: mm.value.trim() || t('visit.empty'),
      low: WISH_LIMITS_MM.low,
      high: WISH_LIMITS_MM.high
    })
    return
  }
  if (work.value === 'reset' && (what.value.trim() === '' || askedBy.value !== ASKERS[0])) {
    wrong.value = t('visit.coatComesOffOnlyIf')
    return
  }
  const [id, side] = rule.value.split('=')
  const said =
    what.value.trim() ||
    (work.value && upperFirst(WORK_WISH_NAMES[work.value])) ||
    (rule.value && otherSides.value.find(({ value }) => value === rule.value)!.name) ||
    (region.value && t('visit.regionLengthMm', { region: regionName(region.value), length }))
  if (!said) {
    wrong.value = t('visit.wishEmptyWriteWhatAsked')
    return
  }
  wrong.value = null
  emit('change', [
    ...props.wishes,
    {
      what: said,
      askedBy: askedBy.value,
      length: region.value === '' ? null : { region: region.value, mm: length },
      rule: rule.value === '' ? null : { id, side: Number(side) },
      ...(work.value === '' ? {} : { work: work.value })
    }
  ])
  what.value = ''
  mm.value = ''
  region.value = ''
  rule.value = ''
  work.value = ''
}
const saysMore = ({ what: said, length, rule: side, work: other }: Wish) => [
  ...(length ? [t('visit.regionMmMm', { region: regionName(length.region).toLowerCase(), mm: length.mm })] : []),
  ...(other && said.toLowerCase() !== WORK_WISH_NAMES[other] ? [WORK_WISH_NAMES[other]] : []),
  ...(side ? [houseRules.find(({ id }) => id === side.id)?.sides[side.side] ?? ''] : [])
]
</script>

<template>
  <section :aria-label="t('visit.wishes')">
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="(wish, i) in wishes" :key="i" class="flex min-h-12 items-center gap-3 py-1">
        <span class="flex-1 leading-[1.3]"
          ><b>{{ wish.what }}</b
          ><template v-if="saysMore(wish).length"> ({{ saysMore(wish).join(', ') }})</template>
          <span class="muted block">{{ t('visit.askedAskedBy', { askedBy: wish.askedBy }) }}</span></span
        >
        <button
          v-if="!locked"
          class="btn btn-quiet min-h-11 px-3 text-[16px]"
          :aria-label="t('visit.removeWhat', { what: wish.what })"
          @click="
            emit(
              'change',
              wishes.filter((_, k) => k !== i)
            )
          "
        >
          {{ t('visit.remove') }}
        </button>
      </li>
    </ul>
    <form v-if="!locked" class="mt-2 grid gap-2" novalidate @submit.prevent="add">
      <label class="label mb-0" for="wish-what">{{ t('visit.request') }}</label>
      <input id="wish-what" v-model="what" class="field" maxlength="200" />
      <div class="flex gap-2">
        <label class="min-w-0 flex-1"
          ><span class="muted">{{ t('visit.changesLength') }}</span>
          <select v-model="region" class="field h-12">
            <option value="">{{ t('visit.noPlace') }}</option>
            <option v-for="one in REGIONS" :key="one.id" :value="one.id">{{ one.name }}</option>
          </select></label
        >
        <label class="w-[104px]"
          ><span class="muted">{{ t('visit.mm') }}</span
          ><input v-model="mm" class="field" inputmode="decimal" :disabled="region === ''"
        /></label>
      </div>
      <label v-if="works.length"
        ><span class="muted">{{ t('visit.changesWork') }}</span>
        <select v-model="work" class="field h-12">
          <option value="">{{ t('visit.nothing') }}</option>
          <option v-for="one in works" :key="one" :value="one">{{ WORK_WISH_NAMES[one] }}</option>
        </select></label
      >
      <label
        ><span class="muted">{{ t('visit.reversesHouseRule') }}</span>
        <select v-model="rule" class="field h-12">
          <option value="">{{ t('visit.none') }}</option>
          <option v-for="one in otherSides" :key="one.value" :value="one.value">{{ one.name }}</option>
        </select></label
      >
      <label
        ><span class="muted">{{ t('visit.asked') }}</span>
        <select v-model="askedBy" class="field h-12">
          <option v-for="one in ASKERS" :key="one" :value="one">{{ one }}</option>
        </select></label
      >
      <p v-if="wrong" class="font-semibold text-danger" role="alert">{{ wrong }}</p>
      <button class="btn btn-quiet">{{ t('visit.addWish') }}</button>
    </form>
  </section>
</template>
