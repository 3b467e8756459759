<script setup lang="ts">
import TopLine from '../components/TopLine.vue'
</script>

<template>
  <TopLine what="Not here" />
  <main class="p-6">
    <p class="text-[20px] font-[650]">This page does not exist.</p>
    <p class="muted mt-2">Go on from one of the places below.</p>
  </main>
</template>
