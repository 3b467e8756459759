<script setup lang="ts">
import { t } from '../words'
// From which of the dog's own sides it is seen.
const side = defineModel<'left' | 'right'>({ required: true })
</script>

<template>
  <button
    v-for="choice in ['left', 'right'] as const"
    :key="choice"
    :class="['btn', side === choice ? 'bg-ink text-sheet' : 'btn-quiet']"
    :aria-pressed="side === choice"
    @click="side = choice"
  >
    {{ t('shell.choiceSide', { choice }) }}
  </button>
</template>
