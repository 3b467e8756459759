<script setup lang="ts">
import type { ApprenticeView } from '@peen/contract'
import { STATES } from '@peen/core/competency'
import { standards } from '@peen/content'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { v7 } from 'uuid'
import { ask, sentenceOf } from '../api/client'
import OralQuestions from './OralQuestions.vue'
import TakeOut from './TakeOut.vue'
import TechniqueCharts from './TechniqueCharts.vue'
import WayTo from './WayTo.vue'
import BoldText from '../components/BoldText.vue'
import FigureLog from './FigureLog.vue'
import GlyphMark from '../components/GlyphMark.vue'
import NotesPart from '../components/NotesPart.vue'
import SheetDialog from '../components/SheetDialog.vue'
import StandingLines from './StandingLines.vue'
import TopLine from '../components/TopLine.vue'
import VisitLines from '../components/VisitLines.vue'
import ViewState from '../components/ViewState.vue'
import { STATE_WORDS } from '../composables/state-words'
import { useAsked } from '../composables/useAsked'
import FigurePicture from '../figure/FigurePicture.vue'
import { useSessionStore } from '../stores/session'
import { techniqueById } from '../stores/techniques'
import { t } from '../words'

const props = defineProps<{ id: string }>()
const session = useSessionStore()
const router = useRouter()
const route = useRoute()
const { data, error, loading, reload } = useAsked('apprentice', () => ({ id: props.id }))
const selected = ref<string | null>(null)
/** The wall leads to a technique by its name in the address. */
const asked = (view: ApprenticeView) => view.techniques.find(({ techniqueId }) => techniqueId === route.query.technique)?.techniqueId
watch(
  data,
  (view) => {
    if (view && !view.techniques.some((entry) => entry.techniqueId === selected.value))
      selected.value = asked(view) ?? view.next[0]?.techniqueId ?? view.techniques[0]?.techniqueId ?? null
  },
  { immediate: true }
)
const shown = computed(() => data.value?.techniques.find((entry) => entry.techniqueId === selected.value) ?? null)
const name = computed(() => (shown.value ? techniqueById(shown.value.techniqueId)!.name : ''))
const legend = [...STATES].reverse()

const detail = ref<HTMLElement | null>(null)
async function choose(id: string): Promise<void> {
  selected.value = id
  await nextTick()
  detail.value?.scrollIntoView({ block: 'nearest' })
}

const problem = ref<string | null>(null)
const showsLift = ref(false)
const reason = ref('')
async function draft(certificateId: string): Promise<void> {
  try {
    const { id } = await ask('draftFinding', { body: { id: v7(), apprenticeId: props.id, certificateId } })
    await router.push(`/certify/${id}`)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
async function lift(): Promise<void> {
  try {
    await ask('liftHold', { id: props.id, body: { techniqueId: selected.value!, reason: reason.value } })
    showsLift.value = false
    problem.value = null
    await reload()
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
</script>

<template>
  <TopLine
    :what="
      data
        ? t('apprentice.givenNameFamilyNameCohortCohortWeek', {
            givenName: data.person.givenName,
            familyName: data.person.familyName,
            cohort: data.cohort.toLowerCase(),
            week: data.week
          })
        : t('apprentice.apprentice')
    "
  />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_418px] lg:overflow-hidden">
    <main class="min-w-0 p-4 sm:px-6 sm:pt-[18px] lg:overflow-y-auto" tabindex="0">
      <p class="finding max-sm:text-[23px]"><BoldText :text="data.say" /></p>
      <StandingLines class="mt-3" :techniques="data.techniques" :selected="selected" @select="choose" />
      <p class="muted mt-2 flex flex-wrap gap-x-4 gap-y-1">
        <span v-for="state in legend" :key="state" class="whitespace-nowrap"
          ><GlyphMark :name="state" :size="17" class="mr-1.5 align-[-3px]" />{{ STATE_WORDS[state] }}</span
        >
      </p>
      <hr class="rule2 mt-2.5" />
      <section v-if="shown" ref="detail" class="grid gap-5 pt-3 sm:grid-cols-[258px_1fr]" :aria-label="name">
        <div>
          <h2 class="title">
            {{
              shown.standing.state === 'new'
                ? name
                : t('apprentice.nameScoreLimit', { name, score: shown.standing.score, limit: shown.standing.limit })
            }}
          </h2>
          <p class="mt-1.5 leading-[1.32]">
            <GlyphMark :name="shown.standing.state" :size="17" class="mr-1.5 align-[-3px]" /><b>{{ STATE_WORDS[shown.standing.state] }}.</b>
            {{ shown.standing.because }}
          </p>
          <p v-if="shown.standing.attempts" class="mt-1.5 leading-[1.32]">
            {{ t('apprentice.onDogsOfCoats', { dogs: shown.standing.dogs, coats: shown.standing.coats.join(', ') }) }}
          </p>
          <p v-if="shown.standing.figures || shown.standing.selfReported" class="muted mt-1.5 leading-[1.3]">
            {{
              t('apprentice.notChartFiguresFiguresSelfReported', {
                figures: shown.standing.figures,
                selfReported: shown.standing.selfReported
              })
            }}
          </p>
          <button v-if="shown.standing.state === 'held' && session.isLead" class="btn mt-3" @click="showsLift = true">
            {{ t('apprentice.liftHold') }}
          </button>
        </div>
        <TechniqueCharts :technique="shown" :today="session.today" />
      </section>
      <div class="mt-8 grid gap-8 xl:grid-cols-2">
        <VisitLines :id="id" of="apprentices" />
        <OralQuestions :id="id" :name="data.person.givenName" />
        <NotesPart v-if="session.isStaff" :id="id" about="person" />
      </div>
    </main>
    <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <h2 class="title">{{ t('apprentice.practiseNext') }}</h2>
      <hr class="rule2 mt-2.5 mb-3" />
      <p v-if="data.next.length === 0">{{ t('apprentice.nothingLeftPractiseEveryTechnique') }}</p>
      <ol class="m-0 list-none p-0" data-next>
        <li v-for="(one, i) in data.next.slice(0, 3)" :key="one.techniqueId" class="border-b border-line py-2.5">
          <div class="flex items-center gap-4">
            <FigurePicture
              v-if="one.dog && i === 0"
              :dog="one.dog"
              :lengths="standards[0].plan.lengthsMm"
              :width="124"
              :height="100"
              :label="one.dog.name"
              class="flex-none"
            />
            <button class="min-h-11 font-serif text-[20px] leading-[1.24]" @click="choose(one.techniqueId)">
              <BoldText :text="one.say" />
            </button>
          </div>
          <p class="muted mt-1 leading-[1.32]">{{ one.why.join(' ') }}</p>
        </li>
      </ol>
      <RouterLink v-if="data.today" :to="`/table/${data.today}`" class="btn btn-quiet mt-3 w-full">{{
        t('apprentice.todaysTable')
      }}</RouterLink>
      <WayTo :certificates="data.certificates" @draft="draft" />
      <p v-if="problem && !showsLift" class="mt-3 flex gap-2" role="alert">
        <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}
      </p>
      <RouterLink v-if="!session.isStaff" to="/portfolio" class="btn btn-quiet mt-6 w-full">{{ t('portfolio.toPortfolio') }}</RouterLink>
      <TakeOut :id="id" :name="`${data.person.givenName} ${data.person.familyName}`" />
      <FigureLog :apprentice-id="id" :name="data.person.givenName" />
    </aside>
    <SheetDialog :open="showsLift" :title="t('apprentice.liftHoldName', { name })" @close="showsLift = false">
      <form @submit.prevent="lift">
        <label class="label" for="reason">{{ t('apprentice.reason') }}</label>
        <textarea id="reason" v-model="reason" class="field" rows="3" maxlength="500" />
        <p v-if="problem" class="mt-2" role="alert">{{ problem }}</p>
        <button class="btn btn-go mt-3 w-full">{{ t('apprentice.liftHold') }}</button>
      </form>
    </SheetDialog>
  </div>
</template>
