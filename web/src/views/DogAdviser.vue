<script setup lang="ts">
import { DOG_FACT_NAMES, type DogPage } from '@peen/contract'
import { DOG_FACTS, sayChoice, whyNot, type Choice, type DogFact } from '@peen/core/advice'
import { REGIONS, regionName, type RegionId } from '@peen/core/regions'
import { computed, ref, watch } from 'vue'
import { api, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import SideButtons from '../components/SideButtons.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAdviser } from '../composables/useAdviser'
import { useLoaded } from '../composables/useLoaded'
import DogPlate from '../figure/DogPlate.vue'
import { useSessionStore } from '../stores/session'

// Which tool, in which direction, leaves what at each place of this dog, and why; trying another one moves the drawn dog.
const props = defineProps<{ id: string }>()
const session = useSessionStore()
const { data, error, loading, reload } = useLoaded<DogPage>(() => `/dogs/${props.id}`)
const side = ref<'left' | 'right'>('left')
const facts = ref<readonly DogFact[]>([])
const combed = ref(true)
const saving = ref<string | null>(null)
watch(data, (page) => (facts.value = page?.dog.facts ?? []))
const { selected, tried, advices, chosenAt, lengths, notes, houseChoices } = useAdviser(
  data,
  () => session.school?.tools ?? [],
  () => session.school?.houseRules ?? {},
  facts,
  side,
  combed
)
const advice = computed(() => advices.value.get(selected.value)!)
const keyOf = ({ tool, direction }: Choice) => `${tool.id} ${direction ?? ''}`
const asked = ref('')
watch([selected, facts, combed], () => (asked.value = ''))
const everything = computed(() => [...advice.value.ranked, ...advice.value.bans.map(({ choice }) => choice)])
const answer = computed(() => {
  const choice = everything.value.find((candidate) => keyOf(candidate) === asked.value)
  return choice ? { choice, ...whyNot(advice.value, choice.tool.id, choice.direction) } : null
})
/** reasons that are not said as a caution already */
const reasons = computed(() => advice.value.fired.filter(({ id }) => !advice.value.cautions.some((caution) => caution.id === id)))
const aims = computed(() => {
  const [planned, aimed] = [data.value?.plan.lengthsMm[selected.value], advice.value.aimMm]
  if (aimed === null) return ''
  return planned === undefined || planned === aimed ? `aimed at ${aimed} mm` : `planned ${planned} mm, aimed at ${aimed} mm`
})
/** what sets a length, the nearest first, and two that cut free-hand */
const alternatives = computed(() => {
  const { ranked } = advice.value
  const [sets, free] = [ranked.filter(({ lengthMm }) => lengthMm !== null), ranked.filter(({ lengthMm }) => lengthMm === null)]
  const shown = [...sets.slice(0, 6), ...free.slice(0, 2)]
  return ranked.filter((choice) => shown.includes(choice))
})
const isTried = computed(() => Object.keys(tried.value).length > 0)

function pick(region: RegionId): void {
  selected.value = region
}
function tryTool(choice: Choice): void {
  tried.value = { ...tried.value, [selected.value]: choice }
}
async function toggle(fact: DogFact): Promise<void> {
  const before = facts.value
  facts.value = before.includes(fact) ? before.filter((one) => one !== fact) : [...before, fact]
  tried.value = {}
  try {
    await api.put(`/dogs/${props.id}/facts`, { facts: facts.value })
    saving.value = null
  } catch (caught) {
    facts.value = before
    saving.value = sentenceOf(caught)
  }
}
</script>

<template>
  <TopLine :what="data ? `${data.dog.name}: which tool where` : 'Adviser'" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_380px] lg:overflow-hidden">
    <main class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto">
      <DogPlate
        :dog="data.dog"
        :plan="data.plan.lengthsMm"
        :lengths="lengths"
        :notes="notes"
        :selected="selected"
        :mirrored="side === 'right'"
        :shows-departures="isTried"
        :height="560"
        :caption="`${data.dog.name}, ${data.dog.coat} coat, as these tools leave it, from the dog’s own ${side}.`"
        :label="`${data.dog.name} with the advised tool at each place`"
        @pick="pick"
      />
      <div class="mt-3 flex flex-wrap items-center gap-2">
        <SideButtons v-model="side" />
        <button v-if="isTried" class="btn btn-quiet" @click="tried = {}">Back to the advice</button>
        <RouterLink :to="`/dogs/${id}`" class="btn btn-quiet">{{ data.dog.name }}</RouterLink>
      </div>
      <h2 class="mt-5">Known of {{ data.dog.name }}</h2>
      <p v-if="!data.known" class="mt-1 font-semibold text-danger">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />First visit: everything one step longer.
      </p>
      <ul class="m-0 grid list-none gap-x-6 p-0 sm:grid-cols-2">
        <li v-for="fact in DOG_FACTS" :key="fact">
          <label class="flex min-h-11 items-center gap-3"
            ><input
              type="checkbox"
              class="size-6 accent-(--act)"
              :checked="facts.includes(fact)"
              :disabled="!session.isStaff"
              @change="toggle(fact)"
            />{{ DOG_FACT_NAMES[fact] }}</label
          >
        </li>
        <li>
          <label class="flex min-h-11 items-center gap-3"
            ><input v-model="combed" type="checkbox" class="size-6 accent-(--act)" />combed to the skin today</label
          >
        </li>
      </ul>
      <p v-if="saving" class="text-danger" role="alert">{{ saving }}</p>
      <p class="muted mt-2 max-w-[72ch]">
        Advice is common practice and the house rules of this school ({{
          houseChoices.map(({ question, chosen }) => `${question.toLowerCase()}: ${chosen}`).join('; ')
        }}). Local animal-welfare codes and a veterinary surgeon come first.
      </p>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l">
      <label class="muted block" for="place">Place</label>
      <select id="place" v-model="selected" class="field mt-1 h-11 w-full">
        <option v-for="region in REGIONS" :key="region.id" :value="region.id">{{ region.name }}</option>
      </select>
      <h1 class="mt-4">{{ regionName(selected) }}</h1>
      <p class="mt-1 text-[20px] leading-[1.3] font-[650]" data-testid="advice">
        {{ chosenAt(selected) ? sayChoice(chosenAt(selected)!) : advice.say }}
      </p>
      <p v-if="aims" class="muted">{{ aims }}</p>
      <hr class="rule2 mt-2.5 mb-2" />
      <ul v-if="advice.cautions.length" class="m-0 list-none p-0" aria-label="Take care">
        <li v-for="caution in advice.cautions" :key="caution.id" class="py-1 leading-[1.35] text-danger">
          <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ caution.say }}
        </li>
      </ul>
      <template v-if="reasons.length">
        <h2 class="mt-4">Why</h2>
        <ul class="row-rule m-0 list-none p-0" aria-label="Rules that decide here">
          <li v-for="rule in reasons" :key="rule.id" class="py-2 leading-[1.35]">{{ rule.say }}</li>
        </ul>
      </template>
      <h2 class="mt-4">Allowed here</h2>
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="choice in alternatives" :key="keyOf(choice)">
          <button
            class="flex min-h-11 w-full items-center py-1 text-left hover:underline"
            :class="chosenAt(selected) === choice ? 'font-[650]' : ''"
            :aria-pressed="chosenAt(selected) === choice"
            @click="tryTool(choice)"
          >
            {{ sayChoice(choice) }}
          </button>
        </li>
      </ul>
      <h2 class="mt-4"><label for="why-not">Why not</label></h2>
      <select id="why-not" v-model="asked" class="field mt-1 h-11 w-full">
        <option value="">choose a tool</option>
        <option v-for="choice in everything" :key="keyOf(choice)" :value="keyOf(choice)">{{ sayChoice(choice) }}</option>
      </select>
      <div v-if="answer" class="mt-2 leading-[1.35]" role="status" data-testid="why-not">
        <p class="font-[650]">{{ answer.allowed ? 'Allowed.' : 'Not here.' }}</p>
        <p v-for="because in answer.because" :key="because">{{ because }}</p>
        <p v-if="answer.nearest && !answer.allowed" class="mt-1">Nearest: {{ sayChoice(answer.nearest) }}.</p>
      </div>
    </aside>
  </div>
</template>
