<script setup lang="ts">
import { sayUndone, whatFits, type Undone } from '@peen/core/coat'
import type { RegionId } from '@peen/core/regions'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// What a visit has left, side by side, and which of it the dog can still stand: pairs whole or not at all.
const props = defineProps<{ dog: string; undone: readonly Undone[]; minutes: number; outOfStep: readonly RegionId[] }>()
const fitting = computed(() => whatFits(props.undone, Math.min(600, Math.max(0, Math.floor(props.minutes))), new Set(props.outOfStep)))
/** places of one step in one line */
const lines = (undone: readonly Undone[]) => {
  const steps = new Map<string, string[]>()
  for (const one of undone) steps.set(one.label, [...(steps.get(one.label) ?? []), sayUndone(one)])
  return [...steps].map(([label, places]) => ({ label, places: places.join('; ') }))
}
const halves = computed(() => props.undone.filter(({ side }) => side === 'left' || side === 'right'))
</script>

<template>
  <div>
    <p v-if="undone.length === 0" class="flex gap-2"><GlyphMark name="meets" :size="18" class="mt-0.5" />{{ t('coat.trimComplete') }}</p>
    <template v-else>
      <p v-if="halves.length > 0" class="leading-[1.3] font-[650]">
        <GlyphMark name="fails" :size="17" class="mr-1 align-[-3px]" />{{
          t('coat.doneOneSideOnlyHalves', { halves: halves.map(sayUndone).join('; ') })
        }}
      </p>
      <template v-if="minutes >= 1">
        <h2 class="mt-2">{{ t('coat.fitsIntoMinutesMinutesLeft', { minutes: Math.floor(minutes), dog }) }}</h2>
        <p v-if="fitting.parts.length === 0" class="leading-[1.3]">{{ t('coat.thereNoTimeDoBoth') }}</p>
        <ul v-else class="row-rule m-0 list-none p-0" data-testid="fits">
          <li v-for="line in lines(fitting.parts)" :key="line.label" class="py-1 leading-[1.3]">
            <b>{{ line.label }}:</b> {{ line.places }}
          </li>
        </ul>
        <p v-if="fitting.parts.length > 0" class="muted">{{ t('coat.minutesMinutesPlanned', { minutes: fitting.minutes }) }}</p>
      </template>
      <template v-if="fitting.leaves.length > 0">
        <h2 class="mt-2">{{ minutes >= 1 ? t('coat.leftNextTime') : t('coat.nextVisitStartsHere') }}</h2>
        <ul class="row-rule m-0 list-none p-0">
          <li v-for="line in lines(fitting.leaves)" :key="line.label" class="py-1 leading-[1.3]">
            <b>{{ line.label }}:</b> {{ line.places }}
          </li>
        </ul>
      </template>
    </template>
  </div>
</template>
