<script setup lang="ts">
import type { VisitPage } from '@peen/contract'
import { FEET, FOOT_NAMES, PURPOSES, readyToCut, sayFinding, sayPlaceOf, skinStops, type Foot } from '@peen/core/checkin'
import type { RegionId } from '@peen/core/regions'
import { computed, ref } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import SideButtons from '../components/SideButtons.vue'
import ToggleButtons from '../components/ToggleButtons.vue'
import DogPlate from '../figure/DogPlate.vue'
import { useSessionStore } from '../stores/session'
import LetterPart from './LetterPart.vue'
import { lettersOf } from './letters'
import FoundMarks from './FoundMarks.vue'
import PictureRow from './PictureRow.vue'
import PlaceFindings from './PlaceFindings.vue'
import type { useVisit } from './useVisit'
import WishList from './WishList.vue'
import { UNKNOWN_DOG } from '../composables/words'
import { t } from '../words'

// What the dog came in with: touched on the drawn dog, said beside it; then somebody says that it is ready to cut.
const props = defineProps<{ page: VisitPage; visit: ReturnType<typeof useVisit> }>()
const session = useSessionStore()
const FOR = PURPOSES.map((id) => ({ id, name: id }))
const NAILS = FEET.map((id) => ({ id, name: FOOT_NAMES[id] }))
const region = ref<RegionId>('ribs')
const side = ref<'left' | 'right'>('left')
const { draft, found, plan, cameIn, note, sayReady } = props.visit
const locked = computed(() => props.page.closing !== null)
const ready = computed(() => readyToCut(found.value!))
const stops = computed(() => skinStops(draft.value!.skin))
const dry = ref(props.page.found.gate?.dry ?? false)
const combed = ref(props.page.found.gate?.combed ?? false)
const lines = computed(() => [
  ...draft.value!.coat.map((one) => ({
    key: `c${one.kind}${one.region}${one.side}`,
    text: sayFinding(one),
    /** a mat that is out stays on record: it came in with the dog */
    combOut:
      one.kind === 'mat' && !one.combedOutAt
        ? () =>
            note({ coat: draft.value!.coat.map((other) => (other === one ? { ...one, combedOutAt: new Date().toISOString() } : other)) })
        : null,
    drop: () => note({ coat: draft.value!.coat.filter((other) => other !== one) })
  })),
  ...draft.value!.skin.map((one) => ({
    key: `s${one.kind}${one.region}${one.side}`,
    text: t('visit.kindSkinPlaceOf', { kind: one.kind, placeOf: sayPlaceOf(one.region, one.side) }),
    combOut: null,
    drop: () => note({ skin: draft.value!.skin.filter((other) => other !== one) })
  }))
])
/** how far the picture can be trusted */
const grown = computed(() => {
  const { weeksSince } = draft.value!
  return weeksSince === null ? t('visit.weeksNotKnown') : t('visit.weeksOfGrowth', { weeks: weeksSince })
})
function pick(at: RegionId): void {
  region.value = at
}
function toggleFoot(foot: Foot): void {
  const { nailsOwed } = draft.value!
  void note({ nailsOwed: nailsOwed.includes(foot) ? nailsOwed.filter((one) => one !== foot) : [...nailsOwed, foot] })
}
function weeks(event: Event): void {
  const text = (event.target as HTMLInputElement).value.trim()
  void note({ weeksSince: text === '' ? null : Number(text) })
}
</script>

<template>
  <div class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_400px] lg:overflow-hidden">
    <main class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <slot />
      <DogPlate
        :dog="{ ...page.dog, trim: page.standard.plan.drawnAs }"
        :plan="plan"
        :lengths="cameIn"
        :selected="region"
        :mirrored="side === 'right'"
        :height="470"
        :caption="t('visit.nameArrivalGrownFromDogs', { name: page.dog.name, grown, side })"
        :label="t('visit.nameWhereThingsWereFound', { name: page.dog.name })"
        @pick="pick"
      >
        <template #over="{ pxPerMm, centreOf }">
          <FoundMarks :coat="draft!.coat" :skin="draft!.skin" :side="side" :px-per-mm="pxPerMm" :centre-of="centreOf" />
        </template>
      </DogPlate>
      <div class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <SideButtons v-model="side" /><span class="muted">{{ t('visit.touchPlaceSayWhatThere') }}</span>
      </div>
      <h2 class="mt-5">{{ t('visit.found') }}</h2>
      <hr class="rule2 mt-1" />
      <p v-if="lines.length === 0" class="muted mt-2">{{ t('visit.nothingYetCombThroughLook') }}</p>
      <ul class="row-rule m-0 list-none p-0" data-testid="findings">
        <li v-for="line in lines" :key="line.key" class="flex min-h-12 items-center gap-3">
          <span class="flex-1 first-letter:uppercase">{{ line.text }}</span>
          <button v-if="!locked && line.combOut" class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="line.combOut()">
            {{ t('visit.combedOut') }}<span class="sr-only">: {{ line.text }}</span>
          </button>
          <button
            v-if="!locked"
            class="btn btn-quiet min-h-11 px-3 text-[16px]"
            :aria-label="t('visit.removeText', { text: line.text })"
            @click="line.drop"
          >
            {{ t('visit.remove') }}
          </button>
        </li>
      </ul>
      <p v-for="stop in stops" :key="stop.say" class="mt-2 bg-danger-tint p-2 leading-[1.35] font-semibold text-danger">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ stop.say }}
      </p>
      <h2 class="mt-5">{{ t('visit.photographsBefore') }}</h2>
      <PictureRow
        class="mt-2"
        :visit-id="page.id"
        moment="before"
        :pictures="page.pictures"
        :earlier="page.earlier"
        :has-camera="page.hasCamera"
        @changed="visit.reload"
      />
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <h2 class="title">{{ t('visit.readyCut') }}</h2>
      <hr class="rule2 mt-2 mb-2" />
      <div data-testid="gate">
        <p v-if="ready.ready" class="font-[650]">
          <GlyphMark name="meets" :size="18" class="mr-1.5 align-[-3px]" />{{
            t('visit.confirmedReadyByDryCombedSkin', { readyBy: page.readyBy })
          }}
        </p>
        <p v-for="what in ready.missing" :key="what" class="py-0.5 leading-[1.35] font-semibold text-danger">
          <GlyphMark name="hold" :size="17" class="mr-1 align-[-3px]" />{{ what }}
        </p>
      </div>
      <div v-if="session.isStaff && !locked" class="mt-1">
        <label class="flex min-h-11 items-center gap-3"
          ><input v-model="dry" type="checkbox" class="size-6 accent-(--act)" />{{ t('visit.dry') }}</label
        >
        <label class="flex min-h-11 items-center gap-3"
          ><input v-model="combed" type="checkbox" class="size-6 accent-(--act)" />{{ t('visit.combedSkinNoMatWhere') }}</label
        >
        <button class="btn btn-go mt-1 w-full" @click="sayReady(dry, combed)">{{ t('visit.confirmReady') }}</button>
      </div>
      <p v-for="owed in page.owedBefore" :key="owed" class="mt-2 font-semibold text-danger">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ t('visit.nailsLeftFromLastTime', { owed: FOOT_NAMES[owed] }) }}
      </p>
      <p v-if="page.lastTime" class="mt-2 leading-[1.35]">
        <b>{{ t('visit.saidLastTime') }}</b> {{ page.lastTime }}
      </p>
      <h2 class="mt-6 mb-2">{{ t('visit.selectedPlace') }}</h2>
      <PlaceFindings
        v-model:region="region"
        v-model:side="side"
        :coat="draft!.coat"
        :skin="draft!.skin"
        :locked="locked"
        @coat="(coat) => note({ coat })"
        @skin="(skin) => note({ skin })"
      />
      <h2 class="mt-6 mb-2">{{ t('visit.visit') }}</h2>
      <label class="label" for="weeks">{{ t('visit.weeksSinceLastGroom') }}</label>
      <input
        id="weeks"
        class="field"
        inputmode="numeric"
        :value="draft!.weeksSince ?? ''"
        :disabled="locked"
        :placeholder="t('visit.notKnown')"
        @change="weeks"
      />
      <p class="muted mt-1">{{ page.known ? t('visit.knownDogHasBeenHere') : UNKNOWN_DOG }}</p>
      <p class="label mt-3">{{ t('visit.whatTrim') }}</p>
      <ToggleButtons
        :options="FOR"
        :is-on="(purpose) => draft!.purpose === purpose"
        :disabled="locked"
        @toggle="(purpose) => note({ purpose })"
      />
      <p class="label mt-3">{{ t('visit.nailsLeftDo') }}</p>
      <ToggleButtons :options="NAILS" :is-on="(foot) => draft!.nailsOwed.includes(foot)" :disabled="locked" @toggle="toggleFoot" />
      <h2 class="mt-6 mb-1">{{ t('visit.wishesWhoAsked') }}</h2>
      <WishList
        :wishes="draft!.wishes"
        :standard="page.standard"
        :house="page.house"
        :locked="locked"
        @change="(wishes) => note({ wishes })"
      />
      <LetterPart v-if="session.isStaff && !page.begun && !page.closing" :letters="lettersOf(page)" />
    </aside>
  </div>
</template>
