<script setup lang="ts">
import { setupSchema, type Setup } from '@peen/contract'
import { useForm } from 'vee-validate'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { sentenceOf } from '../api/client'
import DoorPage from './DoorPage.vue'
import FormField from '../components/FormField.vue'
import { useSessionStore } from '../stores/session'

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
  <DoorPage title="A new school" :refused="refused">
    <p class="muted mb-4">Nobody is here yet. The first person is a lead assessor and lets the others in.</p>
    <form novalidate @submit="submit">
      <FormField name="schoolName" label="Name of the school" autofocus />
      <div class="grid gap-x-4 sm:grid-cols-2">
        <FormField name="givenName" label="Your given name" autocomplete="given-name" />
        <FormField name="familyName" label="Your family name" autocomplete="family-name" />
      </div>
      <FormField name="username" label="User name" autocomplete="username" />
      <FormField name="password" label="Password, ten characters or more" type="password" autocomplete="new-password" />
      <button class="btn btn-go mt-2 w-full" :disabled="isSubmitting">Open the school</button>
    </form>
  </DoorPage>
</template>
