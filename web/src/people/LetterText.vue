<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { toString as qrSvg } from 'qrcode'
import { computed, ref, watch } from 'vue'
import { t } from '../words'

// A letter as it would be sent, with its address in full: to copy, to type, or to hold a tablet's camera to.
const props = defineProps<{ body: string }>()
const path = computed(() => /\/welcome\/[\w-]+/.exec(props.body)?.[0] ?? null)
const address = computed(() => (path.value ? `${location.origin}${path.value}` : null))
const text = computed(() => (path.value ? props.body.replace(path.value, address.value!) : props.body))
const { copy, copied, isSupported } = useClipboard({ legacy: true })
const code = ref('')
const shows = ref(false)
watch([address, shows], async () => {
  code.value = address.value && shows.value ? await qrSvg(address.value, { type: 'svg', margin: 1 }) : ''
})
// a picture of our own making from letters and figures alone
const picture = computed(() => `data:image/svg+xml;utf8,${encodeURIComponent(code.value)}`)
</script>

<template>
  <div>
    <p class="break-words whitespace-pre-line">{{ text }}</p>
    <div v-if="address" class="mt-1 flex flex-wrap items-center gap-2">
      <button v-if="isSupported" class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="copy(address)">
        {{ copied ? t('people.copied') : t('people.copyAddress') }}
      </button>
      <button class="btn btn-quiet min-h-11 px-3 text-[16px]" :aria-expanded="shows" @click="shows = !shows">
        {{ shows ? t('people.hideCode') : t('people.showQrCode') }}
      </button>
    </div>
    <img v-if="code" :src="picture" :alt="t('people.qrCodeAddress', { address })" class="mt-2 size-[220px] bg-white p-2" data-testid="qr" />
  </div>
</template>
