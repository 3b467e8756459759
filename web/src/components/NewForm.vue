<script setup lang="ts">
import { useForm } from 'vee-validate'
import { v7 } from 'uuid'
import { ref } from 'vue'
import type { Schema } from 'yup'
import { api, sentenceOf } from '../api/client'
import ChoiceField from './ChoiceField.vue'
import FormField from './FormField.vue'

// A form for one new thing: checked here by the schema that the server checks it by, sent, then emptied for the next.
export type NewField = {
  readonly name: string
  readonly label: string
  readonly type?: 'text' | 'number' | 'password'
  readonly choices?: readonly { readonly id: string; readonly name: string }[]
  /** an empty box means null */
  readonly nullable?: boolean
}

const props = defineProps<{
  path: string
  schema: Schema
  fields: readonly NewField[]
  start: Readonly<Record<string, unknown>>
  action: string
}>()
const emit = defineEmits<{ made: [answer: Record<string, unknown>] }>()
const refused = ref<string | null>(null)
const made = (values: Record<string, unknown>) => {
  const sent: Record<string, unknown> = { ...values }
  for (const { name, type, nullable } of props.fields) {
    if (type !== 'number') continue
    sent[name] = values[name] === '' || values[name] === null ? (nullable ? null : undefined) : Number(values[name])
  }
  return sent
}
const { handleSubmit, isSubmitting, resetForm, setFieldError } = useForm({ initialValues: { ...props.start, id: v7() } })
const submit = handleSubmit(async (values) => {
  refused.value = null
  const sent = made(values)
  try {
    await props.schema.validate(sent, { abortEarly: false })
  } catch (caught) {
    const { inner } = caught as { inner: readonly { path: string; message: string }[] }
    // an empty box is missing before it is too short
    const first = [...inner].sort((a, b) => Number(!/missing/.test(a.message)) - Number(!/missing/.test(b.message)))
    for (const { path, message } of first.reverse()) setFieldError(path as never, message)
    return
  }
  try {
    emit('made', await api.post<Record<string, unknown>>(props.path, sent))
    resetForm({ values: { ...props.start, id: v7() } })
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
})
</script>

<template>
  <form novalidate @submit="submit">
    <template v-for="field in fields" :key="field.name">
      <ChoiceField v-if="field.choices" :name="field.name" :label="field.label" :choices="field.choices" />
      <FormField v-else :name="field.name" :label="field.label" :type="field.type === 'number' ? 'text' : field.type" />
    </template>
    <p v-if="refused" class="mb-3 font-semibold text-danger" role="alert">{{ refused }}</p>
    <button class="btn btn-go w-full" :disabled="isSubmitting">{{ action }}</button>
  </form>
</template>
