<script setup lang="ts">
import { placeName, sayDay, stateAt, WHAT_IFS, type Outcome, type WhatIfId } from '@peen/core/coat'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import FigurePicture from '../figure/FigurePicture.vue'
import { useSessionStore } from '../stores/session'
import AgeLegend from './AgeLegend.vue'
import AimForm from './AimForm.vue'
import { wornOn } from './ages'
import { WHAT_IF_WORDS, type CoatDesk } from './useCoat'
import { t } from '../words'

// Up to three ways to go on, side by side, each with the dog as it would stand on the day that counts.
const props = defineProps<{ desk: CoatDesk }>()
const { data, rhythm, compared, chosen, compare, mends, leastMm, shownPlace, model } = props.desk
const session = useSessionStore()
const page = computed(() => data.value!)
const isDark = document.documentElement.classList.contains('dark')
const plan = computed(() => page.value.standard.plan.lengthsMm)
const dog = computed(() => ({ ...page.value.dog, colour: 'white', trim: page.value.standard.plan.drawnAs }))
const worn = (one: Outcome) => wornOn(one.model, rhythm.value.aimDay, plan.value, 'ages', isDark)
const percent = (share: number) => `${Math.round(share * 100)} %`
const apart = ({ worst }: Outcome) =>
  worst ? t('coat.daysDaysPlace', { days: Math.abs(worst.lag.days), place: placeName(worst.place).toLowerCase() }) : t('coat.step')
const inStep = ({ inStepFrom }: Outcome) =>
  inStepFrom === null ? t('coat.notWithinFourMonths') : inStepFrom === model.value!.today ? 'now' : sayDay(inStepFrom)
/** What it comes to, in one sentence. */
function says(one: Outcome): string {
  const isBare = one.warnings.some(({ kind }) => kind === 'goingBare')
  if (isBare) return t('coat.leavesBarePatchesBarest01Without', { barest01: percent(one.barest01) })
  if (one.standingMm < leastMm.value)
    return t('coat.stepButOnlyStandingMmMm', { standingMm: Math.round(one.standingMm), leastMm: leastMm.value })
  if (one.worst) return t('coat.stillDaysDaysApartDay', { days: Math.abs(one.worst.lag.days), day: sayDay(rhythm.value.aimDay) })
  return one.id === 'asPlanned'
    ? t('coat.stepDate')
    : t('coat.stepFromOneStandingMmMm', { one: inStep(one), standingMm: Math.round(one.standingMm) })
}
const onPlace = (one: Outcome, side: 'left' | 'right') => {
  const own = one.model.places.get(shownPlace.value)!
  const patch = own.sides.has(side) ? side : ('middle' as const)
  return stateAt(one.model, shownPlace.value, patch, rhythm.value.aimDay)
}
const rows = computed(() => [
  { name: t('coat.sidesStepFrom'), of: inStep },
  { name: t('coat.furthestApartDay', { day: sayDay(rhythm.value.aimDay) }), of: apart },
  { name: t('coat.jacketLength'), of: (one: Outcome) => t('coat.standingMmMm', { standingMm: Math.round(one.standingMm) }) },
  {
    name: t('coat.shownPlaceRightLeft', { shownPlace: placeName(shownPlace.value) }),
    of: (one: Outcome) =>
      t('coat.standingMmStandingMm2Mm', {
        standingMm: Math.round(onPlace(one, 'right').standingMm),
        standingMm2: Math.round(onPlace(one, 'left').standingMm)
      })
  },
  { name: t('coat.bare'), of: (one: Outcome) => percent(one.empty01) },
  { name: t('coat.barestWay'), of: (one: Outcome) => percent(one.barest01) },
  { name: t('coat.soft'), of: (one: Outcome) => percent(one.soft01) },
  { name: t('coat.evennessCoat'), of: (one: Outcome) => percent(one.evenness01) },
  {
    name: t('coat.visits'),
    of: (one: Outcome) => one.sessions.map(({ day, side }) => `${sayDay(day)}${side === 'both' ? '' : ` (${side})`}`).join(', ') || 'none'
  }
])
const change = (at: number, event: Event) => compare(at, (event.target as HTMLSelectElement).value as WhatIfId)
</script>

<template>
  <main class="min-h-0 flex-1 overflow-y-auto p-3 sm:p-4" tabindex="0" :aria-label="t('coat.comparePlans')">
    <slot />
    <p class="finding finding-small">
      <template v-if="mends"
        ><b>{{ WHAT_IF_WORDS[mends.id] }}, {{ sayDay(rhythm.nextDay) }}:</b>
        {{ t('coat.sidesStepFromDay', { day: sayDay(mends.inStepFrom!) }) }}</template
      ><template v-else-if="compared[0]?.inStepFrom === model!.today">{{ t('coat.bothSidesStepCarryPlanned') }}</template
      ><template v-else>{{ t('coat.noPlanTriedHereBrings') }}</template>
    </p>
    <div class="mt-3 grid gap-4 lg:grid-cols-3">
      <section
        v-for="(one, at) in compared"
        :key="at"
        :class="['min-w-0 border-t-2 pt-2', mends?.id === one.id ? 'border-act' : 'border-ink']"
        :aria-label="WHAT_IF_WORDS[one.id]"
        :data-testid="`what-if-${one.id}`"
      >
        <label class="sr-only" :for="`if-${at}`">{{ t('coat.comparePlans2', { at: at + 1 }) }}</label>
        <select :id="`if-${at}`" class="field font-[650]" :value="chosen[at]" @change="change(at, $event)">
          <option v-for="id in WHAT_IFS" :key="id" :value="id">{{ WHAT_IF_WORDS[id] }}</option>
        </select>
        <div class="mt-2 grid grid-cols-2 gap-1 bg-plate p-1">
          <figure v-for="side in ['right', 'left'] as const" :key="side" class="m-0">
            <FigurePicture
              :dog="dog"
              :plan="plan"
              v-bind="worn(one)"
              :mirrored="side === 'right'"
              :width="186"
              :height="140"
              :label="t('coat.nameSSideDay', { name: page.dog.name, side, day: sayDay(rhythm.aimDay) })"
            />
            <figcaption class="caption text-center">
              {{ t('coat.sideStandingMmMm', { side, standingMm: Math.round(onPlace(one, side).standingMm) }) }}
            </figcaption>
          </figure>
        </div>
        <p class="mt-2 flex min-h-[44px] gap-2 leading-[1.3] font-[650]">
          <GlyphMark
            :name="one.worst || one.standingMm < leastMm || one.warnings.some(({ kind }) => kind === 'goingBare') ? 'fails' : 'meets'"
            :size="19"
            class="mt-0.5"
          />{{ says(one) }}
        </p>
        <dl class="row-rule mt-1 mb-0">
          <div v-for="row in rows" :key="row.name" class="flex justify-between gap-3 py-1 leading-[1.3]">
            <dt class="muted">{{ row.name }}</dt>
            <dd class="m-0 text-right font-[650]">{{ row.of(one) }}</dd>
          </div>
        </dl>
      </section>
    </div>
    <p class="mt-3 leading-[1.35]"><GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ t('coat.holdSkinTightPullFew') }}</p>
    <AgeLegend :is-dark="isDark" class="mt-3" />
    <h2 class="mt-4">{{ t('coat.whatCoatKept') }}</h2>
    <hr class="rule2 mt-1 mb-3" />
    <AimForm class="max-w-[640px]" :aim="page.aim" asks="stripped" :disabled="!session.isStaff" @keep="desk.keepAim" />
  </main>
</template>
