<script setup lang="ts">
import { t } from '../words'
// The states before there is anything to show: still loading (keeps its shape) or an error that says what was kept.
defineProps<{ loading: boolean; error: string | null; empty?: boolean }>()
defineEmits<{ retry: [] }>()
</script>

<template>
  <div class="p-6">
    <template v-if="error">
      <p class="text-[20px] font-[650]" role="alert">{{ error }}</p>
      <button class="btn btn-quiet mt-4" @click="$emit('retry')">{{ t('shell.tryAgain') }}</button>
    </template>
    <div v-else-if="loading" aria-busy="true">
      <p class="sr-only">{{ t('shell.loading') }}</p>
      <div v-for="i in 5" :key="i" class="mb-4 h-8 border-[1.5px] border-dashed border-hair" :style="{ width: `${90 - 9 * i}%` }" />
    </div>
    <div v-else-if="empty"><slot /></div>
  </div>
</template>
