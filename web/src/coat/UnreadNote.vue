<script setup lang="ts">
import type { UnreadLengths } from '@peen/contract'
import { sayDate } from '../composables/words'
import { computed } from 'vue'

// Lengths that colleagues measured are left out until one asks for them: asking costs blindness, looking at a coat does not.
const props = defineProps<{ unread: readonly UnreadLengths[]; today: string }>()
const emit = defineEmits<{ show: [] }>()
const lengths = computed(() => props.unread.reduce((sum, one) => sum + one.lengths, 0))
const days = computed(() => [...new Set(props.unread.map(({ onDate }) => sayDate(onDate, props.today)))].join(', '))
</script>

<template>
  <p v-if="unread.length > 0" class="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1 leading-[1.35]">
    <span class="min-w-0 flex-1 basis-72"
      >Without {{ lengths === 1 ? '1 length' : `${lengths} lengths` }} that a colleague measured ({{ days }}). If you read them, you can no
      longer mark {{ unread.length === 1 ? 'that trim' : 'those trims' }} blind.</span
    >
    <button class="btn btn-quiet min-h-11 px-4 text-[16px]" @click="emit('show')">Show them</button>
  </p>
</template>
