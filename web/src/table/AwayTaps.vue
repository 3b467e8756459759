<script setup lang="ts">
import type { PracticeEvent } from '@peen/core/practice'
import { computed } from 'vue'
import { t } from '../words'

// What was tapped here without the server: told to who reads the table, so that a picked name is not taken for a PIN.
const props = defineProps<{ events: readonly PracticeEvent[] }>()
const away = computed(() => props.events.filter((event) => event.away))
const picked = computed(() => away.value.filter((event) => event.away === 'picked').length)
const words = computed(() => {
  const n = away.value.length
  const taps = n === 1 ? t('table.oneTap') : t('table.nTapsWere', { n })
  if (picked.value === 0) return t('table.tapsMadeWithoutConnection', { taps })
  const named = picked.value === n ? t('table.underPickedName') : t('table.pickedThemUnderPickedName', { picked: picked.value })
  return t('table.tapsMadeWithoutConnectionNamed', { taps, named })
})
</script>

<template>
  <p v-if="away.length > 0" class="muted mt-2 leading-[1.3]" data-away>{{ words }}</p>
</template>
