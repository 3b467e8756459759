<script setup lang="ts">
import { ref, watch } from 'vue'
import { t } from '../words'

// A number in a labelled field; what is typed stays, and what is wrong with it is said below. Empty is "open" where that is allowed.
const props = defineProps<{ label: string; value: number | null; low: number; high: number; open?: boolean }>()
const emit = defineEmits<{ put: [value: number | null] }>()
const typed = ref(props.value === null ? '' : String(props.value))
const wrong = ref<string | null>(null)
watch(
  () => props.value,
  (value) => {
    if (Number(typed.value.replace(',', '.')) !== value || typed.value.trim() === '') typed.value = value === null ? '' : String(value)
    wrong.value = null
  }
)
function put(): void {
  const text = typed.value.trim().replace(',', '.')
  if (text === '' && props.open) {
    wrong.value = null
    return emit('put', null)
  }
  const value = Number(text)
  wrong.value =
    text !== '' && Number.isFinite(value) && value >= props.low && value <= props.high
      ? null
      : t('library.labelTypedMustLowHigh', {
          label: props.label,
          typed: typed.value,
          low: props.low,
          high: props.high,
          open: props.open ? t('library.orEmptyNoLimit') : ''
        })
  if (wrong.value === null) emit('put', value)
}
</script>

<template>
  <label
    ><span class="label">{{ label }}</span
    ><input
      v-model="typed"
      class="field"
      inputmode="decimal"
      :placeholder="open ? t('library.noLimit') : ''"
      :aria-invalid="wrong ? 'true' : undefined"
      @change="put"
    />
    <span v-if="wrong" class="mt-1 block leading-[1.25] font-semibold text-danger" role="alert">{{ wrong }}</span></label
  >
</template>
