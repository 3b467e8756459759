<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { t } from '../words'

defineProps<{ open: boolean; title: string; wide?: boolean }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="$emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-end justify-center overflow-y-auto sm:items-center sm:p-6">
      <DialogPanel
        :class="['max-h-full w-full overflow-y-auto border-2 border-ink bg-sheet p-5 sm:p-6', wide ? 'max-w-[1180px]' : 'max-w-[620px]']"
      >
        <div class="flex items-start justify-between gap-4">
          <DialogTitle as="h2" class="title">{{ title }}</DialogTitle>
          <button class="btn btn-quiet min-h-11 px-3" @click="$emit('close')">{{ t('shell.close') }}</button>
        </div>
        <hr class="rule2 mt-2 mb-4" />
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>
