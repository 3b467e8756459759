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
import { t } from '../words'

// only a tablet that people share has a door of its own
const TabletDoor = defineAsyncComponent(() => import('./TabletDoor.vue'))
const session = useSessionStore()
const tablet = useTabletStore()
const reach = useReachStore()
const byName = ref(false)
const shares = computed(() => tablet.tablet !== null && !byName.value)
const place = computed(() =>
  tablet.tablet?.tableNumber
    ? t('door.tableTableNumberName', { tableNumber: tablet.tablet.tableNumber, name: tablet.tablet.name })
    : tablet.tablet?.name
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
const AWAY = t('door.peenNotAnsweringCheckTablet')
const DOWN = t('door.peensDatabaseDownBeingRestarted')
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
  <DoorPage :title="shares ? (place ?? '') : t('door.sign')" :refused="said">
    <template v-if="shares">
      <TabletDoor @refused="(words) => (refused = words)" @opened="atTheTable" />
      <button v-if="!reach.isLost" class="btn btn-quiet mt-4 w-full" @click="byName = true">{{ t('door.signUsername') }}</button>
    </template>
    <form v-else novalidate @submit="submit">
      <FormField name="username" :label="t('door.username')" autocomplete="username" autofocus />
      <FormField name="password" :label="t('door.password')" type="password" autocomplete="current-password" />
      <button class="btn btn-go mt-2 w-full" :disabled="isSubmitting">{{ t('door.sign') }}</button>
    </form>
    <button v-if="tablet.tablet && byName" class="btn btn-quiet mt-3 w-full" @click="byName = false">{{ t('door.openPin') }}</button>
    <p v-for="other in outbox.others" :key="other.name" class="mt-4 leading-[1.35]" role="status">
      {{ t('door.tapsWaitForPerson', { taps: other.taps, name: other.name ? 'named' : 'other', person: other.name }) }}
    </p>
    <RouterLink to="/check" class="mt-6 inline-flex min-h-11 items-center underline underline-offset-4">{{
      t('door.checkCertificate')
    }}</RouterLink>
  </DoorPage>
</template>
