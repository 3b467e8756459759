<script setup lang="ts">
import { GIVE_OR_TAKE } from '@peen/core/units'
import type { CoatPage } from '@peen/contract'
import {
  ACT_KINDS,
  daysOfGap,
  HOLE_CAUSES,
  isPaired,
  placeName,
  PULLS,
  type CoatAct,
  type CoatEntry,
  type HoleCause,
  type CoatPlace,
  type Pull
} from '@peen/core/coat'
import { computed, reactive, ref } from 'vue'
import { v7 } from 'uuid'
import ToggleButtons from '../components/ToggleButtons.vue'
import { ACT_WORDS, CAUSE_WORDS, PULL_WORDS } from './words'
import { t } from '../words'

// A new line for the places that were touched: what was done, how much, when, whose hands.
const props = defineProps<{ page: CoatPage; places: readonly CoatPlace[]; side: 'left' | 'right' | 'both'; mmPerDay: number }>()
const emit = defineEmits<{ write: [entries: readonly CoatEntry[]] }>()
const kind = ref<CoatAct['kind']>('pulled')
const draft = reactive({
  on: props.page.today,
  how: 'lightRoll' as Pull,
  toMm: '3.2',
  widthMm: '30',
  cause: 'matCut' as HoleCause,
  mm: '',
  within: '1.4',
  olderOn: '',
  newerOn: '',
  hands: ''
})
const wrong = ref<string | null>(null)
const KINDS = ACT_KINDS.map((id) => ({ id, name: ACT_WORDS[id] }))
const HOWS = PULLS.map((id) => ({ id, name: PULL_WORDS[id] }))
/** so many weeks lie between the two pulls, by this dog's rate: a gap that cannot be is seen before it is written */
const gapWeeks = computed(() => (Number(draft.mm) > 0 ? Math.round(daysOfGap(Number(draft.mm), props.mmPerDay) / 7) : null))
const where = computed(() => props.places.map((place) => placeName(place).toLowerCase()).join(', '))

function act(): CoatAct | string {
  const number = (label: string, value: string) =>
    value.trim() === '' || !Number.isFinite(Number(value))
      ? t('coat.labelValueMustNumberMm', { label, value: value || t('coat.missing') })
      : Number(value)
  if (kind.value === 'pulled') return { kind: 'pulled', how: draft.how }
  if (kind.value === 'carded') return { kind: 'carded' }
  if (kind.value === 'cut') {
    const toMm = number(t('coat.cut'), draft.toMm)
    return typeof toMm === 'string' ? toMm : { kind: 'cut', toMm }
  }
  if (kind.value === 'hole') {
    const widthMm = number(t('coat.width'), draft.widthMm)
    return typeof widthMm === 'string' ? widthMm : { kind: 'hole', widthMm, cause: draft.cause }
  }
  const mm = number(kind.value === 'gap' ? t('coat.gap') : t('coat.length'), draft.mm)
  if (typeof mm === 'string') return mm
  if (kind.value === 'gap') return { kind: 'gap', mm, olderOn: draft.olderOn, newerOn: draft.newerOn }
  const within = number(t('coat.giveOrTakeMm'), draft.within)
  return typeof within === 'string' ? within : { kind: 'length', mm, uMm: within / GIVE_OR_TAKE }
}
function write(): void {
  const done = act()
  wrong.value = typeof done === 'string' ? done : props.places.length === 0 ? t('coat.touchPlaceDogFirst') : null
  if (wrong.value !== null) return
  emit(
    'write',
    props.places.map((place) => ({
      id: v7(),
      on: draft.on,
      place,
      side: isPaired(place) ? props.side : 'middle',
      act: done as CoatAct,
      hands: draft.hands || null
    }))
  )
}
</script>

<template>
  <form novalidate @submit.prevent="write">
    <h2>{{ t('coat.addWhatDone') }}</h2>
    <p class="muted leading-[1.3]">{{ places.length ? t('coat.where', { where }) : t('coat.touchPlacesDog') }}</p>
    <ToggleButtons class="mt-2" :options="KINDS" :is-on="(id) => kind === id" @toggle="(id) => (kind = id)" />
    <div v-if="kind === 'pulled'" class="mt-2">
      <span class="label">{{ t('coat.howMuchStandingCoatLongest') }}</span>
      <ToggleButtons :options="HOWS" :is-on="(id) => draft.how === id" @toggle="(id) => (draft.how = id)" />
    </div>
    <div v-else-if="kind === 'cut'" class="mt-2">
      <label class="label" for="to-mm">{{ t('coat.cutMm') }}</label><input
        id="to-mm"
        v-model="draft.toMm"
        class="field"
        inputmode="decimal"
      />
    </div>
    <div v-else-if="kind === 'hole'" class="mt-2 grid grid-cols-2 gap-3">
      <div>
        <label class="label" for="width">{{ t('coat.widthMm') }}</label><input
          id="width"
          v-model="draft.widthMm"
          class="field"
          inputmode="numeric"
        />
      </div>
      <div>
        <label class="label" for="cause">{{ t('coat.from') }}</label><select id="cause" v-model="draft.cause" class="field">
          <option v-for="cause in HOLE_CAUSES" :key="cause" :value="cause">{{ CAUSE_WORDS[cause] }}</option>
        </select>
      </div>
    </div>
    <div v-else-if="kind === 'length'" class="mt-2 grid grid-cols-2 gap-3">
      <div>
        <label class="label" for="mm">{{ t('coat.lengthMm') }}</label><input id="mm" v-model="draft.mm" class="field" inputmode="decimal" />
      </div>
      <div>
        <label class="label" for="u">{{ t('coat.giveOrTakeMm') }}</label><input
          id="u"
          v-model="draft.within"
          class="field"
          inputmode="decimal"
        />
      </div>
    </div>
    <div v-else-if="kind === 'gap'" class="mt-2 grid grid-cols-3 gap-3">
      <div>
        <label class="label" for="gap">{{ t('coat.apartMm') }}</label><input
          id="gap"
          v-model="draft.mm"
          class="field"
          inputmode="decimal"
        />
      </div>
      <div>
        <label class="label" for="older">{{ t('coat.longerPulled') }}</label><input
          id="older"
          v-model="draft.olderOn"
          class="field px-2"
          type="date"
        />
      </div>
      <div>
        <label class="label" for="newer">{{ t('coat.shorterPulled') }}</label><input
          id="newer"
          v-model="draft.newerOn"
          class="field px-2"
          type="date"
        />
      </div>
    </div>
    <p v-if="kind === 'gap' && gapWeeks !== null" class="muted mt-1">
      {{ t('coat.pullsAreApart', { weeks: gapWeeks }) }}
    </p>
    <div class="mt-2 grid grid-cols-2 gap-3">
      <div>
        <label class="label" for="on">{{ t('coat.on') }}</label><input
          id="on"
          v-model="draft.on"
          class="field"
          type="date"
          :max="page.today"
        />
      </div>
      <div>
        <label class="label" for="hands">{{ t('coat.whoseHands') }}</label><select id="hands" v-model="draft.hands" class="field">
          <option value="">{{ t('coat.notKnown') }}</option>
          <option v-for="person in page.people" :key="person.id" :value="person.id">{{ person.name }}</option>
        </select>
      </div>
    </div>
    <p v-if="wrong" class="mt-2 font-[650]" role="alert">{{ wrong }}</p>
    <button class="btn btn-go mt-3 w-full" :disabled="places.length === 0">{{ t('coat.addBook') }}</button>
  </form>
</template>
