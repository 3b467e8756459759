<script setup lang="ts">
import type { SearchHit } from '@peen/contract'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { allTechniques } from '../stores/techniques'
import SheetDialog from './SheetDialog.vue'
import { t } from '../words'

// One box for people, dogs, visits, trims and techniques: arrow keys go through what is found, Enter opens it.
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const session = useSessionStore()
const router = useRouter()
const words = ref('')
const found = ref<readonly SearchHit[]>([])
const problem = ref<string | null>(null)
const at = ref(0)
const WAIT_MS = 150
const MOST = 6
const KIND_NAMES = {
  person: t('shell.person'),
  dog: t('shell.dog'),
  visit: t('shell.visit'),
  trim: t('shell.trim'),
  technique: t('shell.technique')
} as const
type Hit = Omit<SearchHit, 'kind'> & { readonly kind: keyof typeof KIND_NAMES }

const known = computed<readonly Hit[]>(() => {
  const asked = words.value.trim().toLowerCase()
  if (asked === '') return []
  const has = (name: string) => name.toLowerCase().includes(asked)
  const trims = session.standardNames.filter(({ name }) => has(name)).slice(0, MOST)
  const techniques = allTechniques()
    .filter(({ name }) => has(name))
    .slice(0, MOST)
  return [
    ...trims.map(({ id, name }): Hit => ({ kind: 'trim', name, more: '', to: `/standards/${id}` })),
    ...techniques.map(({ id, name }): Hit => ({ kind: 'technique', name, more: '', to: `/techniques/${id}` }))
  ]
})
const hits = computed<readonly Hit[]>(() => [...found.value, ...known.value])
let timer: ReturnType<typeof setTimeout> | undefined
let turn = 0
watch(words, (text) => {
  clearTimeout(timer)
  at.value = 0
  timer = setTimeout(async () => {
    const mine = ++turn
    try {
      const answer = await ask('search', { query: { words: text.trim() } })
      if (mine === turn) [found.value, problem.value] = [answer, null]
    } catch (caught) {
      problem.value = sentenceOf(caught)
    }
  }, WAIT_MS)
})
watch(
  () => props.open,
  (open) => {
    if (!open) return
    words.value = ''
    found.value = []
    // after the dialog has taken the focus for itself
    setTimeout(() => document.querySelector<HTMLElement>('#search-words')?.focus(), 60)
  }
)
function go(hit: Hit | undefined): void {
  if (!hit) return
  emit('close')
  void router.push(hit.to)
}
function move(by: number): void {
  at.value = Math.min(hits.value.length - 1, Math.max(0, at.value + by))
}
const moreOf = (hit: Hit) => (hit.kind === 'visit' ? sayDate(hit.more, session.school?.now) : hit.more)
</script>

<template>
  <SheetDialog :open="open" :title="t('shell.search')" @close="$emit('close')">
    <label class="label" for="search-words">{{ t('shell.personDogVisitTrimOr') }}</label>
    <input
      id="search-words"
      v-model="words"
      class="field"
      type="search"
      autocomplete="off"
      aria-controls="search-hits"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="go(hits[at])"
    />
    <p v-if="problem" class="mt-2" role="alert">{{ problem }}</p>
    <ul id="search-hits" class="row-rule m-0 mt-3 max-h-[52vh] list-none overflow-y-auto p-0" data-testid="hits">
      <li v-for="(hit, i) in hits" :key="hit.kind + hit.to + hit.name">
        <button
          :class="['flex min-h-12 w-full items-center gap-3 px-2 text-left', i === at ? 'bg-well' : '']"
          :aria-current="i === at ? 'true' : undefined"
          @click="go(hit)"
        >
          <span class="muted w-24 flex-none">{{ KIND_NAMES[hit.kind] }}</span><b class="min-w-0 flex-1">{{ hit.name }}</b
          ><span class="muted">{{ moreOf(hit) }}</span>
        </button>
      </li>
    </ul>
    <p v-if="words.trim() && hits.length === 0" class="muted mt-3" role="status">{{ t('shell.nothingFoundName') }}</p>
  </SheetDialog>
</template>
