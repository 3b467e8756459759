<script setup lang="ts">
import { useField } from 'vee-validate'
import { onMounted, ref } from 'vue'
import GlyphMark from './GlyphMark.vue'

const props = withDefaults(defineProps<{ name: string; label: string; type?: string; autocomplete?: string; autofocus?: boolean }>(), {
  type: 'text',
  autocomplete: 'off',
  autofocus: false
})
const { value, errorMessage, handleBlur } = useField<string>(() => props.name)
const input = ref<HTMLInputElement | null>(null)
onMounted(() => props.autofocus && input.value?.focus())
</script>

<template>
  <div class="mb-4">
    <label class="label" :for="name">{{ label }}</label>
    <input
      :id="name"
      ref="input"
      v-model="value"
      class="field"
      :name="name"
      :type="type"
      :autocomplete="autocomplete"
      :aria-invalid="errorMessage ? 'true' : undefined"
      :aria-describedby="errorMessage ? `${name}-error` : undefined"
      @blur="handleBlur($event, false)"
    />
    <p v-if="errorMessage" :id="`${name}-error`" class="mt-1 flex gap-2" role="alert">
      <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ errorMessage }}
    </p>
  </div>
</template>
