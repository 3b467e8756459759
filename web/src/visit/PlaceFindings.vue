<script setup lang="ts">
import {
  COAT_FINDINGS,
  COAT_FINDING_NAMES,
  FINDING_WIDTH_MM,
  SKIN_FINDINGS,
  SKIN_FINDING_NAMES,
  STOPPING_SKIN,
  type CoatFinding,
  type CoatFindingKind,
  type SkinFinding,
  type SkinFindingKind
} from '@peen/core/checkin'
import { REGIONS, type RegionId } from '@peen/core/regions'
import { ref, watch } from 'vue'
import ToggleButtons from '../components/ToggleButtons.vue'
import { isSided } from './useVisit'
import { t } from '../words'

// What is found at the place that was touched: in the coat with its width, on the skin by kind.
const props = defineProps<{ coat: readonly CoatFinding[]; skin: readonly SkinFinding[]; locked: boolean }>()
const region = defineModel<RegionId>('region', { required: true })
const side = defineModel<'left' | 'right'>('side', { required: true })
const emit = defineEmits<{ coat: [coat: readonly CoatFinding[]]; skin: [skin: readonly SkinFinding[]] }>()

const COAT = COAT_FINDINGS.map((id) => ({ id, name: COAT_FINDING_NAMES[id] }))
const SKIN = SKIN_FINDINGS.map((id) => ({ id, name: SKIN_FINDING_NAMES[id], glyph: STOPPING_SKIN.has(id) ? ('danger' as const) : null }))
const widthMm = ref(30)
const here = () => (isSided(region.value) ? side.value : 'both')
const isHere = (one: { readonly region: RegionId; readonly side: string }) => one.region === region.value && one.side === here()
const coatHere = (kind: CoatFindingKind) => props.coat.find((one) => one.kind === kind && isHere(one))
const skinHere = (kind: SkinFindingKind) => props.skin.find((one) => one.kind === kind && isHere(one))
watch(
  () => [region.value, side.value],
  () => {
    const known = props.coat.find(isHere)
    if (known) widthMm.value = known.widthMm
  },
  { immediate: true }
)

function toggleCoat(kind: CoatFindingKind): void {
  const known = coatHere(kind)
  const rest = props.coat.filter((one) => one !== known)
  emit('coat', known ? rest : [...rest, { kind, region: region.value, side: here(), widthMm: widthMm.value }])
}
function toggleSkin(kind: SkinFindingKind): void {
  const known = skinHere(kind)
  const rest = props.skin.filter((one) => one !== known)
  emit('skin', known ? rest : [...rest, { kind, region: region.value, side: here() }])
}
function widen(by: number): void {
  const { low, high } = FINDING_WIDTH_MM
  widthMm.value = Math.min(high, Math.max(low, widthMm.value + by))
  if (props.coat.some(isHere))
    emit(
      'coat',
      props.coat.map((one) => (isHere(one) ? { ...one, widthMm: widthMm.value } : one))
    )
}
</script>

<template>
  <section :aria-label="t('visit.findingsPlace')">
    <div class="flex gap-2">
      <div class="min-w-0 flex-1">
        <label class="muted block" for="found-place">{{ t('visit.place') }}</label>
        <select id="found-place" v-model="region" class="field mt-1 h-12 w-full">
          <option v-for="one in REGIONS" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
      </div>
      <div v-if="isSided(region)" class="w-[116px]">
        <label class="muted block" for="found-side">{{ t('visit.side') }}</label>
        <select id="found-side" v-model="side" class="field mt-1 h-12 w-full">
          <option value="left">{{ t('visit.left') }}</option>
          <option value="right">{{ t('visit.right') }}</option>
        </select>
      </div>
    </div>
    <p class="label mt-3">{{ t('visit.coat') }}</p>
    <ToggleButtons :options="COAT" :is-on="(kind) => coatHere(kind) !== undefined" :disabled="locked" @toggle="toggleCoat" />
    <div class="mt-2 flex items-center gap-2" role="group" :aria-label="t('visit.widthAcross')">
      <button class="btn btn-quiet min-h-11 w-12 px-0" :aria-label="t('visit.n5MmLess')" :disabled="locked" @click="widen(-5)">−</button>
      <span class="min-w-[120px] text-center">{{ t('visit.widthMmMmAcross', { widthMm }) }}</span>
      <button class="btn btn-quiet min-h-11 w-12 px-0" :aria-label="t('visit.n5MmMore')" :disabled="locked" @click="widen(5)">+</button>
    </div>
    <p class="label mt-3">{{ t('visit.skin') }}</p>
    <ToggleButtons :options="SKIN" :is-on="(kind) => skinHere(kind) !== undefined" :disabled="locked" @toggle="toggleSkin" />
  </section>
</template>
