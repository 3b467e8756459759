<script setup lang="ts">
import { ref } from 'vue'
import { sentenceOf } from '../api/client'
import SheetDialog from './SheetDialog.vue'

// Asks for a reason in words before something that is not taken back.
const props = defineProps<{
  open: boolean
  title: string
  says: string
  label: string
  action: string
  working: string
  run: (reason: string) => Promise<unknown>
}>()
const emit = defineEmits<{ close: []; done: [] }>()
const reason = ref('')
const refused = ref<string | null>(null)
const works = ref(false)
async function go(): Promise<void> {
  if (works.value) return
  works.value = true
  try {
    await props.run(reason.value)
    ;[refused.value, reason.value] = [null, '']
    emit('done')
  } catch (caught) {
    refused.value = sentenceOf(caught)
  } finally {
    works.value = false
  }
}
</script>

<template>
  <SheetDialog :open="open" :title="title" @close="works || emit('close')">
    <p class="mb-4 leading-[1.4]">{{ says }}</p>
    <form novalidate @submit.prevent="go">
      <slot />
      <label class="label" for="reason-words">{{ label }}</label>
      <textarea id="reason-words" v-model="reason" class="field" rows="3" maxlength="1000" />
      <p v-if="refused" class="mt-2 font-semibold text-danger" role="alert">{{ refused }}</p>
      <button class="btn btn-go mt-3 w-full" :disabled="works">{{ works ? working : action }}</button>
    </form>
  </SheetDialog>
</template>
