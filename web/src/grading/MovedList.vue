<script setup lang="ts">
import { t } from '../words'
// What was agreed otherwise than the trim is written. A first visit moves every length: many are told in one line, and read on asking.
defineProps<{ moved: readonly { readonly say: string }[] }>()
const MOST_SHOWN = 3
</script>

<template>
  <div v-if="moved.length > 0" data-moved>
    <template v-if="moved.length <= MOST_SHOWN">
      <p v-for="move in moved" :key="move.say">
        <b>{{ t('grading.gradedAgreed') }}</b> {{ move.say }}
      </p>
    </template>
    <details v-else>
      <summary class="min-h-11 cursor-pointer py-2">
        <b>{{ t('grading.gradedAgreed') }}</b> {{ t('grading.nThingsDifferFromTrim', { n: moved.length }) }}
      </summary>
      <p v-for="move in moved" :key="move.say" class="mt-1">{{ move.say }}</p>
    </details>
  </div>
</template>
