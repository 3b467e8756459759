<script setup lang="ts">
import { computed, ref } from 'vue'
import TopLine from '../components/TopLine.vue'
import { t } from '../words'
import { GLOSSARY } from './glossary'

// The words of the trade and of Peen, for who meets one for the first time.
const typed = ref('')
const collator = new Intl.Collator(document.documentElement.lang)
const words = GLOSSARY.map((key) => {
  const [word, meaning] = t(key).split('\n')
  return { key, word, meaning }
}).sort((a, b) => collator.compare(a.word, b.word))
const shown = computed(() => {
  const asked = typed.value.trim().toLowerCase()
  return words.filter(({ word, meaning }) => `${word} ${meaning}`.toLowerCase().includes(asked))
})
</script>

<template>
  <TopLine :what="t('shell.glossary')" />
  <main class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('shell.glossary')">
    <div class="mx-auto max-w-[1120px]">
      <label class="label" for="word">{{ t('shell.searchWords') }}</label>
      <input id="word" v-model="typed" class="field max-w-[420px]" type="search" autocomplete="off" />
      <p v-if="shown.length === 0" class="mt-4" role="status">{{ t('shell.noWordSounds', { text: typed }) }}</p>
      <dl class="mt-4 mb-0 gap-x-10 lg:columns-2">
        <div v-for="{ key, word, meaning } in shown" :key="key" class="break-inside-avoid border-b border-line py-2.5">
          <dt class="text-[18px] font-[650]">{{ word }}</dt>
          <dd class="m-0 leading-[1.35]">{{ meaning }}</dd>
        </div>
      </dl>
    </div>
  </main>
</template>
