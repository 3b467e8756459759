<script setup lang="ts">
import { VIEW_NAMES } from './shape-words'
import { t } from '../words'

// From where a plate is looked at.
defineProps<{ view: string }>()
defineEmits<{ look: [id: (typeof VIEW_NAMES)[number]['id']] }>()
</script>

<template>
  <div class="flex flex-wrap gap-2" role="group" :aria-label="t('figure.viewFrom')">
    <button
      v-for="{ id, name } in VIEW_NAMES"
      :key="id"
      :class="['btn', id === view ? 'bg-ink text-sheet' : 'btn-quiet']"
      :aria-pressed="id === view"
      @click="$emit('look', id)"
    >
      {{ name }}
    </button>
  </div>
</template>
