<script setup lang="ts">
import { addressOf } from '@peen/contract'
import type { ApprenticeSummary } from '@peen/contract'
import { daysBetween } from '@peen/core/competency'
import { computed, ref } from 'vue'
import BoldText from '../components/BoldText.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

const session = useSessionStore()
const TABLES = ['standings', 'attempts', 'trims', 'certificates'] as const
const { data, error, loading, reload } = useAsked('apprentices')
/** only who has not worked on a dog for so many weeks; empty: everybody */
const weeks = ref('')
const asked = computed(() => (/^\d{1,3}$/.test(weeks.value.trim()) ? Number(weeks.value) : null))
const isIdle = ({ lastOn }: ApprenticeSummary) =>
  asked.value === null || lastOn === null || daysBetween(lastOn, session.today) >= 7 * asked.value
const shown = computed(() => (data.value ?? []).filter(isIdle))
const cohorts = computed(() =>
  [...new Set(shown.value.map((person) => person.cohort))].map((name) => ({
    name,
    people: shown.value.filter((person) => person.cohort === name)
  }))
)
</script>

<template>
  <TopLine :what="t('apprentice.apprentices')" />
  <ViewState v-if="!data || data.length === 0" :loading="loading" :error="error" :empty="data?.length === 0" @retry="reload">
    <p class="text-[20px] font-[650]">{{ t('apprentice.noApprenticesYet') }}</p>
    <p class="muted mt-2">{{ t('apprentice.theyAppearHereOnceLead') }}</p>
  </ViewState>
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0">
    <div v-if="session.isStaff" class="mb-5 flex flex-wrap items-center gap-3">
      <RouterLink to="/ready" class="btn btn-quiet">{{ t('apprentice.readyByDate') }}</RouterLink>
      <RouterLink to="/wall" class="btn">{{ t('apprentice.cohortGlance') }}</RouterLink>
      <span class="muted">{{ t('apprentice.spreadsheetTables') }}</span>
      <a v-for="name in TABLES" :key="name" :href="addressOf('recordTable', { table: name })" class="flex min-h-11 items-center" download>{{
        name
      }}</a>
      <span class="muted basis-full">{{ t('apprentice.trimsTableShowsYourColleagues') }}</span>
    </div>
    <label v-if="session.isStaff" class="mb-4 flex flex-wrap items-center gap-2"
      >{{ t('apprentice.notPractised') }}
      <input v-model="weeks" class="field h-11 min-h-11 w-[72px]" inputmode="numeric" :aria-label="t('apprentice.weeksWithoutPractice')" />
      {{ t('apprentice.weeks') }}
      <span v-if="weeks.trim() && asked === null" role="alert">{{ t('apprentice.weeksWeeksMustWholeNumber', { weeks }) }}</span>
      <span v-else-if="asked !== null" class="muted" role="status">{{
        t('apprentice.nN2', { n: shown.length, n2: data.length })
      }}</span></label
    >
    <section v-for="cohort in cohorts" :key="cohort.name" class="mb-8">
      <h2 class="title">{{ t('apprentice.nameCohort', { name: cohort.name }) }}</h2>
      <hr class="rule2 mt-2" />
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="person in cohort.people" :key="person.id">
          <RouterLink
            :to="`/apprentices/${person.id}`"
            class="flex min-h-14 flex-wrap items-center gap-x-6 px-1 py-2.5 no-underline hover:bg-well"
          >
            <span class="w-44 text-[20px] font-[650]">{{ person.givenName }} {{ person.familyName }}</span>
            <span class="min-w-60 flex-1 font-serif text-[18px] leading-[1.25]"><BoldText :text="person.say" /></span>
            <span class="muted w-28 text-right max-sm:text-left">{{
              person.lastOn ? sayDate(person.lastOn, session.school?.now) : t('apprentice.noWorkYet')
            }}</span>
          </RouterLink>
        </li>
      </ul>
    </section>
  </main>
</template>
