<script setup lang="ts">
import { houseWordsAt } from '@peen/content'
import { computed, ref, watch } from 'vue'
import { t } from '../words'

// What this house does at a step where others do otherwise. The apprentice says why first; the reason is one touch away.
const props = defineProps<{ house: Readonly<Record<string, number>>; techniqueId: string | null; asks: boolean }>()
const words = computed(() => (props.techniqueId === null ? [] : houseWordsAt(props.techniqueId, props.house)))
const told = ref(false)
watch(
  () => props.techniqueId,
  () => (told.value = false)
)
</script>

<template>
  <div v-if="words.length > 0" class="mt-2 leading-[1.3]" data-testid="house-at-step">
    <p class="font-[650]">{{ t('table.houseRuleStep') }}</p>
    <ul class="m-0 list-none p-0">
      <li v-for="one in words" :key="one.rule" class="mt-0.5">
        {{ one.say }}<span v-if="told" class="muted block">{{ one.because }}</span>
      </li>
    </ul>
    <button v-if="!told" class="min-h-11 underline underline-offset-4" @click="told = true">
      {{ asks ? t('table.sayWhyFirstThenRead') : t('table.why') }}
    </button>
  </div>
</template>
