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
  <section id="figures" aria-label="Practice on figures">
    <h2 class="title mt-6">On figures</h2>
    <hr class="rule2 mt-2.5 mb-2" />
    <p v-if="error" role="alert">{{ error }}</p>
    <p v-else-if="data" class="leading-[1.35]">
      {{ data.length === 0 ? 'Nothing logged yet.' : `${data.length} times, ${total} minutes.` }} Logged apart: it never enters the chart.
    </p>
    <ul class="row-rule m-0 mt-1 list-none p-0">
      <li v-for="row in rows" :key="row.id" class="flex items-center gap-2 py-1.5">
        <span class="min-w-0 flex-1 leading-[1.25]"
          ><b>{{ row.technique }}</b
          >, {{ row.minutes }} min, {{ row.side }}<span v-if="row.note" class="muted block">{{ row.note }}</span></span
        >
        <span class="muted">{{ sayDate(row.onDate, session.school?.now) }}</span>
        <button
          v-if="mayRemove(row)"
          class="btn btn-quiet min-h-11 px-3 text-[16px]"
          :aria-label="`Take out ${row.technique}, ${row.minutes} minutes`"
          @click="act(() => ask('removeFigure', { id: row.id }))"
        >
          Out
        </button>
      </li>
    </ul>
    <button v-if="data && data.length > SHOWN" class="btn btn-quiet mt-1 min-h-11 text-[16px]" @click="showsAll = !showsAll">
      {{ showsAll ? 'Fewer' : `All ${data.length}` }}
    </button>
    <form class="mt-3" novalidate @submit.prevent="log">
      <label class="label" for="figure-technique">Technique</label>
      <select id="figure-technique" v-model="entry.techniqueId" class="field h-12 w-full">
        <option value="" disabled>choose one</option>
        <option v-for="one in techniques" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select>
      <div class="mt-2 flex gap-2">
        <label class="flex-1"
          ><span class="label">Side</span>
          <select v-model="entry.side" class="field h-12 w-full">
            <option v-for="one in SIDE_CHOICES" :key="one.value" :value="one.value">{{ one.name }}</option>
          </select></label
        >
        <label class="w-[110px]"
          ><span class="label">Minutes</span><input v-model="entry.minutes" class="field h-12 w-full" inputmode="numeric"
        /></label>
      </div>
      <label class="label mt-2" for="figure-note">Note</label>
      <input id="figure-note" v-model="entry.note" class="field h-12 w-full" maxlength="300" />
      <p v-if="problem" class="mt-2 font-semibold" role="alert">{{ problem }}</p>
      <button class="btn mt-3 w-full">Log practice on a figure</button>
    </form>
  </section>
</template>
