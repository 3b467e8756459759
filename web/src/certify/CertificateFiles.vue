<script setup lang="ts">
import { addressOf } from '@peen/contract'
import { ref } from 'vue'
import { download } from '../api/download'
import GlyphMark from '../components/GlyphMark.vue'
import { useAsked } from '../composables/useAsked'
import { useDoing } from '../composables/useDoing'
import { t } from '../words'

// An issued certificate as it goes out of the house: on paper, as a file, as a picture; and how anyone checks it.
const props = defineProps<{ id: string; number: string }>()
const { data, error } = useAsked('credential', () => ({ id: props.id }))
const { problem, doing } = useDoing(async () => undefined)
const getting = ref(false)
/** It takes a moment to put together, and may be refused while a mark in it is blind. */
async function getEvidence(): Promise<void> {
  getting.value = true
  await doing(() => download(addressOf('evidence', { id: props.id })))
  getting.value = false
}
const files = [
  { name: t('certify.onPaper'), to: addressOf('paper', { id: props.id }) },
  { name: t('certify.onPaperWithEvidence'), to: addressOf('paper', { id: props.id }, { evidence: 'yes' }) },
  { name: t('certify.badgePicture'), to: addressOf('badge', { id: props.id }) },
  { name: t('certify.signedFile'), to: addressOf('credentialFile', { id: props.id }) }
]
</script>

<template>
  <section class="no-print mt-5" data-testid="certificate-files" :aria-label="t('certify.takeOut')">
    <h2 class="title">{{ t('certify.takeOut') }}</h2>
    <hr class="rule2 mt-2" />
    <p v-if="error" class="mt-3 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ error }}</p>
    <template v-else-if="data">
      <p class="mt-3 text-[18px] font-[650]">{{ t('certify.checkedBy', { number, code: data.code }) }}</p>
      <p class="muted">{{ t('certify.signedWith', { fingerprint: data.fingerprint }) }}</p>
      <div class="mt-3 grid gap-2">
        <a v-for="file in files" :key="file.to" :href="file.to" class="btn btn-quiet" download>{{ file.name }}</a>
        <button class="btn btn-quiet" :disabled="getting" @click="getEvidence">
          {{ getting ? t('certify.puttingTogether') : t('certify.evidenceFile') }}
        </button>
        <p v-if="problem" class="flex gap-2 leading-[1.3]" role="alert">
          <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}
        </p>
        <RouterLink :to="`/check/${number}/${data.code}`" class="btn btn-quiet">{{ t('certify.checkPage') }}</RouterLink>
      </div>
      <p class="muted mt-2 leading-[1.3]">{{ t('certify.takeOutSays') }}</p>
      <p class="muted mt-2 leading-[1.3]">{{ t('certify.evidenceSays') }}</p>
      <p v-if="!data.checkUrl" class="muted mt-2 leading-[1.3]">{{ t('certify.noAddressYet') }}</p>
    </template>
  </section>
</template>
