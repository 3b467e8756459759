<script setup lang="ts">
import { newPinSchema, PIN_DIGITS, type NewPin } from '@peen/contract'
import { useForm } from 'vee-validate'
import { ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import FormField from '../components/FormField.vue'

// The PIN with which a person opens tablets that people share.
const said = ref<string | null>(null)
const refused = ref<string | null>(null)
const { handleSubmit, isSubmitting, resetForm, values } = useForm<NewPin>({
  validationSchema: newPinSchema,
  initialValues: { password: '', pin: '' }
})
async function keep(body: NewPin): Promise<void> {
  try {
    const { hasPin } = await ask('keepPin', { body })
    refused.value = null
    said.value = hasPin ? 'Your PIN is kept. It opens enrolled tablets, and nothing else.' : 'You have no PIN any more.'
    resetForm()
  } catch (caught) {
    said.value = null
    refused.value = sentenceOf(caught)
  }
}
const choose = handleSubmit(keep)
</script>

<template>
  <h2 class="mt-8">A PIN for shared tablets</h2>
  <p class="muted mt-1 max-w-[520px] leading-[1.35]">
    {{ PIN_DIGITS.least }} to {{ PIN_DIGITS.most }} digits. It opens the tablets that a lead assessor has enrolled. To sign a mark you still
    need your password.
  </p>
  <p v-if="said" class="mt-2 font-[650]" role="status">{{ said }}</p>
  <p v-if="refused" class="mt-2 font-semibold" role="alert">{{ refused }}</p>
  <form class="mt-2 max-w-[420px]" novalidate data-testid="own-pin" @submit="choose">
    <FormField name="password" label="Your password" type="password" autocomplete="current-password" />
    <FormField name="pin" label="New PIN" type="password" autocomplete="off" />
    <button class="btn" :disabled="isSubmitting">Keep this PIN</button>
    <button
      type="button"
      class="btn btn-quiet ml-2"
      :disabled="isSubmitting || !values.password"
      @click="keep({ password: values.password, pin: null })"
    >
      No PIN
    </button>
  </form>
</template>
