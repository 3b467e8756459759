<script setup lang="ts">
import { adviceRules } from '@peen/content'
import { advise, shortChoice } from '@peen/core/advice'
import {
  bladeNow,
  dayOf,
  growthOf,
  lengthsThen,
  matRisk,
  sayDay,
  sayGrowth,
  sidesOf,
  stateAt,
  trimInterval,
  trimParts
} from '@peen/core/coat'
import { regionName, type RegionId } from '@peen/core/regions'
import { burnedMmAt, factsAt } from '@peen/core/setup'
import { computed, ref, watch } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import LengthSlider from '../components/LengthSlider.vue'
import DogPlate from '../figure/DogPlate.vue'
import { useSessionStore } from '../stores/session'
import AimForm from './AimForm.vue'
import TangleLadder from './TangleLadder.vue'
import { isWritten } from './ages'
import { growthOn, sayWeeks } from './interval'
import type { CoatDesk } from './useCoat'
import { t } from '../words'

// When the trim comes back: lengths then, mats, the longest interval, and which tool now so that it is still right then.
const props = defineProps<{ desk: CoatDesk }>()
const { data, model, today, keepAim, isStripped } = props.desk
const session = useSessionStore()
const page = computed(() => data.value!)
const MOST_WEEKS = 16
const weeks = ref(6)
watch(
  () => page.value.aim.nextOn,
  (on) => {
    if (on) weeks.value = Math.min(MOST_WEEKS, Math.max(1, Math.round((dayOf(on) - today.value) / 7)))
  },
  { immediate: true }
)
const parts = computed(() => trimParts(page.value.standard))
/** the last time any place of the trim was cut, by its book */
const cutDay = computed(() => {
  const days = parts.value.flatMap(({ region }) =>
    [...(model.value!.places.get(region)?.sides.values() ?? [])].flatMap(({ acts }) =>
      acts.filter(({ act }) => act.kind === 'cut').map(({ day }) => day)
    )
  )
  return days.length === 0 ? null : Math.max(...days)
})
const sinceWeeks = computed(() => (cutDay.value === null ? 0 : (today.value - cutDay.value) / 7))
/** what stands today, by its book; the trim's own length where nobody wrote of the place */
const nowMm = (region: RegionId, targetMm: number) => {
  if (!isWritten(model.value!, region)) return targetMm
  const all = sidesOf(region).map((side) => stateAt(model.value!, region, side, today.value).standingMm)
  return all.reduce((sum, mm) => sum + mm, 0) / all.length
}
const growthAt = (region: RegionId) => growthOn(model.value!, region)
const coat = computed(() => page.value.dog.coatType ?? 'mixed')
const interval = computed(() => trimInterval(parts.value, coat.value, page.value.aim.brushing, growthAt))
const then = computed(() =>
  lengthsThen(
    parts.value.map((part) => ({ ...part, targetMm: nowMm(part.region, part.targetMm) })),
    weeks.value,
    growthAt
  )
)
const risk = computed(() => matRisk(coat.value, Math.min(104, weeks.value + sinceWeeks.value), page.value.aim.brushing))
const riskWord = computed(() =>
  risk.value < 0.2
    ? t('coat.hardlyAnyMats')
    : risk.value < 0.5
      ? t('coat.someMats')
      : risk.value < 0.75
        ? t('coat.matsMoreLikelyThanNot')
        : t('coat.matsAlmostCertain')
)
const blades = computed(() =>
  parts.value.map((part) => {
    const { dog, house, rack } = page.value
    const { burns } = dog
    const facts = factsAt(part.region, 'both', { facts: new Set([...dog.facts, 'known', 'combed'] as const), burns })
    const burnedMm = burnedMmAt(part.region, 'both', burns)
    const plannedMm = page.value.written.plan.lengthsMm[part.region] ?? part.targetMm
    const { ranked } = advise(adviceRules, { region: part.region, plannedMm, burnedMm, coat: coat.value, facts, house, rack })
    const measured = ranked.filter(({ lengthMm }) => lengthMm !== null)
    return { part, byHand: measured.length === 0, found: bladeNow(part, weeks.value, growthAt(part.region), measured) }
  })
)
const lengths = computed(() => {
  const grown = growthOf([]).mmPerDay * 7 * weeks.value
  const plan = page.value.standard.plan.lengthsMm
  const worn = Object.fromEntries(Object.entries(plan).map(([region, mm]) => [region, Math.min(300, mm + grown)]))
  for (const one of then.value) worn[one.region] = one.thenMm
  return worn
})
const selected = ref<RegionId | null>(null)
</script>

<template>
  <main
    class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_520px] lg:overflow-hidden"
    :aria-label="t('coat.nextVisit')"
    tabindex="0"
  >
    <div class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <slot />
      <p v-if="interval" class="finding finding-small">
        {{ t('coat.back') }} <b>{{ t('coat.idealWeeks', { ideal: sayWeeks(interval).ideal }) }}</b>
        {{ t('coat.bestFairAcceptable', { fair: sayWeeks(interval).fair }) }}
        <b>{{ t('coat.longestMost', { longest: sayWeeks(interval).longest }) }}</b>:
        <template v-if="interval.ends === 'mats'">{{ t('coat.afterMats') }}</template><template v-else>{{
          t('coat.thenFirstHasGrownOut', { first: regionName(interval.first).toLowerCase() })
        }}</template>
      </p>
      <p v-if="interval && cutDay !== null" class="mt-1 leading-[1.35]">
        {{ t('coat.lastCutDayIdeallyBack', { day: sayDay(cutDay) }) }} <b>{{ sayDay(cutDay + Math.round(7 * interval.idealWeeks)) }}</b>{{
          t('coat.latestDay', { day: sayDay(cutDay + Math.round(7 * interval.longestWeeks)) })
        }}
      </p>
      <p v-if="isStripped" class="muted mt-1">
        {{ t('coat.strippedCoatKeptRollingNot') }}
      </p>
      <DogPlate
        class="mt-2"
        :dog="{ ...page.dog, trim: page.standard.plan.drawnAs }"
        :plan="page.standard.plan.lengthsMm"
        :lengths="lengths"
        :shows-departures="true"
        :selected="selected"
        :lists-rest="false"
        :height="400"
        :caption="t('coat.dogInWeeks', { name: page.dog.name, weeks, day: sayDay(today + 7 * weeks) })"
        :label="t('coat.nameWillLookWeeksWeeks', { name: page.dog.name, weeks })"
        @pick="(region) => (selected = region)"
      />
      <LengthSlider
        id="weeks"
        :name="t('coat.comesBackIn')"
        :value="weeks"
        :low="1"
        :high="MOST_WEEKS"
        :step="1"
        :unit="weeks === 1 ? t('coat.week') : t('coat.weeks')"
        @move="(value) => (weeks = value)"
      />
      <p class="mt-1 leading-[1.35]">
        <b>{{ riskWord[0].toUpperCase() + riskWord.slice(1) }}</b>{{
          t('coat.risk100CoatsLikeMatted', { risk: Math.round(risk * 100), growth: sayGrowth(growthAt(parts[0]?.region ?? 'back')) })
        }}
      </p>
      <TangleLadder :page="page" :weeks="weeks" :mm-per-day="growthAt(parts[0]?.region ?? 'back').mmPerDay" />
      <h2 class="mt-6">{{ t('coat.homeCareVisits') }}</h2>
      <hr class="rule2 mt-1 mb-3" />
      <AimForm class="max-w-[640px]" :aim="page.aim" asks="pet" :disabled="!session.isStaff" @keep="keepAim" />
    </div>
    <section
      class="border-line bg-sheet p-4 max-lg:border-t sm:px-6 lg:overflow-y-auto lg:border-l"
      tabindex="0"
      :aria-label="t('coat.lengthsThen')"
    >
      <h2 class="title">{{ t('coat.namePlacePlace', { name: page.standard.name }) }}</h2>
      <hr class="rule2 mt-2" />
      <p v-if="parts.length === 0" class="mt-3">{{ t('coat.trimHasNoLengths') }}</p>
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="(one, i) in then" :key="one.region" :class="['py-2 leading-[1.3]', selected === one.region ? 'bg-well' : '']">
          <p class="flex justify-between gap-3">
            <b>{{ regionName(one.region) }}</b>
            <span :class="one.isGrownOut ? 'font-[650] text-long' : ''"
              ><GlyphMark v-if="one.isGrownOut" name="long" :size="16" class="mr-1 align-[-2px]" />{{
                t('coat.nowMmMmTodayThenMmMm', { nowMm: Math.round(one.nowMm), thenMm: Math.round(one.thenMm) })
              }}</span
            >
          </p>
          <p class="muted">
            {{
              t('coat.betweenIntervalInterval2MmIsGrownOut', {
                interval: Math.round(one.interval[0]),
                interval2: Math.round(one.interval[1]),
                isGrownOut: one.isGrownOut ? t('coat.overgrown') : t('coat.grownOut'),
                grownOutMm: parts[i].grownOutMm
              })
            }}
          </p>
          <p>
            <template v-if="blades[i].found"
              >{{ t('coat.cutToday') }} <b>{{ shortChoice(blades[i].found!.choice) }}</b>{{
                t('coat.lengthMmMmThenMmMmThen', {
                  lengthMm: blades[i].found!.choice.lengthMm,
                  thenMm: Math.round(blades[i].found!.thenMm)
                })
              }}</template
            ><template v-else-if="blades[i].byHand">{{
              t('coat.handLeaveXMmMost', { x: Math.max(0, Math.round(parts[i].grownOutMm - (one.thenMm - one.nowMm))) })
            }}</template
            ><template v-else
              ><b>{{ t('coat.noToolLeavesLengthLasts') }}</b></template
            >
          </p>
        </li>
      </ul>
      <p class="muted mt-3 leading-[1.3]">
        {{ t('coat.chanceMatsOurEstimateEach') }}
      </p>
    </section>
  </main>
</template>
