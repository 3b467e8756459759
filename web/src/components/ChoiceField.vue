<script setup lang="ts">
import { useField } from 'vee-validate'
import GlyphMark from './GlyphMark.vue'
import { t } from '../words'

// A choice among few, labelled, with what is wrong about it below.
const props = defineProps<{ name: string; label: string; choices: readonly { readonly id: string; readonly name: string }[] }>()
const { value, errorMessage, handleBlur } = useField<string>(() => props.name)
</script>

<template>
  <div class="mb-4">
    <label class="label" :for="name">{{ label }}</label>
    <select
      :id="name"
      v-model="value"
      class="field h-12 w-full"
      :name="name"
      :aria-invalid="errorMessage ? 'true' : undefined"
      :aria-describedby="errorMessage ? `${name}-error` : undefined"
      @blur="handleBlur($event, false)"
    >
      <option v-if="!choices.some(({ id }) => id === '')" value="" disabled>{{ t('shell.choose') }}</option>
      <option v-for="choice in choices" :key="choice.id" :value="choice.id">{{ choice.name }}</option>
    </select>
    <p v-if="errorMessage" :id="`${name}-error`" class="mt-1 flex gap-2" role="alert">
      <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ errorMessage }}
    </p>
  </div>
</template>
