<script setup lang="ts">
import { CircleHelp, Lock, Search, UserRound } from '@lucide/vue'
import { ROLE_NAMES } from '@peen/contract'
import { computed, ref } from 'vue'
import OutboxDialog from '../outbox/OutboxDialog.vue'
import { useHandOver } from '../composables/useHandOver'
import { useNow } from '../composables/useNow'
import { sayClock, sayMoment } from '../composables/words'
import { useDraftStore } from '../stores/drafts'
import { useHelpStore } from '../stores/help'
import { useOutboxStore } from '../stores/outbox'
import { usePictureStore } from '../stores/pictures'
import { useReachStore } from '../stores/reach'
import { useSavedStore } from '../stores/saved'
import { useSearchStore } from '../stores/search'
import { useSessionStore } from '../stores/session'
import { useTabletStore } from '../stores/tablet'
import GlyphMark from './GlyphMark.vue'
import { t } from '../words'

defineProps<{ what?: string }>()
const session = useSessionStore()
const saved = useSavedStore()
const search = useSearchStore()
const help = useHelpStore()
const outbox = useOutboxStore()
const reach = useReachStore()
const tablet = useTabletStore()
const { handOver } = useHandOver()
const drafts = useDraftStore()
const pictures = usePictureStore()
const now = useNow()
const looks = ref(false)
/** There is something to look at: what waits, what was refused, what others left on this tablet. */
const hasMore = computed(() => outbox.taps.length + drafts.held.length + pictures.kept.length > 0)
const LOST = { network: t('shell.noConnection'), database: t('shell.databaseDown') } as const
/** Since when the server does not answer; null while it does. */
const lost = computed(() =>
  reach.lostAt !== null
    ? t('shell.lostBySinceClock', {
        lostBy: LOST[reach.lostBy],
        clock: sayClock(session.time(reach.lostAt), session.school?.timeZone ?? 'UTC')
      })
    : null
)
/** Who has nothing open is told of what others left here. */
const words = computed(() => {
  if (lost.value) return [lost.value, ...saved.held].join(', ')
  const [other, ...more] = outbox.others
  if (!saved.isSaved || !other) return saved.words
  const n = outbox.others.reduce((sum, { taps }) => sum + taps, 0)
  const whose = more.length > 0 ? t('shell.otherPeoples') : other.name ? `${other.name}’s` : t('shell.anotherPersons')
  return t('shell.yoursSavedOthersWait', { n, whose })
})
const when = computed(() => (session.school ? sayMoment(now.value, session.school.timeZone) : ''))
</script>

<template>
  <header class="no-print flex h-11 flex-none items-center gap-2 border-b border-line px-4 whitespace-nowrap sm:gap-7 sm:px-6">
    <span class="hidden font-[650]" :class="hasMore || lost || saved.kept > 0 ? 'xl:inline' : 'lg:inline'"
      >{{ session.school?.name }}<template v-if="session.school">, {{ session.school.room }}</template></span
    >
    <h1
      class="muted line-clamp-2 min-w-0 text-[16px] leading-[19px] font-normal whitespace-normal max-md:font-[650] max-md:text-ink"
      :title="what"
    >
      {{ what }}
    </h1>
    <span class="flex-1" />
    <button v-if="saved.undo" class="btn btn-quiet min-h-11 px-3 py-0 text-[16px]" data-testid="undo" @click="saved.undo.run()">
      {{ t('shell.undoLabel', { label: saved.undo.label }) }}
    </button>
    <span v-if="session.me" class="muted hidden lg:inline"
      >{{ session.me.givenName }} {{ session.me.familyName }}, {{ ROLE_NAMES[session.me.role] }}</span
    >
    <span class="hidden font-[650] sm:inline" :title="session.school?.isDemo ? t('shell.demosDate') : undefined">{{ when }}</span>
    <button
      v-if="hasMore && session.me"
      class="flex min-h-11 items-center gap-2 underline decoration-1 underline-offset-4"
      :class="saved.refused > 0 ? 'font-[650] text-danger' : 'text-ink'"
      data-testid="not-saved"
      @click="looks = true"
    >
      <GlyphMark :name="saved.refused > 0 ? 'fails' : 'saved'" :size="18" /><span role="status" class="max-[500px]:sr-only">{{
        words
      }}</span
      ><span class="min-[501px]:hidden" aria-hidden="true">{{
        saved.refused > 0 ? t('shell.refusedRefused', { refused: saved.refused }) : t('shell.keptWaiting', { kept: saved.kept })
      }}</span>
    </button>
    <span v-else class="muted flex items-center gap-2" role="status"
      ><GlyphMark :name="lost ? 'missing' : 'saved'" :size="18" plain /><span class="max-[500px]:sr-only">{{ words }}</span
      ><span v-if="lost" class="min-[501px]:hidden" aria-hidden="true">{{ t('shell.offline') }}</span></span
    >
    <OutboxDialog v-if="looks" :open="looks" @close="looks = false" />
    <span v-if="session.me" class="-mr-3 flex lg:hidden">
      <button class="flex size-11 items-center justify-center" :aria-label="t('shell.help')" @click="help.open = true">
        <CircleHelp :size="22" :stroke-width="1.75" aria-hidden="true" />
      </button>
      <button class="flex size-11 items-center justify-center" :aria-label="t('shell.search')" @click="search.open = true">
        <Search :size="22" :stroke-width="1.75" aria-hidden="true" />
      </button>
      <button
        v-if="tablet.tablet"
        class="flex size-11 items-center justify-center"
        :aria-label="t('shell.handOverTablet')"
        @click="handOver"
      >
        <Lock :size="22" :stroke-width="1.75" aria-hidden="true" />
      </button>
      <RouterLink to="/settings" class="flex size-11 items-center justify-center text-ink" :aria-label="t('shell.mySettings')">
        <UserRound :size="22" :stroke-width="1.75" aria-hidden="true" />
      </RouterLink>
    </span>
  </header>
</template>
