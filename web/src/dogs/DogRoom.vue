<script setup lang="ts">
import { colourName } from '@peen/content'
import type { Lengths } from '@peen/core/figure'
import { standingOf } from '@peen/core/checkin'
import { regionName, type RegionId } from '@peen/core/regions'
import { sayLength, upperFirst, type LengthUnit } from '@peen/core/units'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import NotesPart from '../components/NotesPart.vue'
import SideButtons from '../components/SideButtons.vue'
import { doneIn } from '../components/visit-lines'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import DogPlate from '../figure/DogPlate.vue'
import type { PlateNote } from '../figure/plate-note'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

const props = defineProps<{ id: string }>()
const session = useSessionStore()
const { data, error, loading, reload } = useAsked('dog', () => ({ id: props.id }))
const lines = useAsked('visitsOfDog', () => ({ id: props.id }))
const did = computed(() => new Map((lines.data.value ?? []).map((line) => [line.visitId, doneIn(line)])))
const unit = useLocalStorage<LengthUnit>('peen.unit', 'mm')
const side = ref<'left' | 'right'>('left')
const wears = ref<'plan' | 'measured'>('plan')
const selected = ref<RegionId | null>('back')
const tried = ref<Partial<Record<RegionId, number>>>({})

const measured = computed<Lengths>(() =>
  Object.fromEntries(
    (data.value?.measured ?? [])
      .filter((found) => found.side === side.value || found.side === 'whole')
      .map((found) => [found.region, found.mm])
  )
)
// body regions that are not gauged on their own wear what was read on the back and ribs
const lengths = computed<Lengths>(() => {
  const plan = data.value?.worked.lengthsMm ?? {}
  if (wears.value === 'plan') return { ...plan, ...tried.value }
  const body = measured.value.back ?? plan.back
  return { ...plan, loin: body, croup: body, shoulder: measured.value.ribs ?? plan.shoulder, ...measured.value }
})
const hasMeasured = computed(() => Object.keys(measured.value).length > 0)
const sliderTop = computed(() =>
  selected.value ? Math.max(20, Math.round((data.value?.worked.lengthsMm[selected.value] ?? 10) * 1.9)) : 20
)

const NOTED: readonly RegionId[] = [
  'brow',
  'beard',
  'cheek',
  'neckSide',
  'back',
  'ribs',
  'skirt',
  'foreleg',
  'rearPastern',
  'tail',
  'earOutside'
]
const notes = computed<PlateNote[]>(() => {
  const plan = data.value?.worked.lengthsMm ?? {}
  return NOTED.map((region, i) => {
    const [now, planned] = [lengths.value[region] ?? 0, plan[region] ?? 0]
    const off = now - planned
    const differs = Math.abs(off) >= 0.5
    const burn = data.value?.dog.burns.find((place) => place.region === region)
    return {
      id: region,
      region,
      numeral: String(i + 1),
      heading: regionName(region),
      lines: [
        { text: sayLength(now, unit.value), bold: true, glyph: differs ? (off > 0 ? ('long' as const) : ('short' as const)) : undefined },
        ...(differs ? [{ text: t('dogs.plannedLength', { length: sayLength(planned, unit.value) }) }] : [])
      ],
      tone: differs ? (off > 0 ? ('long' as const) : ('short' as const)) : undefined,
      danger: burn ? t('dogs.burnedBeforeSide', { side: burn.side }) : undefined
    }
  })
})
function tryLength(event: Event): void {
  if (selected.value) tried.value = { ...tried.value, [selected.value]: Number((event.target as HTMLInputElement).value) }
}
</script>

<template>
  <TopLine :what="data ? t('dogs.nameCoatCoat', { name: data.dog.name, coat: data.dog.coat }) : t('dogs.dog')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_360px] lg:overflow-hidden">
    <main class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <DogPlate
        :dog="{ ...data.dog, trim: data.plan.drawnAs }"
        :plan="data.worked.lengthsMm"
        :lengths="lengths"
        :notes="notes"
        :selected="selected"
        :mirrored="side === 'right'"
        :shows-departures="true"
        :height="560"
        :caption="
          t('dogs.nameColourWithersMmMmWears', {
            name: data.dog.name,
            colour: colourName(data.dog.colour),
            withersMm: data.dog.withersMm,
            wears: wears === 'plan' ? t('dogs.planned') : t('dogs.lastMeasured'),
            side
          })
        "
        :label="t('dogs.nameDrawnTrueScale', { name: data.dog.name })"
        @pick="(region) => (selected = region)"
      />
      <div class="mt-3 flex flex-wrap gap-2">
        <SideButtons v-model="side" />
        <span class="w-4" />
        <button
          :class="['btn', wears === 'plan' ? 'bg-ink text-sheet' : 'btn-quiet']"
          :aria-pressed="wears === 'plan'"
          @click="wears = 'plan'"
        >
          {{ t('dogs.planned2') }}
        </button>
        <button
          v-if="hasMeasured"
          :class="['btn', wears === 'measured' ? 'bg-ink text-sheet' : 'btn-quiet']"
          :aria-pressed="wears === 'measured'"
          @click="wears = 'measured'"
        >
          {{ t('dogs.lastMeasured2') }}
        </button>
        <span class="w-4" />
        <RouterLink :to="`/dogs/${id}/adviser`" class="btn btn-quiet">{{ t('dogs.toolsPlace') }}</RouterLink>
        <RouterLink :to="`/coat/${id}`" class="btn btn-quiet">{{ t('dogs.coatOverTime') }}</RouterLink>
        <RouterLink v-if="session.isStaff" :to="`/dogs/${id}/profile`" class="btn btn-quiet">{{ t('dogs.aboutDog2') }}</RouterLink>
        <button class="btn btn-quiet" @click="unit = unit === 'mm' ? 'in' : 'mm'">
          {{ t('dogs.lengthsUnit', { unit: unit === 'mm' ? t('dogs.inches') : t('dogs.mm') }) }}
        </button>
      </div>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <h2 class="title">{{ data.dog.name }}</h2>
      <hr class="rule2 mt-2.5 mb-3" />
      <p class="leading-[1.35]">
        {{
          t('dogs.temperamentDislikesDislikesUpCanStandMin', {
            temperament: upperFirst(data.dog.temperament),
            dislikes: data.dog.dislikes,
            canStandMin: data.dog.canStandMin
          })
        }}<template v-if="data.dog.ownerGivenName">
          {{ t('dogs.ownerOwnerGivenName', { ownerGivenName: data.dog.ownerGivenName }) }}</template
        >
      </p>
      <p v-if="data.dog.standing" class="mt-2 leading-[1.35] font-semibold text-danger">
        <GlyphMark name="hold" :size="17" class="mr-1 align-[-3px]" />{{ standingOf(data.dog.name, data.dog.standing)?.say }}
      </p>
      <p v-for="burn in data.dog.burns" :key="burn.region" class="mt-2 leading-[1.35] font-semibold text-danger">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{
          t('dogs.burnedBeforeSideRegionUse', { side: burn.side, region: regionName(burn.region).toLowerCase() })
        }}
      </p>
      <template v-if="selected && wears === 'plan'">
        <h2 class="mt-5">{{ regionName(selected) }}: {{ sayLength(lengths[selected] ?? 0, unit) }}</h2>
        <label class="muted mt-1 block" for="length">{{
          t('dogs.previewLongerOrShorterPlan', { length: sayLength(data.worked.lengthsMm[selected] ?? 0, unit) })
        }}</label>
        <input
          id="length"
          class="slider mt-2 h-11 w-full"
          type="range"
          min="0.5"
          :max="sliderTop"
          step="0.5"
          :value="lengths[selected] ?? 0"
          @input="tryLength"
        />
        <button v-if="Object.keys(tried).length" class="btn btn-quiet mt-1" @click="tried = {}">{{ t('dogs.backPlan') }}</button>
      </template>
      <h2 class="title mt-6">{{ t('dogs.visits') }}</h2>
      <hr class="rule2 mt-2.5" />
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="visit in data.visits.slice(0, 12)" :key="visit.visitId + visit.gradingId" class="leading-[1.3]">
          <RouterLink
            :to="visit.gradingId ? `/trims/${visit.gradingId}` : `/table/${visit.visitId}`"
            class="flex min-h-11 flex-col justify-center py-1.5 no-underline"
            ><span
              ><b>{{ sayDate(visit.onDate, session.school?.now) }}</b
              >, {{ visit.apprentice }}<span v-if="visit.gradingId">{{ t('dogs.graded') }}</span></span
            ><span v-for="item in visit.checkIn.excused" :key="item.region" class="muted block"
              ><GlyphMark name="excused" :size="16" class="mr-1 align-[-2px]" />{{ item.reason }}</span
            ><span v-if="did.get(visit.visitId)" class="muted block">{{ did.get(visit.visitId) }}</span></RouterLink
          >
        </li>
      </ul>
      <NotesPart :id="id" about="dog" class="mt-6" />
    </aside>
  </div>
</template>

<style scoped>
.slider {
  accent-color: var(--act);
}
</style>
