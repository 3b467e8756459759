<script setup lang="ts">
import type { Noted } from '@peen/contract'
import { ref } from 'vue'
import { v7 } from 'uuid'
import { ask } from '../api/client'
import { useDoing } from '../composables/useDoing'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Notes with a date on a dog, a person or a visit. A wrong one is struck with a reason; it stays to be read.
const props = defineProps<{ about: Noted; id: string }>()
const session = useSessionStore()
const { data, reload } = useAsked('notes', () => ({ about: props.about, id: props.id }))
const { problem, doing } = useDoing(reload)
const text = ref('')
const onDate = ref(session.today)
const striking = ref<string | null>(null)
const reason = ref('')
async function write(): Promise<void> {
  await doing(() => ask('writeNote', { about: props.about, id: props.id, body: { id: v7(), onDate: onDate.value, text: text.value } }))
  if (problem.value === null) text.value = ''
}
async function strike(id: string): Promise<void> {
  await doing(() => ask('strikeNote', { id, body: { reason: reason.value } }))
  if (problem.value === null) [striking.value, reason.value] = [null, '']
}
</script>

<template>
  <section data-notes :aria-label="t('shell.notes')">
    <h2>{{ t('shell.notes') }}</h2>
    <hr class="rule2 mt-1" />
    <p v-if="data?.length === 0" class="muted mt-2">{{ t('shell.noneYet') }}</p>
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="note in data ?? []" :key="note.id" class="py-2 leading-[1.35]">
        <span class="muted">{{ sayDate(note.onDate, session.school?.now) }}, {{ note.by }}</span>
        <p :class="note.struck ? 'muted line-through' : ''">{{ note.text }}</p>
        <p v-if="note.struck" class="muted">{{ t('shell.struckReason', { by: note.struck.by, reason: note.struck.reason }) }}</p>
        <template v-else-if="session.isStaff">
          <button v-if="striking !== note.id" class="min-h-11 underline underline-offset-4" @click="striking = note.id">
            {{ t('shell.strikeOut') }}
          </button>
          <form v-else class="flex flex-wrap gap-2" @submit.prevent="strike(note.id)">
            <input
              v-model="reason"
              class="field h-12 min-w-0 flex-1"
              maxlength="200"
              :aria-label="t('shell.whyStrikeOut')"
              :placeholder="t('shell.why')"
            />
            <button class="btn">{{ t('shell.strike') }}</button>
          </form>
        </template>
      </li>
    </ul>
    <form v-if="session.isStaff" class="mt-2 flex flex-wrap items-end gap-2" @submit.prevent="write">
      <label
        ><span class="muted block">{{ t('shell.date') }}</span
        ><input v-model="onDate" class="field h-12 w-[160px]" type="date" required
      /></label>
      <label class="min-w-[200px] flex-1"
        ><span class="muted block">{{ t('shell.note') }}</span
        ><input v-model="text" class="field h-12 w-full" maxlength="600" required
      /></label>
      <button class="btn">{{ t('shell.saveNote') }}</button>
    </form>
    <p v-if="problem" class="mt-2 font-[650]" role="alert">{{ problem }}</p>
  </section>
</template>
