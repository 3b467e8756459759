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
const apart = ({ worst }: Outcome) => (worst ? `${Math.abs(worst.lag.days)} days, ${placeName(worst.place).toLowerCase()}` : 'in step')
const inStep = ({ inStepFrom }: Outcome) =>
  inStepFrom === null ? 'not within four months' : inStepFrom === model.value!.today ? 'now' : sayDay(inStepFrom)
/** What it comes to, in one sentence. */
function says(one: Outcome): string {
  const isBare = one.warnings.some(({ kind }) => kind === 'goingBare')
  if (isBare) return `Goes bare on the way: ${percent(one.barest01)} shows no hair.`
  if (one.standingMm < leastMm.value)
    return `In step, but only ${Math.round(one.standingMm)} mm stand on the day; the trim asks for ${leastMm.value}.`
  if (one.worst) return `Still ${Math.abs(one.worst.lag.days)} days apart on ${sayDay(rhythm.value.aimDay)}.`
  return one.id === 'asPlanned'
    ? 'In step on the day.'
    : `In step from ${inStep(one)}, with ${Math.round(one.standingMm)} mm standing on the day.`
}
const onPlace = (one: Outcome, side: 'left' | 'right') => {
  const own = one.model.places.get(shownPlace.value)!
  const patch = own.sides.has(side) ? side : ('middle' as const)
  return stateAt(one.model, shownPlace.value, patch, rhythm.value.aimDay)
}
const rows = computed(() => [
  { name: 'Sides in step from', of: inStep },
  { name: `Furthest apart on ${sayDay(rhythm.value.aimDay)}`, of: apart },
  { name: 'The jacket stands at', of: (one: Outcome) => `${Math.round(one.standingMm)} mm` },
  {
    name: `${placeName(shownPlace.value)}, right and left`,
    of: (one: Outcome) => `${Math.round(onPlace(one, 'right').standingMm)} and ${Math.round(onPlace(one, 'left').standingMm)} mm`
  },
  { name: 'Shows no hair', of: (one: Outcome) => percent(one.empty01) },
  { name: 'Barest on the way', of: (one: Outcome) => percent(one.barest01) },
  { name: 'Soft', of: (one: Outcome) => percent(one.soft01) },
  { name: 'Evenness of what stands', of: (one: Outcome) => percent(one.evenness01) },
  {
    name: 'Visits',
    of: (one: Outcome) => one.sessions.map(({ day, side }) => `${sayDay(day)}${side === 'both' ? '' : ` (${side})`}`).join(', ') || 'none'
  }
])
const change = (at: number, event: Event) => compare(at, (event.target as HTMLSelectElement).value as WhatIfId)
</script>

<template>
  <main class="min-h-0 flex-1 overflow-y-auto p-3 sm:p-4" tabindex="0" aria-label="What if">
    <slot />
    <p class="finding finding-small">
      <template v-if="mends"
        ><b>{{ WHAT_IF_WORDS[mends.id] }}, {{ sayDay(rhythm.nextDay) }}:</b> the sides are in step from
        {{ sayDay(mends.inStepFrom!) }}.</template
      ><template v-else-if="compared[0]?.inStepFrom === model!.today">Both sides are in step; nothing has to be done otherwise.</template
      ><template v-else>Nothing tried here brings the sides into step sooner than the plan without going bare.</template>
    </p>
    <div class="mt-3 grid gap-4 lg:grid-cols-3">
      <section
        v-for="(one, at) in compared"
        :key="at"
        :class="['min-w-0 border-t-2 pt-2', mends?.id === one.id ? 'border-act' : 'border-ink']"
        :aria-label="WHAT_IF_WORDS[one.id]"
        :data-testid="`what-if-${one.id}`"
      >
        <label class="sr-only" :for="`if-${at}`">What if, {{ at + 1 }}</label>
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
              :label="`${page.dog.name}’s ${side} on ${sayDay(rhythm.aimDay)}`"
            />
            <figcaption class="caption text-center">{{ side }}, {{ Math.round(onPlace(one, side).standingMm) }} mm</figcaption>
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
    <p class="mt-3 leading-[1.35]">
      <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />Skin held tight, a few hairs, in the direction of growth; stop at a
      place when skin shows between the hairs. What hurts to pull is scissored instead and written as cut; a dog in distress has had enough,
      whatever is planned. Sore or red skin is left alone and seen by a vet.
    </p>
    <AgeLegend :is-dark="isDark" class="mt-3" />
    <h2 class="mt-4">What it is worked for</h2>
    <hr class="rule2 mt-1 mb-3" />
    <AimForm class="max-w-[640px]" :aim="page.aim" asks="stripped" :disabled="!session.isStaff" @keep="desk.keepAim" />
  </main>
</template>
