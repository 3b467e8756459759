<script setup lang="ts">
import { AGE_IDS, AGES, cssOf, type AgeId } from './ages'

// Which colour is which age, in words: three hairs on the skin for each.
defineProps<{ isDark: boolean; only?: readonly AgeId[] }>()
</script>

<template>
  <ul class="m-0 flex list-none flex-wrap gap-x-4 gap-y-0.5 p-0 text-[16px] leading-[1.3]">
    <li v-for="id in AGE_IDS.filter((one) => !only || only.includes(one))" :key="id" class="flex items-center gap-1.5">
      <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
        <path d="M3 16Q4 9 7 3M8 16Q9 9 12 2M13 16Q14 10 17 4" fill="none" :stroke="cssOf(id, isDark)" stroke-width="2.2" />
        <path d="M0 17H18" stroke="var(--ink)" stroke-width="1.4" />
      </svg>
      {{ AGES[id].name }}
    </li>
  </ul>
</template>
