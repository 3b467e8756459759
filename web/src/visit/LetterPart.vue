<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { ref } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// Texts to send oneself: Peen sends nothing.
defineProps<{ letters: readonly { readonly id: string; readonly title: string; readonly text: string }[] }>()
const { copy, isSupported } = useClipboard({ legacy: true })
const copied = ref<string | null>(null)
async function take(id: string, text: string): Promise<void> {
  await copy(text)
  copied.value = id
}
</script>

<template>
  <section class="mt-6" :aria-label="t('visit.textsToSend')" data-testid="letters">
    <h2>{{ t('visit.textsToSend') }}</h2>
    <hr class="rule2 mt-1" />
    <div v-for="one in letters" :key="one.id" class="border-b border-line py-3">
      <p class="font-[650]">{{ one.title }}</p>
      <p class="mt-1 leading-[1.4] whitespace-pre-line" :data-letter="one.id">{{ one.text }}</p>
      <button v-if="isSupported" type="button" class="btn btn-quiet mt-2" @click="take(one.id, one.text)">
        <GlyphMark v-if="copied === one.id" name="saved" :size="17" class="mr-1" />{{
          copied === one.id ? t('visit.copied') : t('visit.copyText')
        }}
      </button>
    </div>
  </section>
</template>
