<script setup lang="ts">
import type { CohortPreview } from '@peen/contract'
import { ref } from 'vue'
import { api, sentenceOf } from '../api/client'
import GlyphMark from './GlyphMark.vue'

// A whole cohort from a table: shown before anything is written, all let in together or nobody.
const emit = defineEmits<{ in: [count: number] }>()
const file = ref<File | null>(null)
const preview = ref<CohortPreview | null>(null)
const problem = ref<string | null>(null)
async function choose(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  file.value = input.files?.[0] ?? null
  preview.value = null
  problem.value = null
  if (!file.value) return
  try {
    preview.value = await api.upload<CohortPreview>('/cohorts/preview', file.value, 'text/csv')
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
  // the same file, put right, can be chosen again
  input.value = ''
}
async function letIn(): Promise<void> {
  try {
    const { letIn: count } = await api.upload<{ letIn: number }>('/cohorts/csv', file.value!, 'text/csv')
    preview.value = null
    file.value = null
    emit('in', count)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
</script>

<template>
  <section data-cohort-table>
    <h2 class="mt-8">A whole cohort from a table</h2>
    <hr class="rule2 mt-1 mb-2" />
    <p class="muted leading-[1.35]">
      A CSV table with the columns givenName, familyName, email, cohort and, if you like, username. Nothing is written before you have seen
      it.
    </p>
    <label class="btn btn-quiet mt-2 cursor-pointer"
      >{{ file ? file.name : 'Choose the table' }}<input class="sr-only" type="file" accept=".csv,text/csv" @change="choose"
    /></label>
    <p v-if="problem" class="mt-2 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
    <template v-if="preview?.ok">
      <ul class="row-rule m-0 mt-2 list-none p-0">
        <li v-for="one in preview.people" :key="one.line" class="py-1.5">
          <b>{{ one.givenName }} {{ one.familyName }}</b>
          <span class="muted ml-2">{{ one.username }}, {{ one.email }}, {{ one.cohort }}</span>
        </li>
      </ul>
      <p v-if="preview.newCohorts.length" class="mt-2">
        New {{ preview.newCohorts.length === 1 ? 'cohort' : 'cohorts' }}: {{ preview.newCohorts.join(', ') }}, beginning today.
      </p>
      <button class="btn btn-go mt-3" @click="letIn">
        Let {{ preview.people.length === 1 ? 'this one' : `all ${preview.people.length}` }} in, with a letter each
      </button>
    </template>
    <template v-else-if="preview">
      <p class="mt-2 font-[650]" role="alert">
        Nobody can be let in yet: {{ preview.issues.length }} {{ preview.issues.length === 1 ? 'thing is' : 'things are' }} to be put right.
      </p>
      <ul class="m-0 list-none p-0">
        <li v-for="issue in preview.issues" :key="issue.detail" class="flex gap-2 py-1">
          <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ issue.detail }}
        </li>
      </ul>
    </template>
  </section>
</template>
