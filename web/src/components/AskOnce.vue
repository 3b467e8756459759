<script setup lang="ts">
import { ref } from 'vue'
import SheetDialog from './SheetDialog.vue'
import { t } from '../words'

// Asks once before something that is not taken back: says what follows, and shows that it works until it is done.
const props = defineProps<{
  open: boolean
  title: string
  says: readonly string[]
  action: string
  working: string
  run: () => Promise<unknown>
}>()
const emit = defineEmits<{ close: [] }>()
const works = ref(false)
async function go(): Promise<void> {
  if (works.value) return
  works.value = true
  try {
    await props.run()
  } finally {
    works.value = false
    emit('close')
  }
}
</script>

<template>
  <SheetDialog :open="open" :title="title" @close="works || emit('close')">
    <p v-for="sentence in says" :key="sentence" class="mt-1 leading-[1.4]">{{ sentence }}</p>
    <div class="mt-5 flex flex-wrap gap-3">
      <button class="btn btn-go" :disabled="works" data-ask-go @click="go">{{ works ? working : action }}</button>
      <button class="btn btn-quiet" :disabled="works" @click="emit('close')">{{ t('shell.notYet') }}</button>
    </div>
    <p v-if="works" class="muted mt-2" role="status">{{ working }}</p>
  </SheetDialog>
</template>
