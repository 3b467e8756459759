<script setup lang="ts">
import { addressOf, type PortfolioRow } from '@peen/contract'
import { useClipboard } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import { ask } from '../api/client'
import { download } from '../api/download'
import GlyphMark from '../components/GlyphMark.vue'
import SheetDialog from '../components/SheetDialog.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { useDoing } from '../composables/useDoing'
import { sayDate, sayMoment } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'
import PortfolioForm from './PortfolioForm.vue'

// What an apprentice shows outside the school: made here, with who opened it, and taken back here.
const session = useSessionStore()
const { data: choices, error, loading, reload: reloadChoices } = useAsked('portfolioChoices')
const { data: rows, reload } = useAsked('portfolios')
const { problem, doing } = useDoing(reload)
const path = ref<string | null>(null)
const link = computed(() => (path.value ? `${window.location.origin}${path.value}` : ''))
const { copy, copied, isSupported } = useClipboard({ legacy: true })
const box = ref<HTMLElement | null>(null)
const asksBack = ref<PortfolioRow | null>(null)

async function made(to: string): Promise<void> {
  path.value = to
  await reload()
  await nextTick()
  box.value?.focus()
}
async function takeBack(): Promise<void> {
  const { id } = asksBack.value!
  asksBack.value = null
  await doing(() => ask('takePortfolioBack', { id }))
}
const when = (iso: string) => sayMoment(iso, session.school?.timeZone ?? 'UTC')
const stateOf = ({ state, endsOn }: PortfolioRow) => {
  const date = sayDate(endsOn, session.today)
  return state === 'open'
    ? t('portfolio.isOpen', { date })
    : state === 'ended'
      ? t('portfolio.hasEnded', { date })
      : t('portfolio.wasTakenBack')
}
const holds = ({ certificates, trims, charts }: PortfolioRow) =>
  [
    ...(certificates > 0 ? [t('portfolio.countCertificates', { count: certificates })] : []),
    ...(trims > 0 ? [t('portfolio.countTrims', { count: trims })] : []),
    ...(charts > 0 ? [t('portfolio.countCharts', { count: charts })] : [])
  ].join(', ')
</script>

<template>
  <TopLine :what="t('portfolio.yours')" />
  <ViewState v-if="!choices || !rows" :loading="loading" :error="error" @retry="reloadChoices" />
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('portfolio.yours')">
    <p class="finding max-sm:text-[23px]">{{ t('portfolio.yoursSays') }}</p>
    <div class="mt-5 grid gap-8 lg:grid-cols-2">
      <section :aria-label="t('portfolio.make')">
        <h2 class="title">{{ t('portfolio.make') }}</h2>
        <hr class="rule2 mt-2 mb-3" />
        <div
          v-if="path"
          ref="box"
          class="mb-5 border-2 border-ink bg-sheet p-4 outline-none"
          tabindex="-1"
          role="status"
          data-testid="link"
        >
          <p class="font-[650]"><GlyphMark name="saved" :size="18" class="mr-1.5 align-[-3px]" />{{ t('portfolio.ready') }}</p>
          <p class="mt-2 break-all" data-link>{{ link }}</p>
          <button v-if="isSupported" class="btn mt-3" @click="copy(link)">
            {{ copied ? t('portfolio.copied') : t('portfolio.copy') }}
          </button>
        </div>
        <PortfolioForm :choices="choices" @made="made" />
      </section>
      <section :aria-label="t('portfolio.made')">
        <h2 class="title">{{ t('portfolio.made') }}</h2>
        <hr class="rule2 mt-2" />
        <p v-if="rows.length === 0" class="mt-3">{{ t('portfolio.none') }}</p>
        <p v-if="problem" class="mt-3 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
        <ul class="m-0 list-none p-0" data-testid="portfolios">
          <li v-for="row in rows" :key="row.id" class="border-b border-line py-3">
            <p class="flex flex-wrap justify-between gap-x-4">
              <b>{{ row.title }}</b>
              <span :class="row.state !== 'open' && 'muted'">{{ stateOf(row) }}</span>
            </p>
            <p class="muted">{{ holds(row) }}</p>
            <ul class="m-0 mt-1 list-none p-0 leading-[1.35]">
              <li v-for="one in row.opened" :key="one.at">{{ t('portfolio.openedBy', { reader: one.reader, when: when(one.at) }) }}</li>
              <li v-if="row.opened.length === 0" class="muted">{{ t('portfolio.notOpened') }}</li>
            </ul>
            <div class="mt-2 flex flex-wrap gap-2">
              <button class="btn btn-quiet" @click="doing(() => download(addressOf('portfolioFile', { id: row.id })))">
                {{ t('portfolio.file') }}
              </button>
              <button v-if="row.state === 'open'" class="btn btn-quiet" @click="asksBack = row">{{ t('portfolio.takeBack') }}</button>
            </div>
          </li>
        </ul>
      </section>
    </div>
    <SheetDialog :open="asksBack !== null" :title="t('portfolio.takeBackTitle')" @close="asksBack = null">
      <p class="leading-[1.4]">{{ t('portfolio.takeBackSays', { title: asksBack?.title }) }}</p>
      <button class="btn btn-go mt-4 w-full" @click="takeBack">{{ t('portfolio.takeBack') }}</button>
    </SheetDialog>
  </main>
</template>
