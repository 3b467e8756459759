<script setup lang="ts">
import type { CoatPlace, Warning } from '@peen/core/coat'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// What is to be mended, the worst kind first; each leads to its place.
defineProps<{ warnings: readonly Warning[]; most?: number }>()
const emit = defineEmits<{ pick: [place: CoatPlace] }>()
</script>

<template>
  <p v-if="warnings.length === 0" class="flex items-center gap-2"><GlyphMark name="meets" :size="18" />{{ t('coat.nothingCorrect') }}</p>
  <ul v-else class="row-rule m-0 list-none p-0">
    <li v-for="(warning, i) in warnings.slice(0, most ?? warnings.length)" :key="i">
      <button class="block min-h-11 w-full py-1.5 leading-[1.3]" @click="emit('pick', warning.place)">
        <span class="flex gap-2"
          ><GlyphMark name="fails" :size="17" class="mt-0.5" /><span>{{ warning.say }}</span></span
        >
        <span class="muted block pl-[25px]">{{ warning.mend }}</span>
      </button>
    </li>
    <li v-if="most && warnings.length > most" class="muted py-1.5">{{ t('coat.nMoreLike', { n: warnings.length - most }) }}</li>
  </ul>
</template>
