<script setup lang="ts">
import { computed } from 'vue'
import { boldParts } from '../composables/words'

const props = defineProps<{ text: string }>()
const parts = computed(() => boldParts(props.text))
</script>

<template>
  <span
    ><template v-for="(part, i) in parts" :key="i"
      ><b v-if="part.bold">{{ part.text }}</b
      ><template v-else>{{ part.text }}</template></template
    ></span
  >
</template>
