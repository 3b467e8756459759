<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useKeys } from '../composables/useKeys'
import { useHelpStore } from '../stores/help'
import { useSearchStore } from '../stores/search'
import { useTabletStore } from '../stores/tablet'
import { useHandOver } from '../composables/useHandOver'
import { useSessionStore } from '../stores/session'
import HelpDialog from '../help/HelpDialog.vue'
import SayPassword from './SayPassword.vue'
import SearchDialog from './SearchDialog.vue'
import TabletLock from './TabletLock.vue'
import { t } from '../words'

const session = useSessionStore()
const tablet = useTabletStore()
const { handOver, leave } = useHandOver()
void tablet.look()
const route = useRoute()
const router = useRouter()
const help = useHelpStore()
const search = useSearchStore()

const places = computed(() => {
  const record = session.isStaff
    ? { name: t('shell.apprentices'), to: '/apprentices', key: 'a' }
    : { name: t('shell.myRecord'), to: `/apprentices/${session.me?.id}`, key: 'a' }
  const certify = session.isStaff ? [{ name: t('shell.certify'), to: '/certify', key: 'c' }] : []
  return [
    { name: t('shell.floor'), to: '/floor', key: 'f' },
    record,
    { name: t('shell.dogs'), to: '/dogs', key: 'd' },
    { name: t('shell.trims'), to: '/trims', key: 't' },
    { name: t('shell.coat'), to: '/coat', key: 'v' },
    ...certify
  ]
})
const isHere = (to: string) => route.meta.place === to.split('/')[1]

useKeys([
  ...['f', 'a', 'd', 't', 'v', 'c'].map((key) => ({
    key,
    label: {
      f: t('shell.floor'),
      a: t('shell.apprentices'),
      d: t('shell.dogs'),
      t: t('shell.trims'),
      v: t('shell.coat'),
      c: t('shell.certify')
    }[key]!,
    run: () => void goTo(key)
  })),
  { key: 'k', label: t('shell.calendar'), run: () => void router.push('/calendar') },
  { key: '/', label: t('shell.search'), run: () => (search.open = true) },
  { key: ',', label: t('shell.yourSettings'), run: () => void router.push('/settings') },
  { key: '?', label: t('shell.helpAndKeys'), run: () => (help.open = true) }
])
function goTo(key: string): void {
  const place = places.value.find((candidate) => candidate.key === key)
  if (place) void router.push(place.to)
}
</script>

<template>
  <nav class="bench no-print relative flex h-16 flex-none border-t-2 border-ink bg-sheet px-0 sm:px-3" :aria-label="t('shell.mainMenu')">
    <RouterLink
      v-for="place in places"
      :key="place.name"
      :to="place.to"
      :aria-current="isHere(place.to) ? 'page' : undefined"
      :class="[
        'relative flex items-center pt-1.5 text-[16px] no-underline max-sm:flex-1 max-sm:justify-center max-sm:px-1 sm:px-2 lg:px-[22px] sm:text-[18px]',
        isHere(place.to) ? 'bg-ink font-[650] text-sheet' : 'font-medium text-ink'
      ]"
      >{{ place.name }}</RouterLink
    >
    <span class="flex-1 max-sm:hidden" />
    <button class="flex items-center gap-2 px-4 pt-1.5 max-lg:hidden" @click="help.open = true">
      <kbd class="rounded-[4px] border-[1.5px] border-hair px-[9px] py-1 font-sans text-[16px] leading-none font-[650]">?</kbd
      >{{ t('shell.help') }}
    </button>
    <button class="flex items-center gap-2 px-4 pt-1.5 max-lg:hidden" @click="search.open = true">
      <kbd class="rounded-[4px] border-[1.5px] border-hair px-[9px] py-1 font-sans text-[16px] leading-none font-[650]">/</kbd
      >{{ t('shell.search') }}
    </button>
    <RouterLink
      to="/settings"
      :aria-current="route.meta.place === 'settings' ? 'page' : undefined"
      :class="[
        'flex items-center px-4 pt-1.5 no-underline max-lg:hidden',
        route.meta.place === 'settings' ? 'bg-ink font-[650] text-sheet' : 'text-ink'
      ]"
      >{{ t('shell.me') }}</RouterLink
    >
    <button v-if="tablet.tablet" class="flex items-center px-4 pt-1.5 max-lg:hidden" @click="handOver">{{ t('shell.handOver') }}</button>
    <button v-else class="flex items-center px-4 pt-1.5 max-lg:hidden" @click="leave">{{ t('shell.signOut') }}</button>
    <TabletLock v-if="tablet.tablet" :key="tablet.tablet.locksAfterMin" :minutes="tablet.tablet.locksAfterMin" />
    <SayPassword />
    <SearchDialog :open="search.open" @close="search.open = false" />
    <HelpDialog />
  </nav>
</template>

<style scoped>
/* the comb: hair is the second motif of the look */
.bench::before {
  content: '';
  position: absolute;
  inset: 0 0 auto 0;
  height: 6px;
  opacity: 0.55;
  background: repeating-linear-gradient(90deg, var(--ink) 0 1px, transparent 1px 8px);
}
</style>
