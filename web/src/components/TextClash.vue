<script setup lang="ts">
import type { Choice, Clash } from '@peen/core/changes'
import { computed, ref, watch } from 'vue'
import SheetDialog from './SheetDialog.vue'
import SideBySide from './SideBySide.vue'
import { t } from '../words'

// Two devices changed the same things: both are read side by side, and a person says which hold. What only one changed is kept.
const props = defineProps<{
  title: string
  clashes: readonly Clash[]
  nameOf: (clash: Clash) => string
  say: (clash: Clash, value: unknown) => string
}>()
const emit = defineEmits<{ settle: [choices: Readonly<Record<string, Choice>>] }>()
const choices = ref<Readonly<Record<string, Choice>>>({})
watch(
  () => props.clashes,
  (clashes) => (choices.value = Object.fromEntries(clashes.map(({ at }) => [at, 'here']))),
  { immediate: true }
)
const rows = computed(() =>
  props.clashes.map((clash) => ({
    ...{ id: clash.at, name: props.nameOf(clash) },
    ...{ here: props.say(clash, clash.here), there: props.say(clash, clash.there) }
  }))
)
const settle = () => clashesLeft.value && emit('settle', choices.value)
const clashesLeft = computed(() => props.clashes.length > 0)
</script>

<template>
  <SheetDialog :open="clashesLeft" :title="title" wide @close="settle">
    <p class="leading-[1.35]">
      {{ t('shell.bothDevicesChanged', { n: rows.length }) }}
    </p>
    <SideBySide v-model="choices" :rows="rows" />
    <button class="btn btn-go mt-4" data-settle @click="settle">{{ t('shell.use') }}</button>
  </SheetDialog>
</template>
