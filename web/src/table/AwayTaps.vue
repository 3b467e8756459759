<script setup lang="ts">
import type { PracticeEvent } from '@peen/core/practice'
import { computed } from 'vue'

// What was tapped here without the server: told to who reads the table, so that a picked name is not taken for a PIN.
const props = defineProps<{ events: readonly PracticeEvent[] }>()
const away = computed(() => props.events.filter((event) => event.away))
const picked = computed(() => away.value.filter((event) => event.away === 'picked').length)
const words = computed(() => {
  const n = away.value.length
  const taps = n === 1 ? 'One tap was' : `${n} taps were`
  if (picked.value === 0) return `${taps} made without a connection.`
  const named = picked.value === n ? 'under a picked name' : `${picked.value} of them under a picked name`
  return `${taps} made without a connection, ${named}: each person has checked their own since.`
})
</script>

<template>
  <p v-if="away.length > 0" class="muted mt-2 leading-[1.3]" data-away>{{ words }}</p>
</template>
