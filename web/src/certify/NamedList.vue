<script setup lang="ts">
import { computed } from 'vue'
import { t } from '../words'

// Several of many, inside a sentence: each can be taken out, another chosen.
const props = defineProps<{ label: string; options: readonly { readonly id: string; readonly name: string }[] }>()
const model = defineModel<readonly string[]>({ required: true })
const nameOf = (id: string) => props.options.find((option) => option.id === id)?.name ?? id
const rest = computed(() => props.options.filter(({ id }) => !model.value.includes(id)))
function add(event: Event): void {
  const select = event.target as HTMLSelectElement
  if (select.value) model.value = [...model.value, select.value]
  select.value = ''
}
</script>

<template>
  <span class="inline-flex flex-wrap items-center gap-1.5 align-middle">
    <button
      v-for="id in model"
      :key="id"
      class="btn btn-quiet min-h-11 px-3 py-0 text-[16px]"
      :aria-label="t('certify.removeId', { id: nameOf(id) })"
      @click="model = model.filter((own) => own !== id)"
    >
      {{ nameOf(id) }}<span class="ml-2 text-ink2" aria-hidden="true">×</span>
    </button>
    <select v-if="rest.length" class="field h-11 w-44" :aria-label="t('certify.addLabel', { label })" @change="add">
      <option value="">{{ t('certify.add') }}</option>
      <option v-for="option in rest" :key="option.id" :value="option.id">{{ option.name }}</option>
    </select>
  </span>
</template>
