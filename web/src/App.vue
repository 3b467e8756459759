<script setup lang="ts">
import { applyTheme } from './composables/useTheme'
import { useSessionStore } from './stores/session'
import BenchBar from './components/BenchBar.vue'

applyTheme()
const session = useSessionStore()
</script>

<template>
  <div class="flex h-dvh flex-col overflow-hidden print:h-auto print:overflow-visible">
    <div class="flex min-h-0 flex-1 flex-col"><RouterView /></div>
    <BenchBar v-if="session.me" />
  </div>
</template>
