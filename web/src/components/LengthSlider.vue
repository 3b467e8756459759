<script setup lang="ts">
// A length under the hand: its name, its number, and a slider that moves the drawn dog while it moves.
defineProps<{ id: string; name: string; value: number; low: number; high: number; step: number; unit: string }>()
const emit = defineEmits<{ move: [value: number] }>()
const onInput = (event: Event) => emit('move', Number((event.target as HTMLInputElement).value))
</script>

<template>
  <label class="mt-2 flex justify-between gap-3" :for="id"
    ><span>{{ name }}</span
    ><b class="whitespace-nowrap">{{ value }} {{ unit }}</b></label
  >
  <input :id="id" class="slider h-11 w-full" type="range" :min="low" :max="high" :step="step" :value="value" @input="onInput" />
</template>

<style scoped>
.slider {
  accent-color: var(--act);
}
</style>
