<script setup lang="ts">
import type { CoatPage } from '@peen/contract'
import { lastsAt, matMinutes, matWeeks, ownMatTime, tangleLadder, trimParts, type Rung } from '@peen/core/coat'
import { useClipboard } from '@vueuse/core'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// The longest trim that lasts this dog's interval, and what each longer one costs in minutes; with the words for its owner.
const props = defineProps<{ page: CoatPage; weeks: number; mmPerDay: number }>()
const { copy, copied, isSupported } = useClipboard({ legacy: true })
/** Combs and blades on this rack leave these; a ladder has few rungs. */
const MOST_RUNGS = 6
const parts = computed(() => trimParts(props.page.standard))
const coat = computed(() => props.page.dog.coatType ?? 'mixed')
const mats = computed(() => ownMatTime(matWeeks(coat.value, props.page.aim.brushing), props.page.tangles))
const minutes = computed(() => matMinutes(props.page.tangles))
const matted = computed(() => props.page.tangles.filter((one) => one.matted).length)
const caps = computed(() => {
  const longest = Math.max(...parts.value.map(({ targetMm }) => targetMm))
  const left = props.page.rack.flatMap(({ lengthMm }) => lengthMm ?? [])
  const below = [...new Set(left.map((mm) => Math.round(mm)))].filter((mm) => mm < longest && mm >= 3).sort((a, b) => b - a)
  const step = Math.max(1, Math.ceil(below.length / MOST_RUNGS))
  return below.filter((_, i) => i % step === 0 || i === below.length - 1)
})
const ladder = computed(() =>
  tangleLadder({ parts: parts.value, caps: caps.value, mats: mats.value, minutes: minutes.value }, props.weeks, props.mmPerDay)
)
const isFull = (rung: Rung) => rung === ladder.value.rungs[0]
const name = (rung: Rung) =>
  isFull(rung) ? t('coat.trimAsItIs', { mm: Math.round(rung.capMm) }) : t('coat.nothingLonger', { mm: Math.round(rung.capMm) })
/** the same words that are said to an owner */
const owner = computed(() => {
  const [full] = ladder.value.rungs
  const { best } = ladder.value
  const facts = { dog: props.page.dog.name, weeks: props.weeks, lasts: Math.max(1, Math.floor(full!.lastsWeeks)) }
  if (best && isFull(best)) return t('coat.ownerKeeps', facts)
  if (best) return t('coat.ownerShorter', { ...facts, mm: Math.round(best.capMm), minutes: full!.minutes })
  return t('coat.ownerSooner', facts)
})
const longestUnbrushed = computed(() =>
  Math.floor(lastsAt(mats.value.weeks, Math.max(...parts.value.map(({ targetMm }) => targetMm))) ?? 99)
)
</script>

<template>
  <section v-if="parts.length > 0" class="mt-6" :aria-label="t('coat.ifItMats')" data-testid="ladder">
    <h2>{{ t('coat.ifItMats') }}</h2>
    <hr class="rule2 mt-1" />
    <p class="mt-2 leading-[1.35]">
      {{ t('coat.cameMatted', { matted, of: page.tangles.length, weeks: longestUnbrushed }) }}
    </p>
    <table class="mt-1 w-full border-collapse text-left">
      <thead>
        <tr class="border-b border-line align-bottom">
          <th class="py-2 pr-3 font-[650]">{{ t('coat.howLong') }}</th>
          <th class="py-2 pr-3 text-right font-[650]">{{ t('coat.lastsHead') }}</th>
          <th class="py-2 text-right font-[650]">{{ t('coat.matsAfter', { weeks }) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="rung in ladder.rungs"
          :key="rung.capMm"
          :class="['border-b border-line', rung === ladder.best ? 'bg-act-tint font-[650]' : '']"
        >
          <td class="py-1.5 pr-3">
            <GlyphMark :name="rung.survives ? 'meets' : 'fails'" :size="16" class="mr-1.5 align-[-2px]" />{{ name(rung) }}
          </td>
          <td class="py-1.5 pr-3 text-right">{{ t('coat.weeksLong', { weeks: Math.floor(rung.lastsWeeks) }) }}</td>
          <td class="py-1.5 text-right">{{ t('coat.riskMinutes', { risk: Math.round(100 * rung.risk01), minutes: rung.minutes }) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="mt-3 font-[650]">{{ t('coat.tellOwner') }}</p>
    <p class="leading-[1.4]" data-testid="owner-words">{{ owner }}</p>
    <button v-if="isSupported" class="btn btn-quiet mt-2" @click="copy(owner)">{{ copied ? t('coat.copied') : t('coat.copyText') }}</button>
  </section>
</template>
