<script setup lang="ts">
// Parts of one screen, each with an address of its own.
defineProps<{ name: string; base: string; here: string; parts: readonly { readonly id: string; readonly name: string }[] }>()
</script>

<template>
  <nav class="no-print mb-2 flex flex-wrap gap-2" :aria-label="name">
    <RouterLink
      v-for="one in parts"
      :key="one.id"
      :to="`${base}/${one.id}`"
      :class="['btn min-h-11 px-4 py-1 text-[16px]', here === one.id ? 'bg-ink text-sheet' : 'btn-quiet']"
      :aria-current="here === one.id ? 'page' : undefined"
      >{{ one.name }}</RouterLink
    >
  </nav>
</template>
