<script setup lang="ts">
import { setupSchema, type Setup } from '@peen/contract'
import { useForm } from 'vee-validate'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { sentenceOf } from '../api/client'
import DoorPage from './DoorPage.vue'
import FormField from '../components/FormField.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

const session = useSessionStore()
const router = useRouter()
const refused = ref<string | null>(null)
const { handleSubmit, isSubmitting } = useForm<Setup>({ validationSchema: setupSchema })
const submit = handleSubmit(async (values) => {
  refused.value = null
  try {
    await session.setUp(values)
    await router.push('/floor')
  } catch (error) {
    refused.value = sentenceOf(error)
  }
})
</script>

<template>
  <DoorPage :title="t('door.setUpYourSchool')" :refused="refused">
    <p class="muted mb-4">{{ t('door.noOneHereYetFirst') }}</p>
    <form novalidate @submit="submit">
      <FormField name="schoolName" :label="t('door.schoolName')" autofocus />
      <div class="grid gap-x-4 sm:grid-cols-2">
        <FormField name="givenName" :label="t('door.yourFirstName')" autocomplete="given-name" />
        <FormField name="familyName" :label="t('door.yourLastName')" autocomplete="family-name" />
      </div>
      <FormField name="username" :label="t('door.username')" autocomplete="username" />
      <FormField name="password" :label="t('door.passwordLeastTenCharacters')" type="password" autocomplete="new-password" />
      <button class="btn btn-go mt-2 w-full" :disabled="isSubmitting">{{ t('door.createSchool') }}</button>
    </form>
  </DoorPage>
</template>
