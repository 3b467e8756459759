<script setup lang="ts">
import { ref, watch } from 'vue'
import { t } from '../words'

// A number inside a sentence. What is typed stays; empty is "at any time" where that is allowed.
const props = defineProps<{ label: string; open?: boolean }>()
const model = defineModel<number | null>({ required: true })
const typed = ref(model.value === null ? '' : String(model.value))
watch(model, (value) => {
  if (Number(typed.value) !== value) typed.value = value === null ? '' : String(value)
})
function put(): void {
  const text = typed.value.trim().replace(',', '.')
  if (text === '' && props.open) model.value = null
  else if (text !== '' && Number.isFinite(Number(text))) model.value = Number(text)
  else typed.value = model.value === null ? '' : String(model.value)
}
</script>

<template>
  <input
    v-model="typed"
    class="field mx-1 inline-block h-11 w-[4.6rem] px-2 text-center"
    inputmode="numeric"
    :aria-label="label"
    :placeholder="open ? t('certify.any') : ''"
    @change="put"
  />
</template>
