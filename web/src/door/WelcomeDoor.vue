<script setup lang="ts">
import { welcomeSchema, type Welcome } from '@peen/contract'
import { useForm } from 'vee-validate'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import DoorPage from './DoorPage.vue'
import FormField from '../components/FormField.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Where a letter leads: one chooses a password and is in.
const props = defineProps<{ token: string }>()
const session = useSessionStore()
const router = useRouter()
const refused = ref<string | null>(null)
const { handleSubmit, isSubmitting } = useForm<Welcome>({
  validationSchema: welcomeSchema,
  initialValues: { token: props.token, password: '' }
})
const submit = handleSubmit(async (body) => {
  try {
    await session.enter(await ask('welcome', { body }))
    await router.push('/floor')
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
})
</script>

<template>
  <DoorPage :title="t('door.chooseYourPassword')" :refused="refused">
    <form novalidate @submit="submit">
      <FormField name="password" :label="t('door.passwordLeastTenCharacters')" type="password" autocomplete="new-password" autofocus />
      <button class="btn btn-go w-full" :disabled="isSubmitting">{{ t('door.start') }}</button>
    </form>
  </DoorPage>
</template>
