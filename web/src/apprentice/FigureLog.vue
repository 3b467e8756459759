<script setup lang="ts">
import type { FigureView, NewFigure } from '@peen/contract'
import { newFigureSchema } from '@peen/contract'
import { computed, ref } from 'vue'
import { v7 } from 'uuid'
import { ask, sentenceOf } from '../api/client'
import { SIDE_CHOICES } from '../composables/choices'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { allTechniques } from '../stores/techniques'
import { t } from '../words'

// Practice on stand-in figures, which comes before live dogs: logged apart, never on the chart.
const props = defineProps<{ apprenticeId: string; name: string }>()
const session = useSessionStore()
const { data, error } = useAsked('figures', () => ({ id: props.apprenticeId }))
const SHOWN = 5
const showsAll = ref(false)
const problem = ref<string | null>(null)
const techniques = computed(() => [...allTechniques()].sort((a, b) => a.name.localeCompare(b.name)))
const entry = ref({ techniqueId: '', side: 'both' as NewFigure['side'], minutes: '', note: '' })
const rows = computed(() => (showsAll.value ? (data.value ?? []) : (data.value ?? []).slice(0, SHOWN)))
const total = computed(() => (data.value ?? []).reduce((sum, { minutes }) => sum + minutes, 0))
const mayRemove = ({ own }: FigureView) => own || session.isStaff

async function act(work: () => Promise<readonly FigureView[]>): Promise<boolean> {
  try {
    data.value = await work()
    problem.value = null
    return true
  } catch (caught) {
    problem.value = sentenceOf(caught)
    return false
  }
}
async function log(): Promise<void> {
  const body = { id: v7(), ...entry.value, minutes: Number(entry.value.minutes) }
  try {
    newFigureSchema.validateSync(body, { abortEarly: true })
  } catch (caught) {
    problem.value = sentenceOf(caught)
    return
  }
  if (await act(() => ask('addFigure', { id: props.apprenticeId, body }))) entry.value = { ...entry.value, minutes: '', note: '' }
}
</script>

<template>
  <section id="figures" :aria-label="t('apprentice.practiceFigures')">
    <h2 class="title mt-6">{{ t('apprentice.practiceFigures2') }}</h2>
    <hr class="rule2 mt-2.5 mb-2" />
    <p v-if="error" role="alert">{{ error }}</p>
    <p v-else-if="data" class="leading-[1.35]">
      {{
        t('apprentice.nLoggedSeparatelyDoesNot', {
          n: data.length === 0 ? t('apprentice.nothingLoggedYet') : t('apprentice.nTimesTotalMinutes', { n: data.length, total })
        })
      }}
    </p>
    <ul class="row-rule m-0 mt-1 list-none p-0">
      <li v-for="row in rows" :key="row.id" class="flex items-center gap-2 py-1.5">
        <span class="min-w-0 flex-1 leading-[1.25]"
          ><b>{{ row.technique }}</b
          >{{ t('apprentice.minutesMinSide', { minutes: row.minutes, side: row.side })
          }}<span v-if="row.note" class="muted block">{{ row.note }}</span></span
        >
        <span class="muted">{{ sayDate(row.onDate, session.school?.now) }}</span>
        <button
          v-if="mayRemove(row)"
          class="btn btn-quiet min-h-11 px-3 text-[16px]"
          :aria-label="t('apprentice.removeTechniqueMinutesMinutes', { technique: row.technique, minutes: row.minutes })"
          @click="act(() => ask('removeFigure', { id: row.id }))"
        >
          {{ t('apprentice.remove') }}
        </button>
      </li>
    </ul>
    <button v-if="data && data.length > SHOWN" class="btn btn-quiet mt-1 min-h-11 text-[16px]" @click="showsAll = !showsAll">
      {{ showsAll ? t('apprentice.showFewer') : t('apprentice.showAllN', { n: data.length }) }}
    </button>
    <form class="mt-3" novalidate @submit.prevent="log">
      <label class="label" for="figure-technique">{{ t('apprentice.technique') }}</label>
      <select id="figure-technique" v-model="entry.techniqueId" class="field h-12 w-full">
        <option value="" disabled>{{ t('apprentice.chooseOne') }}</option>
        <option v-for="one in techniques" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select>
      <div class="mt-2 flex gap-2">
        <label class="flex-1"
          ><span class="label">{{ t('apprentice.side') }}</span>
          <select v-model="entry.side" class="field h-12 w-full">
            <option v-for="one in SIDE_CHOICES" :key="one.value" :value="one.value">{{ one.name }}</option>
          </select></label
        >
        <label class="w-[110px]"
          ><span class="label">{{ t('apprentice.minutes') }}</span
          ><input v-model="entry.minutes" class="field h-12 w-full" inputmode="numeric"
        /></label>
      </div>
      <label class="label mt-2" for="figure-note">{{ t('apprentice.note') }}</label>
      <input id="figure-note" v-model="entry.note" class="field h-12 w-full" maxlength="300" />
      <p v-if="problem" class="mt-2 font-semibold" role="alert">{{ problem }}</p>
      <button class="btn mt-3 w-full">{{ t('apprentice.logFigurePractice') }}</button>
    </form>
  </section>
</template>
