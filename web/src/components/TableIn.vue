<script setup lang="ts">
import type { DogsPreview } from '@peen/contract'
import { ref } from 'vue'
import { api, sentenceOf } from '../api/client'
import GlyphMark from './GlyphMark.vue'

// Dogs from a table: shown before anything is written, all taken in together or none.
const emit = defineEmits<{ in: [count: number] }>()
const file = ref<File | null>(null)
const preview = ref<DogsPreview | null>(null)
const problem = ref<string | null>(null)
async function choose(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  file.value = input.files?.[0] ?? null
  preview.value = null
  problem.value = null
  if (!file.value) return
  try {
    preview.value = await api.upload<DogsPreview>('/dogs/preview', file.value, 'text/csv')
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
  // the same file, put right, can be chosen again
  input.value = ''
}
async function takeIn(): Promise<void> {
  try {
    const { takenIn } = await api.upload<{ takenIn: number }>('/dogs/csv', file.value!, 'text/csv')
    preview.value = null
    file.value = null
    emit('in', takenIn)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
</script>

<template>
  <section data-dog-table>
    <h2 class="mt-8">Dogs from a table</h2>
    <hr class="rule2 mt-1 mb-2" />
    <p class="muted leading-[1.35]">
      A CSV table with the columns name, bodyType, coat, colour, withersMm, canStandMin, temperament and, if you like, breed, dislikes,
      owner and contact. Nothing is written before you have seen it.
    </p>
    <label class="btn btn-quiet mt-2 cursor-pointer"
      >{{ file ? file.name : 'Choose the table' }}<input class="sr-only" type="file" accept=".csv,text/csv" @change="choose"
    /></label>
    <p v-if="problem" class="mt-2 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
    <template v-if="preview?.ok">
      <ul class="row-rule m-0 mt-2 list-none p-0">
        <li v-for="one in preview.dogs" :key="one.line" class="py-1.5">
          <b>{{ one.name }}</b> <span class="muted ml-2">{{ one.breed || one.coat }}, {{ one.withersMm }} mm</span>
        </li>
      </ul>
      <button class="btn btn-go mt-3" @click="takeIn">
        Take {{ preview.dogs.length === 1 ? 'this one' : `all ${preview.dogs.length}` }} in
      </button>
    </template>
    <template v-else-if="preview">
      <p class="mt-2 font-[650]" role="alert">
        No dog can be taken in yet: {{ preview.issues.length }} {{ preview.issues.length === 1 ? 'thing is' : 'things are' }} to be put
        right.
      </p>
      <ul class="m-0 list-none p-0">
        <li v-for="issue in preview.issues" :key="issue.detail" class="flex gap-2 py-1">
          <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ issue.detail }}
        </li>
      </ul>
    </template>
  </section>
</template>
