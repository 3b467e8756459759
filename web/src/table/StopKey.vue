<script setup lang="ts">
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// One touch stops the work at once. Never below the fold: on a small screen it stays above the bar.
defineProps<{ stopped: boolean }>()
defineEmits<{ press: [] }>()
</script>

<template>
  <button class="stop flex" data-key="stop" :aria-pressed="stopped" @click="$emit('press')">
    <GlyphMark name="hold" :size="28" plain />
    <span class="block text-[17px] leading-[1.1] font-[650]">{{ stopped ? t('table.continue') : t('table.stop') }}</span>
  </button>
</template>

<style scoped>
/* stronger than the look of the keys it stands among */
button.stop.stop {
  border: 1.5px solid var(--danger);
  border-bottom-width: 6px;
  border-radius: 4px;
  background: var(--danger);
  color: var(--danger-ink);
  text-align: left;
}
</style>
