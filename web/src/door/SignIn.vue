<script setup lang="ts">
import { signInSchema, type SignIn } from '@peen/contract'
import { useForm } from 'vee-validate'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { sentenceOf } from '../api/client'
import DoorPage from './DoorPage.vue'
import FormField from '../components/FormField.vue'
import { useOutboxStore } from '../stores/outbox'
import { useReachStore } from '../stores/reach'
import { useSessionStore } from '../stores/session'

const session = useSessionStore()
const outbox = useOutboxStore()
const route = useRoute()
const router = useRouter()
const reach = useReachStore()
const refused = ref<string | null>(null)
const AWAY = 'Peen does not answer. Check that this tablet is in the school’s network; this page goes on by itself when Peen is back.'
const said = computed(() => (reach.isLost ? AWAY : refused.value))
const goOn = () => router.push(typeof route.query.to === 'string' && route.query.to.startsWith('/') ? route.query.to : '/floor')
// a page that was opened while the server was away finds out later who is signed in
watch(
  () => session.needsSetup || (session.me !== null && session.school !== null),
  (isFound) => isFound && void goOn()
)
const { handleSubmit, isSubmitting } = useForm<SignIn>({ validationSchema: signInSchema })
const submit = handleSubmit(async (values) => {
  refused.value = null
  try {
    await session.signIn(values)
    await goOn()
  } catch (error) {
    refused.value = sentenceOf(error)
  }
})
</script>

<template>
  <DoorPage title="Sign in" :refused="said">
    <form novalidate @submit="submit">
      <FormField name="username" label="User name" autocomplete="username" autofocus />
      <FormField name="password" label="Password" type="password" autocomplete="current-password" />
      <button class="btn btn-go mt-2 w-full" :disabled="isSubmitting">Sign in</button>
    </form>
    <p v-for="other in outbox.others" :key="other.name" class="mt-4 leading-[1.35]" role="status">
      {{ other.taps }} of {{ other.name ? `${other.name}’s` : 'another person’s' }} taps {{ other.taps === 1 ? 'is' : 'are' }} kept on this
      tablet. Peen sends {{ other.taps === 1 ? 'it' : 'them' }} when they sign in.
    </p>
  </DoorPage>
</template>
