<script setup lang="ts" generic="T extends string">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'

// One of a few, as big touch targets; arrow keys move the choice.
defineProps<{ label: string; options: readonly { readonly value: T; readonly name: string }[]; quiet?: boolean }>()
// nothing may be chosen yet: the group then shows no choice
const model = defineModel<T | null>({ required: true })
</script>

<template>
  <RadioGroup :model-value="model ?? undefined" @update:model-value="(value: T) => (model = value)" :class="!quiet && 'mb-4'">
    <RadioGroupLabel :class="quiet ? 'sr-only' : 'label'">{{ label }}</RadioGroupLabel>
    <div class="flex flex-wrap gap-2">
      <RadioGroupOption v-for="option in options" v-slot="{ checked }" :key="String(option.value)" :value="option.value" as="template">
        <button type="button" :class="['btn min-h-11 px-4 py-1 text-[16px]', checked ? 'bg-ink text-sheet' : 'btn-quiet']">
          {{ option.name }}
        </button>
      </RadioGroupOption>
    </div>
  </RadioGroup>
</template>
