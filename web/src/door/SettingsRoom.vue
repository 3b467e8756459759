<script setup lang="ts">
import { newPasswordSchema, type NewPassword, type Reading, type Settings } from '@peen/contract'
import { LANGUAGES, type Language } from '@peen/wording/languages'
import { useForm } from 'vee-validate'
import { computed, onMounted, ref } from 'vue'
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

type Worded = Pick<Settings, 'language' | 'lengths' | 'clock' | 'week' | 'theme' | 'text' | 'call'>
type Choice = {
  readonly key: keyof Worded
  readonly name: string
  readonly options: readonly { readonly id: string; readonly name: string }[]
}
const choice = <K extends keyof Worded>(key: K, name: string, options: readonly (readonly [Worded[K], string])[]): Choice => ({
  ...{ key, name, options: options.map(([id, words]) => ({ id, name: words })) }
})
/** A language by its own name: the person who looks for it can read it. */
const named = (language: Language) => new Intl.DisplayNames(language, { type: 'language' }).of(language) ?? language
const language = choice(
  'language',
  t('door.language'),
  LANGUAGES.map((one) => [one, named(one)] as const)
)
const lengths = choice('lengths', t('door.lengths'), [
  ['mm', t('door.millimetres')],
  ['in', t('door.inches')]
])
const clock = choice('clock', t('door.clock'), [
  ['24', t('door.n24Hours')],
  ['12', t('door.n12Hours')]
])
const week = choice('week', t('door.firstDayWeek'), [
  ['monday', t('door.monday')],
  ['sunday', t('door.sunday')]
])
const theme = choice('theme', t('door.lightOrDark'), [
  ['device', t('door.sameDevice')],
  ['light', t('door.light')],
  ['dark', t('door.dark')]
])
const text = choice('text', t('door.textSize'), [
  ['usual', t('door.usual')],
  ['large', t('door.large')],
  ['larger', t('door.larger')]
])
const call = choice('call', t('door.whenApprenticeAsksHelp'), [
  ['quiet', t('door.stayQuiet')],
  ['sound', t('door.sound')],
  ['vibration', t('door.vibrate')],
  ['both', t('door.both')]
])
const choices = computed(() => [language, lengths, clock, week, theme, text, ...(session.isStaff ? [call] : [])])

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
/** What the school has for everyone; read when a lead comes here. */
const usual = ref<Reading | null>(null)
onMounted(async () => {
  if (session.isLead) usual.value = (await ask('signedIn')).reading
})
async function keepUsual(change: Partial<Reading>): Promise<void> {
  try {
    usual.value = await ask('keepReading', { body: { ...usual.value!, ...change } })
    refused.value = null
    said.value = t('door.savedForSchool')
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
        <section v-if="usual" class="mt-8" data-testid="for-the-school">
          <h2>{{ t('door.wholeSchool') }}</h2>
          <p class="muted mt-1 leading-[1.35]">{{ t('door.untilChosen') }}</p>
          <fieldset v-for="one in [language, lengths, clock, week]" :key="one.key" class="mt-3">
            <legend class="label">{{ one.name }}</legend>
            <ToggleButtons
              :options="one.options"
              :is-on="(id) => id === usual![one.key as keyof Reading]"
              @toggle="(id) => keepUsual({ [one.key]: id } as Partial<Reading>)"
            />
          </fieldset>
        </section>
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
