<script setup lang="ts">
import { placeName, withSessions, type CoatModel } from '@peen/core/coat'
import type { LateChoice, PlaceBack } from '@peen/core/plan'
import type { CoatPage } from '@peen/contract'
import { computed } from 'vue'
import FigurePicture from '../figure/FigurePicture.vue'
import { t } from '../words'
import { wornOn } from './ages'

// What can still be done where the last day is over: each way drawn as the dog would stand on the date.
const props = defineProps<{ page: CoatPage; model: CoatModel; late: readonly PlaceBack[]; aimDay: number; date: string; isDark: boolean }>()
const WAYS = ['leave', 'half', 'all'] as const
const NAMES: Readonly<Record<LateChoice['how'], string>> = {
  leave: t('coat.lateLeave'),
  half: t('coat.lateHalf'),
  all: t('coat.lateAll')
}
const dog = computed(() => ({ ...props.page.dog, colour: 'white', trim: props.page.standard.plan.drawnAs }))
const drawn = computed(() =>
  WAYS.map((how) => {
    const places = props.late.map(({ place }) => place)
    const model = how === 'leave' ? props.model : withSessions(props.model, [{ day: props.model.today, how, side: 'both', places }])
    const best = props.late.filter((one) => one.best === how).length
    return { how, best, worn: wornOn(model, props.aimDay, props.page.standard.plan.lengthsMm, 'ages', props.isDark) }
  })
)
/** another target: pulled bare today, the coat is at least so long on the date, nine times in ten */
const aims = computed(() =>
  props.late.map(({ place, mm, surelyMm }) => ({ place, mm, sureMm: Math.floor(surelyMm) })).filter(({ sureMm }) => sureMm > 0)
)
const aimed = computed(() => ({
  ...props.page.standard.plan.lengthsMm,
  ...Object.fromEntries(aims.value.map(({ place, sureMm }) => [place, sureMm]))
}))
const SHOWN = 4
</script>

<template>
  <section class="mt-6" :aria-label="t('coat.stillPossible')" data-testid="late">
    <h2 class="title">{{ t('coat.stillPossible') }}</h2>
    <hr class="rule2 mt-1 mb-3" />
    <div :class="['grid gap-4 sm:grid-cols-2', aims.length > 0 ? 'lg:grid-cols-4' : 'lg:grid-cols-3']">
      <figure v-for="one in drawn" :key="one.how" class="m-0">
        <div class="flex justify-center bg-plate p-1">
          <FigurePicture
            :dog="dog"
            :plan="page.standard.plan.lengthsMm"
            v-bind="one.worn"
            :width="200"
            :height="150"
            :label="t('coat.lateDrawn', { way: NAMES[one.how], date })"
          />
        </div>
        <figcaption class="mt-1 leading-[1.3]">
          <b>{{ NAMES[one.how] }}</b>
          <span class="muted block">{{ t('coat.lateBest', { count: one.best }) }}</span>
        </figcaption>
      </figure>
      <figure v-if="aims.length > 0" class="m-0" data-testid="aim-shorter">
        <div class="flex justify-center bg-plate p-1">
          <FigurePicture
            :dog="dog"
            :plan="page.standard.plan.lengthsMm"
            :lengths="aimed"
            :width="200"
            :height="150"
            :label="t('coat.lateDrawn', { way: t('coat.lateAim'), date })"
          />
        </div>
        <figcaption class="mt-1 leading-[1.3]">
          <b>{{ t('coat.lateAim') }}</b>
          <span v-for="{ place, mm, sureMm } in aims.slice(0, SHOWN)" :key="place" class="muted block">{{
            t('coat.aimShorter', { place: placeName(place), sureMm, mm })
          }}</span>
          <span v-if="aims.length > SHOWN" class="muted block">{{ t('coat.aimMore', { count: aims.length - SHOWN }) }}</span>
        </figcaption>
      </figure>
    </div>
    <p v-if="aims.length === 0" class="muted mt-3">{{ t('coat.noAim', { date }) }}</p>
  </section>
</template>
