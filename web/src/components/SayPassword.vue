<script setup lang="ts">
import { ref, watch } from 'vue'
import { sentenceOf } from '../api/client'
import { useSayPasswordStore } from '../stores/say-password'
import { useSessionStore } from '../stores/session'
import GlyphMark from './GlyphMark.vue'
import SheetDialog from './SheetDialog.vue'
import { t } from '../words'

// Who opened a shared tablet with a PIN says the password once before the first signature.
const session = useSessionStore()
const store = useSayPasswordStore()
const password = ref('')
const refused = ref<string | null>(null)
const works = ref(false)
watch(
  () => store.asked,
  () => ((password.value = ''), (refused.value = null))
)
async function say(): Promise<void> {
  works.value = true
  try {
    await session.sayPassword(password.value)
    store.asked?.(true)
  } catch (caught) {
    refused.value = sentenceOf(caught)
  } finally {
    works.value = false
  }
}
</script>

<template>
  <SheetDialog :open="store.asked !== null" :title="t('shell.enterYourPassword')" @close="store.asked?.(false)">
    <p class="leading-[1.35]">
      {{ t('shell.youOpenedTabletYourPin') }}
    </p>
    <form class="mt-3" @submit.prevent="say">
      <label class="label" for="say-password">{{ t('shell.givenNameSPassword', { givenName: session.me?.givenName }) }}</label>
      <input id="say-password" v-model="password" class="field" type="password" autocomplete="current-password" autofocus />
      <p v-if="refused" class="mt-1 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ refused }}</p>
      <button class="btn btn-go mt-3" :disabled="works || password === ''">{{ t('shell.continue') }}</button>
    </form>
  </SheetDialog>
</template>
