<script setup lang="ts">
import { newPasswordSchema, type NewPassword, type Settings } from '@peen/contract'
import { useForm } from 'vee-validate'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import FormField from '../components/FormField.vue'
import ToggleButtons from '../components/ToggleButtons.vue'
import TopLine from '../components/TopLine.vue'
import PinPart from './PinPart.vue'
import { sound } from '../composables/applySettings'
import { DRAWINGS, useDogDrawing } from '../composables/useDogDrawing'
import { useHandOver } from '../composables/useHandOver'
import { useNewerStore } from '../offline/newer'
import { useSessionStore } from '../stores/session'
import { useSettingsStore } from '../stores/settings'
import { t } from '../words'

// What a person sets for themselves: it follows them to every tablet. The drawing of dogs stays on the device.
const session = useSessionStore()
const store = useSettingsStore()
const router = useRouter()
const drawing = useDogDrawing()
const said = ref<string | null>(null)
const refused = ref<string | null>(null)

type Worded = Pick<Settings, 'lengths' | 'clock' | 'theme' | 'text' | 'call'>
type Choice = {
  readonly key: keyof Worded
  readonly name: string
  readonly options: readonly { readonly id: string; readonly name: string }[]
}
const choice = <K extends keyof Worded>(key: K, name: string, options: readonly (readonly [Worded[K], string])[]): Choice => ({
  ...{ key, name, options: options.map(([id, words]) => ({ id, name: words })) }
})
const lengths = choice('lengths', 'Lengths', [
  ['mm', 'millimetres'],
  ['in', 'inches']
])
const clock = choice('clock', 'Clock', [
  ['24', t('door.n24Hours')],
  ['12', t('door.n12Hours')]
])
const theme = choice('theme', t('door.lightOrDark'), [
  ['device', t('door.sameDevice')],
  ['light', 'light'],
  ['dark', 'dark']
])
const text = choice('text', t('door.textSize'), [
  ['usual', 'usual'],
  ['large', 'large'],
  ['larger', 'larger']
])
const call = choice('call', t('door.whenApprenticeAsksHelp'), [
  ['quiet', t('door.stayQuiet')],
  ['sound', 'sound'],
  ['vibration', 'vibrate'],
  ['both', 'both']
])
const choices = computed(() => [lengths, clock, theme, text, ...(session.isStaff ? [call] : [])])

async function keep(change: Partial<Settings>): Promise<void> {
  try {
    await store.keep(change)
    refused.value = null
    said.value = t('door.savedEveryTabletYouSign')
    if (change.call === 'sound' || change.call === 'both') sound()
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
}
const { handleSubmit, isSubmitting, resetForm } = useForm<NewPassword>({
  validationSchema: newPasswordSchema,
  initialValues: { now: '', next: '' }
})
const changePassword = handleSubmit(async (body) => {
  try {
    await ask('changePassword', { body })
    refused.value = null
    said.value = t('door.passwordChangedYouSignedOut')
    resetForm()
  } catch (caught) {
    said.value = null
    refused.value = sentenceOf(caught)
  }
})
const { leave } = useHandOver()
const newer = useNewerStore()
</script>

<template>
  <TopLine :what="t('door.yourSettings')" />
  <main class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('door.yourSettings')">
    <h2 class="title">{{ session.me?.givenName }} {{ session.me?.familyName }}</h2>
    <hr class="rule2 mt-2 mb-3" />
    <p v-if="said" class="mb-2 font-[650]" role="status">{{ said }}</p>
    <p v-if="refused" class="mb-2 font-semibold text-danger" role="alert">{{ refused }}</p>
    <div class="grid gap-x-12 gap-y-6 lg:grid-cols-2">
      <div>
        <fieldset v-for="one in choices" :key="one.key" class="mb-5" :data-setting="one.key">
          <legend class="label">{{ one.name }}</legend>
          <ToggleButtons
            :options="one.options"
            :is-on="(id) => id === store.settings[one.key]"
            @toggle="(id) => keep({ [one.key]: id } as Partial<Settings>)"
          />
        </fieldset>
        <fieldset class="mb-5">
          <legend class="label">{{ t('door.drawDogsDevice') }}</legend>
          <ToggleButtons
            :options="DRAWINGS.map((id) => ({ id, name: id }))"
            :is-on="(id) => id === drawing"
            @toggle="(id) => (drawing = id)"
          />
        </fieldset>
      </div>
      <div>
        <h2>{{ t('door.changePassword') }}</h2>
        <form class="mt-2 max-w-[420px]" novalidate @submit="changePassword">
          <FormField name="now" :label="t('door.currentPassword')" type="password" autocomplete="current-password" />
          <FormField name="next" :label="t('door.newPasswordLeastTenCharacters')" type="password" autocomplete="new-password" />
          <button class="btn" :disabled="isSubmitting">{{ isSubmitting ? t('door.changing') : t('door.changeMyPassword') }}</button>
        </form>
        <PinPart />
        <h2 class="mt-8">{{ t('door.tablet') }}</h2>
        <p v-if="newer.isReady" class="mt-2">
          {{ t('door.newerVersionPeenReadyLoads') }}
          <button class="btn btn-quiet mt-2" @click="newer.load()">{{ t('door.loadNow') }}</button>
        </p>
        <button class="btn btn-quiet mt-2" @click="leave">{{ t('door.signOut') }}</button>
        <button class="btn btn-quiet mt-2 ml-2" @click="keep({ guided: false }).then(() => router.push('/floor'))">
          {{ t('door.showGuideAgain') }}
        </button>
      </div>
    </div>
  </main>
</template>
