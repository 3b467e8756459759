<script setup lang="ts">
import { signInSchema, type SignIn } from '@peen/contract'
import { useForm } from 'vee-validate'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { sentenceOf } from '../api/client'
import { read } from '../offline/read'
import DoorPage from './DoorPage.vue'
import FormField from '../components/FormField.vue'
import { useOutboxStore } from '../stores/outbox'
import { useReachStore } from '../stores/reach'
import { useSessionStore } from '../stores/session'
import { useTabletStore } from '../stores/tablet'

// only a tablet that people share has a door of its own
const TabletDoor = defineAsyncComponent(() => import('./TabletDoor.vue'))
const session = useSessionStore()
const tablet = useTabletStore()
const reach = useReachStore()
const byName = ref(false)
const shares = computed(() => tablet.tablet !== null && !byName.value)
const place = computed(() =>
  tablet.tablet?.tableNumber ? `Table ${tablet.tablet.tableNumber}, ${tablet.tablet.name}` : tablet.tablet?.name
)
watch(
  () => reach.isLost,
  () => void tablet.look(),
  { immediate: true }
)
const outbox = useOutboxStore()
const route = useRoute()
const router = useRouter()
const refused = ref<string | null>(null)
const AWAY = 'Peen does not answer. Check that this tablet is in the school’s network; this page goes on by itself when Peen is back.'
const DOWN = 'Peen’s database is down. It is started again by itself, and this page goes on when it is back.'
const said = computed(() => (reach.isLost && !shares.value ? (reach.lostBy === 'database' ? DOWN : AWAY) : refused.value))
const goOn = () => router.push(typeof route.query.to === 'string' && route.query.to.startsWith('/') ? route.query.to : '/floor')
/** A tablet of a table opens at the dog that is on it. */
async function atTheTable(): Promise<void> {
  const { tableId } = tablet.tablet ?? {}
  const floor = tableId ? await read('floor', {}).catch(() => null) : null
  const visitId = floor?.tables.find((table) => table.tableId === tableId)?.visitId
  await (visitId ? router.push(`/table/${visitId}`) : goOn())
}
// a page that was opened while the server was away finds out later who is signed in
watch(
  () => session.needsSetup || (session.me !== null && session.school !== null),
  (isFound) => isFound && !shares.value && void goOn()
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
  <DoorPage :title="shares ? (place ?? '') : 'Sign in'" :refused="said">
    <template v-if="shares">
      <TabletDoor @refused="(words) => (refused = words)" @opened="atTheTable" />
      <button v-if="!reach.isLost" class="btn btn-quiet mt-4 w-full" @click="byName = true">Sign in with a user name</button>
    </template>
    <form v-else novalidate @submit="submit">
      <FormField name="username" label="User name" autocomplete="username" autofocus />
      <FormField name="password" label="Password" type="password" autocomplete="current-password" />
      <button class="btn btn-go mt-2 w-full" :disabled="isSubmitting">Sign in</button>
    </form>
    <button v-if="tablet.tablet && byName" class="btn btn-quiet mt-3 w-full" @click="byName = false">Open with a PIN</button>
    <p v-for="other in outbox.others" :key="other.name" class="mt-4 leading-[1.35]" role="status">
      {{ other.taps }} of {{ other.name ? `${other.name}’s` : 'another person’s' }} taps {{ other.taps === 1 ? 'is' : 'are' }} kept on this
      tablet. Peen sends {{ other.taps === 1 ? 'it' : 'them' }} when they sign in.
    </p>
  </DoorPage>
</template>
