<script setup lang="ts">
import { addressOf, type FeedRow } from '@peen/contract'
import { useClipboard } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import { v7 } from 'uuid'
import { ask } from '../api/client'
import { download } from '../api/download'
import GlyphMark from '../components/GlyphMark.vue'
import { useAsked } from '../composables/useAsked'
import { useDoing } from '../composables/useDoing'
import { sayDate, sayMoment } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// One's own calendar on a phone or a desk: by an address that keeps itself up to date, or as a file.
const session = useSessionStore()
const { data: feeds, reload } = useAsked('feeds')
const { problem, doing } = useDoing(reload)
const name = ref('')
const path = ref<string | null>(null)
const link = computed(() => (path.value ? `${window.location.origin}${path.value}` : ''))
const { copy, copied, isSupported } = useClipboard({ legacy: true })
const box = ref<HTMLElement | null>(null)
async function make(): Promise<void> {
  path.value = null
  await doing(async () => {
    path.value = (await ask('makeFeed', { body: { id: v7(), name: name.value } })).path
    name.value = ''
  })
  await nextTick()
  box.value?.focus()
}
const stateOf = ({ withdrawn, lastReadAt }: FeedRow) =>
  withdrawn
    ? t('calendar.withdrawn')
    : lastReadAt
      ? t('calendar.lastRead', { when: sayMoment(lastReadAt, session.school?.timeZone ?? 'UTC') })
      : t('calendar.neverRead')
</script>

<template>
  <p v-if="problem" class="mb-3 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
  <div v-if="path" ref="box" class="mb-4 border-2 border-ink p-4 outline-none" tabindex="-1" role="status" data-testid="feed">
    <p class="font-[650]"><GlyphMark name="saved" :size="18" class="mr-1.5 align-[-3px]" />{{ t('calendar.addressReady') }}</p>
    <p class="mt-2 break-all" data-link>{{ link }}</p>
    <button v-if="isSupported" class="btn mt-3" @click="copy(link)">{{ copied ? t('calendar.copied') : t('calendar.copy') }}</button>
  </div>
  <p class="leading-[1.4]">{{ t('calendar.addressSays') }}</p>
  <form class="mt-3 flex flex-wrap items-end gap-2" novalidate @submit.prevent="make">
    <div class="min-w-[200px] flex-1">
      <label class="label" for="feed-name">{{ t('calendar.whereRead') }}</label><input
        id="feed-name"
        v-model="name"
        class="field"
        maxlength="60"
        :placeholder="t('calendar.myPhone')"
      />
    </div>
    <button class="btn btn-go">{{ t('calendar.makeAddress') }}</button>
  </form>
  <ul class="row-rule m-0 mt-3 list-none p-0">
    <li v-for="row in feeds ?? []" :key="row.id" class="flex flex-wrap items-center justify-between gap-x-3 py-2">
      <span
        ><b>{{ row.name }}</b>
        <span class="muted block">{{ t('calendar.madeOn', { date: sayDate(row.madeOn, session.today) }) }} {{ stateOf(row) }}</span></span
      >
      <button v-if="!row.withdrawn" class="btn btn-quiet" @click="doing(() => ask('withdrawFeed', { id: row.id }))">
        {{ t('calendar.withdraw') }}
      </button>
    </li>
  </ul>
  <hr class="rule2 my-4" />
  <button class="btn btn-quiet" @click="doing(() => download(addressOf('calendarFile', {})))">{{ t('calendar.saveFile') }}</button>
  <p class="muted mt-2 leading-[1.35]">{{ t('calendar.fileSays') }}</p>
</template>
