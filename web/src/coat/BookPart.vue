<script setup lang="ts">
import type { BookLine } from '@peen/contract'
import { placeName, shownAt, STRIPS, type CoatEntry, type CoatPlace } from '@peen/core/coat'
import type { RegionId } from '@peen/core/regions'
import { computed, ref } from 'vue'
import { sayDate } from '../composables/words'
import ToggleButtons from '../components/ToggleButtons.vue'
import DogPlate from '../figure/DogPlate.vue'
import type { PlateNote } from '../figure/plate-note'
import { useSessionStore } from '../stores/session'
import { wornOn } from './ages'
import EntryForm from './EntryForm.vue'
import type { CoatDesk } from './useCoat'
import { sayAct, sayPlaces, SOURCE_WORDS, together } from './words'
import { t } from '../words'

// The coat book: touched on the figure, read below, every line with whose hands and where it comes from.
const props = defineProps<{ desk: CoatDesk }>()
const { data, model, today, shownPlace, place, write, strike, unstrike } = props.desk
const session = useSessionStore()
const page = computed(() => data.value!)
const side = ref<'left' | 'right' | 'both'>('both')
const places = ref<readonly CoatPlace[]>([])
const only = ref(true)
const SIDES = [
  { id: 'left', name: t('coat.leftSide') },
  { id: 'right', name: t('coat.rightSide') },
  { id: 'both', name: t('coat.bothSides') }
] as const
const strips = STRIPS.map(({ id, name }) => ({ id: id as CoatPlace, name }))

const worn = computed(() => wornOn(model.value!, today.value, page.value.standard.plan.lengthsMm, 'own', false))
const notes = computed<PlateNote[]>(() =>
  places.value.map((one, i) => ({
    id: one,
    region: shownAt(one),
    numeral: String(i + 1),
    heading: placeName(one),
    lines: [{ text: countOf(one) }]
  }))
)
function countOf(one: CoatPlace): string {
  const count = page.value.lines.filter((line) => line.place === one && line.struck === null).length
  return count === 0 ? t('coat.nothingWritten') : count === 1 ? t('coat.n1Line') : t('coat.countLines', { count })
}
function toggle(one: CoatPlace): void {
  places.value = places.value.includes(one) ? places.value.filter((other) => other !== one) : [...places.value, one]
  place.value = one
}
const lines = computed(() => {
  const here =
    only.value && places.value.length > 0 ? page.value.lines.filter((line) => places.value.includes(line.place)) : page.value.lines
  return together([...here].sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0)))
})
const MOST = 60
const issues = computed(() => new Map(model.value!.issues.map(({ entryId, say }) => [entryId, say])))
const striking = ref<string | null>(null)
const reason = ref('')
async function doStrike(group: readonly BookLine[]): Promise<void> {
  await strike(idsOf(group), reason.value)
  striking.value = null
  reason.value = ''
}
const doCount = (group: readonly BookLine[]) => unstrike(idsOf(group))
const idsOf = (group: readonly BookLine[]) => group.map(({ id }) => id)
const issuesOf = (group: readonly BookLine[]) => [...new Set(group.flatMap(({ id }) => issues.value.get(id) ?? []))]
async function doWrite(entries: readonly CoatEntry[]): Promise<void> {
  await write(entries)
}
/** An apprentice reads no hands but their own. */
const handsOf = ({ handsName, hands }: BookLine) =>
  !session.isStaff ? (hands ? t('coat.yourHands') : '') : handsName ? t('coat.handsNameSHands', { handsName }) : t('coat.handsNotRecorded')
const pick = (region: RegionId) => toggle(region)
</script>

<template>
  <main
    class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_440px] lg:overflow-hidden"
    :aria-label="t('coat.coatBook')"
    tabindex="0"
  >
    <div class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <slot />
      <DogPlate
        :dog="{ ...page.dog, trim: page.standard.plan.drawnAs }"
        :plan="page.standard.plan.lengthsMm"
        :lengths="worn.lengths"
        :lengths-b="worn.lengthsB"
        :ages="worn.ages"
        :ages-b="worn.agesB"
        :mirrored="side === 'right'"
        :notes="notes"
        :selected="shownAt(shownPlace)"
        :lists-rest="false"
        :height="430"
        :caption="t('coat.nameTodayFromCoatBook', { name: page.dog.name })"
        :label="t('coat.namePlacesNewLine', { name: page.dog.name })"
        @pick="pick"
      />
      <div class="mt-2 flex flex-wrap gap-2">
        <ToggleButtons :options="SIDES" :is-on="(id) => side === id" @toggle="(id) => (side = id)" />
        <button v-if="places.length" class="btn btn-quiet min-h-11 px-4 text-[16px]" @click="places = []">{{ t('coat.noPlace') }}</button>
      </div>
      <span class="label mt-2">{{ t('coat.n25MmStripsAlongBorder') }}</span>
      <ToggleButtons :options="strips" :is-on="(id) => places.includes(id)" @toggle="toggle" />
    </div>
    <section
      class="border-line bg-sheet p-4 max-lg:border-t sm:px-6 lg:overflow-y-auto lg:border-l"
      tabindex="0"
      :aria-label="t('coat.linesBook')"
    >
      <EntryForm
        v-if="session.isStaff"
        class="mb-5"
        :page="page"
        :places="places"
        :side="side"
        :mm-per-day="model!.growth.mmPerDay"
        @write="doWrite"
      />
      <div class="flex items-center justify-between gap-3">
        <h2 class="title">{{ t('coat.book') }}</h2>
        <button v-if="places.length" class="btn btn-quiet min-h-11 px-3 text-[16px]" :aria-pressed="only" @click="only = !only">
          {{ only ? t('coat.allPlaces') : t('coat.thesePlacesOnly') }}
        </button>
      </div>
      <hr class="rule2 mt-2" />
      <p v-if="lines.length === 0" class="mt-3 leading-[1.35]">
        <b>{{ t('coat.nothingWrittenYet') }}</b> {{ t('coat.workTableAddedYouWrite') }}
      </p>
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="group in lines.slice(0, MOST)" :key="group[0].id" class="py-2 leading-[1.3]">
          <div class="flex items-start justify-between gap-3">
            <p :class="group[0].struck ? 'line-through' : ''">
              <b>{{ sayDate(group[0].on, page.today) }}</b> {{ sayPlaces(group) }}:
              {{ sayAct(group[0].act, (date) => sayDate(date, page.today)) }}
              <span class="muted block"
                >{{ handsOf(group[0]) }}{{ SOURCE_WORDS[group[0].source] }}{{ group[0].writtenBy ? `, ${group[0].writtenBy}` : '' }}</span
              >
            </p>
            <template v-if="session.isStaff">
              <button v-if="group[0].struck" class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="doCount(group)">
                {{ t('coat.countAgain') }}
              </button>
              <button
                v-else
                class="btn btn-quiet min-h-11 px-3 text-[16px]"
                @click="striking = striking === group[0].id ? null : group[0].id"
              >
                {{ t('coat.strike') }}
              </button>
            </template>
          </div>
          <p v-if="group[0].struck" class="muted">
            {{ t('coat.struckReason', { by: group[0].struck.by, reason: group[0].struck.reason }) }}
          </p>
          <p v-for="issue in issuesOf(group)" :key="issue" class="font-[650]">{{ issue }}</p>
          <form v-if="striking === group[0].id" class="mt-1 flex gap-2" novalidate @submit.prevent="doStrike(group)">
            <label class="sr-only" :for="`why-${group[0].id}`">{{ t('coat.whyStrikeOut') }}</label>
            <input :id="`why-${group[0].id}`" v-model="reason" class="field" maxlength="200" :placeholder="t('coat.why')" />
            <button class="btn" :disabled="reason.trim() === ''">{{ t('coat.strikeOut') }}</button>
          </form>
        </li>
      </ul>
      <p v-if="lines.length > MOST" class="muted mt-2">{{ t('coat.newestMostNLinesTouch', { most: MOST, n: lines.length }) }}</p>
    </section>
  </main>
</template>
