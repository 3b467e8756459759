<script setup lang="ts">
import TopLine from '../components/TopLine.vue'
import { t } from '../words'
</script>

<template>
  <TopLine :what="t('door.pageNotFound')" />
  <main class="p-6">
    <p class="text-[20px] font-[650]">{{ t('door.pageDoesNotExist') }}</p>
    <p class="muted mt-2">{{ t('door.chooseWhereGoFromMenu') }}</p>
  </main>
</template>
