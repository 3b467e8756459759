<script setup lang="ts">
import { DOG_FACT_NAMES } from '@peen/contract'
import { DOG_FACTS, type Choice, type DogFact } from '@peen/core/advice'
import { REGIONS, regionName, type RegionId } from '@peen/core/regions'
import { computed, ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import SideButtons from '../components/SideButtons.vue'
import ToolChoice from '../visit/ToolChoice.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAdviser } from './useAdviser'
import { useAsked } from '../composables/useAsked'
import DogPlate from '../figure/DogPlate.vue'
import { useSessionStore } from '../stores/session'
import { UNKNOWN_DOG } from '../composables/words'
import { t } from '../words'

// Which tool, in which direction, leaves what at each place of this dog, and why; trying another one moves the drawn dog.
const props = defineProps<{ id: string }>()
const session = useSessionStore()
const { data, error, loading, reload } = useAsked('dog', () => ({ id: props.id }), { fresh: true })
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
const aims = computed(() => {
  const [planned, aimed] = [data.value?.plan.lengthsMm[selected.value], advice.value.aimMm]
  if (aimed === null) return ''
  return planned === undefined || planned === aimed
    ? t('dogs.aimingAimedMm', { aimed })
    : t('dogs.plannedPlannedMmAimingAimed', { planned, aimed })
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
    await ask('keepFacts', { id: props.id, body: { facts: facts.value } })
    saving.value = null
  } catch (caught) {
    facts.value = before
    saving.value = sentenceOf(caught)
  }
}
</script>

<template>
  <TopLine :what="data ? t('dogs.nameToolsPlace', { name: data.dog.name }) : t('dogs.adviser')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_380px] lg:overflow-hidden">
    <main class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <DogPlate
        :dog="{ ...data.dog, trim: data.plan.drawnAs }"
        :plan="data.plan.lengthsMm"
        :lengths="lengths"
        :notes="notes"
        :selected="selected"
        :mirrored="side === 'right'"
        :shows-departures="isTried"
        :height="560"
        :caption="t('dogs.nameCoatCoatTheseTools', { name: data.dog.name, coat: data.dog.coat, side })"
        :label="t('dogs.nameRecommendedToolEachPlace', { name: data.dog.name })"
        @pick="pick"
      />
      <div class="mt-3 flex flex-wrap items-center gap-2">
        <SideButtons v-model="side" />
        <button v-if="isTried" class="btn btn-quiet" @click="tried = {}">{{ t('dogs.backRecommended') }}</button>
        <RouterLink :to="`/dogs/${id}`" class="btn btn-quiet">{{ data.dog.name }}</RouterLink>
      </div>
      <h2 class="mt-5">{{ t('dogs.aboutName', { name: data.dog.name }) }}</h2>
      <p v-if="!data.known" class="mt-1 font-semibold text-danger">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ UNKNOWN_DOG }}
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
            ><input v-model="combed" type="checkbox" class="size-6 accent-(--act)" />{{ t('dogs.combedSkinToday') }}</label
          >
        </li>
      </ul>
      <p v-if="saving" class="text-danger" role="alert">{{ saving }}</p>
      <p class="muted mt-2 max-w-[72ch]">
        {{
          t('dogs.recommendationsFollowCommonPracticeSchools', {
            houseChoices: houseChoices.map(({ question, chosen }) => `${question.toLowerCase()}: ${chosen}`).join('; ')
          })
        }}
      </p>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <label class="muted block" for="place">{{ t('dogs.place') }}</label>
      <select id="place" v-model="selected" class="field mt-1 h-11 w-full">
        <option v-for="region in REGIONS" :key="region.id" :value="region.id">{{ region.name }}</option>
      </select>
      <h2 class="title mt-4">{{ regionName(selected) }}</h2>
      <ToolChoice :advice="advice" :chosen="chosenAt(selected)" :aims="aims" @choose="tryTool" />
    </aside>
  </div>
</template>
