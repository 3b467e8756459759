<script setup lang="ts">
import { useForm } from 'vee-validate'
import { v7 } from 'uuid'
import { ref } from 'vue'
import { inviteSchema, newDogSchema, newPersonSchema, newVisitSchema } from '@peen/contract'
import { mmOfText } from '@peen/core/units'
import { ask, sentenceOf } from '../api/client'
import { useSettingsStore } from '../stores/settings'
import ChoiceField from './ChoiceField.vue'
import FormField from './FormField.vue'
import { t } from '../words'

// A form for one new thing: checked here by the schema that the server checks it by, sent, then emptied for the next.
export type NewField = {
  readonly name: string
  readonly label: string
  /** `length`: typed in mm, cm or inches, sent as whole mm */
  readonly type?: 'text' | 'number' | 'password' | 'length' | 'time'
  readonly choices?: readonly { readonly id: string; readonly name: string }[]
  /** an empty box means null */
  readonly nullable?: boolean
  /** asked for only where this holds; else its first value is sent */
  readonly only?: (values: Readonly<Record<string, unknown>>) => boolean
}

const SCHEMAS = { planVisit: newVisitSchema, addDog: newDogSchema, addPerson: newPersonSchema, invite: inviteSchema }
const props = defineProps<{
  /** the endpoint that takes it; by its shape it is checked here too */
  to: keyof typeof SCHEMAS
  fields: readonly NewField[]
  start: Readonly<Record<string, unknown>>
  action: string
}>()
type Made = { readonly id: string; readonly warnings?: readonly string[] }
const emit = defineEmits<{ made: [answer: Made] }>()
const refused = ref<string | null>(null)
const settings = useSettingsStore()
const made = (values: Record<string, unknown>) => {
  const sent: Record<string, unknown> = { ...values }
  for (const { name, only } of props.fields) if (only && !only(values)) sent[name] = props.start[name]
  for (const { name, type, nullable } of props.fields) {
    if (type !== 'number') {
      if (nullable && values[name] === '') sent[name] = null
      continue
    }
    sent[name] = values[name] === '' || values[name] === null ? (nullable ? null : undefined) : Number(values[name])
  }
  return sent
}
/** Lengths as they were typed, in mm; what is none is said beside its field. */
function readLengths(sent: Record<string, unknown>): boolean {
  let isRight = true
  for (const { name, label, type } of props.fields) {
    if (type !== 'length') continue
    const text = String(sent[name] ?? '').trim()
    if (text === '') sent[name] = undefined
    else {
      try {
        sent[name] = Math.round(mmOfText(text, settings.settings.lengths))
      } catch {
        setFieldError(name as never, t('shell.labelTextMustLengthSuch', { label, text: text.slice(0, 20) }))
        isRight = false
      }
    }
  }
  return isRight
}
const {
  handleSubmit,
  isSubmitting,
  resetForm,
  setFieldError,
  values: now
} = useForm<Record<string, unknown>>({ initialValues: { ...props.start, id: v7() } })
const isMissing = ({ type }: { readonly type: string }) => type === 'required' || type === 'optionality'
const submit = handleSubmit(async (values) => {
  refused.value = null
  const sent = made(values)
  if (!readLengths(sent)) return
  try {
    await SCHEMAS[props.to].validate(sent, { abortEarly: false })
  } catch (caught) {
    const { inner } = caught as { inner: readonly { path: string; message: string; type: string }[] }
    // an empty box is missing before it is too short
    const first = [...inner].sort((a, b) => Number(!isMissing(a)) - Number(!isMissing(b)))
    for (const { path, message } of first.reverse()) setFieldError(path as never, message)
    return
  }
  try {
    emit('made', await ask(props.to, { body: sent as never }))
    resetForm({ values: { ...props.start, id: v7() } })
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
})
</script>

<template>
  <form novalidate @submit="submit">
    <template v-for="field in fields.filter(({ only }) => !only || only(now))" :key="field.name">
      <ChoiceField v-if="field.choices" :name="field.name" :label="field.label" :choices="field.choices" />
      <FormField
        v-else
        :name="field.name"
        :label="field.type === 'length' ? `${field.label}, ${settings.settings.lengths}` : field.label"
        :type="field.type === 'password' || field.type === 'time' ? field.type : 'text'"
      />
    </template>
    <p v-if="refused" class="mb-3 font-semibold text-danger" role="alert">{{ refused }}</p>
    <button class="btn btn-go w-full" :disabled="isSubmitting">{{ action }}</button>
  </form>
</template>
