<script setup lang="ts">
import { ref } from 'vue'
import { sentenceOf } from '../api/client'
import { t } from '../words'

// The measuring board as a PDF, with what it saves.
const busy = ref(false)
const refused = ref<string | null>(null)
async function print(): Promise<void> {
  busy.value = true
  refused.value = null
  try {
    await (await import('./board-sheet')).saveBoardSheet()
  } catch (error) {
    refused.value = sentenceOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div>
    <p class="muted leading-[1.3]">{{ t('measure.boardSaves') }}</p>
    <button class="btn btn-quiet mt-1 min-h-11 px-3 py-1 text-[16px]" :disabled="busy" @click="print">
      {{ t('measure.boardPrintIt') }}
    </button>
    <p v-if="refused" class="mt-1 leading-[1.3]" role="alert">{{ refused }}</p>
  </div>
</template>
