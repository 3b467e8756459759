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
import FoundMarks from './FoundMarks.vue'
import PictureRow from './PictureRow.vue'
import PlaceFindings from './PlaceFindings.vue'
import type { useVisit } from './useVisit'
import WishList from './WishList.vue'
import { UNKNOWN_DOG } from '../composables/words'

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
    text: `${one.kind} skin at the ${sayPlaceOf(one.region, one.side)}`,
    combOut: null,
    drop: () => note({ skin: draft.value!.skin.filter((other) => other !== one) })
  }))
])
/** how far the picture can be trusted */
const grown = computed(() => {
  const { weeksSince } = draft.value!
  return weeksSince === null ? 'its weeks not known' : `${weeksSince} ${weeksSince === 1 ? 'week' : 'weeks'} grown`
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
        :caption="`${page.dog.name} as it came in, ${grown}, from the dog’s own ${side}.`"
        :label="`${page.dog.name}: where things were found`"
        @pick="pick"
      >
        <template #over="{ pxPerMm, centreOf }">
          <FoundMarks :coat="draft!.coat" :skin="draft!.skin" :side="side" :px-per-mm="pxPerMm" :centre-of="centreOf" />
        </template>
      </DogPlate>
      <div class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <SideButtons v-model="side" /><span class="muted">Touch a place to say what is there.</span>
      </div>
      <h2 class="mt-5">Found</h2>
      <hr class="rule2 mt-1" />
      <p v-if="lines.length === 0" class="muted mt-2">Nothing yet. Comb through, look at the skin, try a blade between the pads.</p>
      <ul class="row-rule m-0 list-none p-0" data-testid="findings">
        <li v-for="line in lines" :key="line.key" class="flex min-h-12 items-center gap-3">
          <span class="flex-1 first-letter:uppercase">{{ line.text }}</span>
          <button v-if="!locked && line.combOut" class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="line.combOut()">
            Combed out<span class="sr-only">: {{ line.text }}</span>
          </button>
          <button v-if="!locked" class="btn btn-quiet min-h-11 px-3 text-[16px]" :aria-label="`Take back: ${line.text}`" @click="line.drop">
            Take back
          </button>
        </li>
      </ul>
      <p v-for="stop in stops" :key="stop.say" class="mt-2 bg-danger-tint p-2 leading-[1.35] font-semibold text-danger">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ stop.say }}
      </p>
      <h2 class="mt-5">Photographs before</h2>
      <PictureRow
        class="mt-2"
        :visit-id="page.id"
        moment="before"
        :pictures="page.pictures"
        :earlier="page.earlier"
        @changed="visit.reload"
      />
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <h2 class="title">Ready to cut?</h2>
      <hr class="rule2 mt-2 mb-2" />
      <div data-testid="gate">
        <p v-if="ready.ready" class="font-[650]">
          <GlyphMark name="meets" :size="18" class="mr-1.5 align-[-3px]" />{{ page.readyBy }} says so: dry, combed to the skin.
        </p>
        <p v-for="what in ready.missing" :key="what" class="py-0.5 leading-[1.35] font-semibold text-danger">
          <GlyphMark name="hold" :size="17" class="mr-1 align-[-3px]" />{{ what }}
        </p>
      </div>
      <div v-if="session.isStaff && !locked" class="mt-1">
        <label class="flex min-h-11 items-center gap-3"><input v-model="dry" type="checkbox" class="size-6 accent-(--act)" />dry</label>
        <label class="flex min-h-11 items-center gap-3"
          ><input v-model="combed" type="checkbox" class="size-6 accent-(--act)" />combed to the skin, no mat where it is cut</label
        >
        <button class="btn btn-go mt-1 w-full" @click="sayReady(dry, combed)">I say so</button>
      </div>
      <p v-for="owed in page.owedBefore" :key="owed" class="mt-2 font-semibold text-danger">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />Nails owed from last time: {{ FOOT_NAMES[owed] }}.
      </p>
      <p v-if="page.lastTime" class="mt-2 leading-[1.35]"><b>Said last time:</b> {{ page.lastTime }}</p>
      <h2 class="mt-6 mb-2">At the place that is touched</h2>
      <PlaceFindings
        v-model:region="region"
        v-model:side="side"
        :coat="draft!.coat"
        :skin="draft!.skin"
        :locked="locked"
        @coat="(coat) => note({ coat })"
        @skin="(skin) => note({ skin })"
      />
      <h2 class="mt-6 mb-2">The visit</h2>
      <label class="label" for="weeks">Weeks since the last groom</label>
      <input
        id="weeks"
        class="field"
        inputmode="numeric"
        :value="draft!.weeksSince ?? ''"
        :disabled="locked"
        placeholder="not known"
        @change="weeks"
      />
      <p class="muted mt-1">{{ page.known ? 'Known: it stood on a table here before.' : UNKNOWN_DOG }}</p>
      <p class="label mt-3">What the trim is for</p>
      <ToggleButtons
        :options="FOR"
        :is-on="(purpose) => draft!.purpose === purpose"
        :disabled="locked"
        @toggle="(purpose) => note({ purpose })"
      />
      <p class="label mt-3">Nails owed</p>
      <ToggleButtons :options="NAILS" :is-on="(foot) => draft!.nailsOwed.includes(foot)" :disabled="locked" @toggle="toggleFoot" />
      <h2 class="mt-6 mb-1">Wishes, and who asked</h2>
      <WishList
        :wishes="draft!.wishes"
        :standard="page.standard"
        :house="page.house"
        :locked="locked"
        @change="(wishes) => note({ wishes })"
      />
    </aside>
  </div>
</template>
