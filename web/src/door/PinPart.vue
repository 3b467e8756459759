<script setup lang="ts">
import { newPinSchema, PIN_DIGITS, type NewPin } from '@peen/contract'
import { useForm } from 'vee-validate'
import { ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import FormField from '../components/FormField.vue'
import { t } from '../words'

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
    said.value = hasPin ? t('door.pinSavedOpensEnrolledTablets') : t('door.pinRemoved')
    resetForm()
  } catch (caught) {
    said.value = null
    refused.value = sentenceOf(caught)
  }
}
const choose = handleSubmit(keep)
</script>

<template>
  <h2 class="mt-8">{{ t('door.pinSharedTablets') }}</h2>
  <p class="muted mt-1 max-w-[520px] leading-[1.35]">
    {{ t('door.leastMostDigitsOpensTablets', { least: PIN_DIGITS.least, most: PIN_DIGITS.most }) }}
  </p>
  <p v-if="said" class="mt-2 font-[650]" role="status">{{ said }}</p>
  <p v-if="refused" class="mt-2 font-semibold" role="alert">{{ refused }}</p>
  <form class="mt-2 max-w-[420px]" novalidate data-testid="own-pin" @submit="choose">
    <FormField name="password" :label="t('door.yourPassword')" type="password" autocomplete="current-password" />
    <FormField name="pin" :label="t('door.newPin')" type="password" autocomplete="off" />
    <button class="btn" :disabled="isSubmitting">{{ t('door.savePin') }}</button>
    <button
      type="button"
      class="btn btn-quiet ml-2"
      :disabled="isSubmitting || !values.password"
      @click="keep({ password: values.password, pin: null })"
    >
      {{ t('door.removePin') }}
    </button>
  </form>
</template>
