<script setup lang="ts">
import { computed } from 'vue'
import { useOutboxStore } from '../stores/outbox'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// After a restore: what this tablet has sent again, until it is read.
const outbox = useOutboxStore()
const session = useSessionStore()
const says = computed(() => {
  const { taps = 0, changes = 0 } = outbox.brought ?? {}
  const again =
    taps + changes > 0 ? [t('shell.sentAgain', { what: taps === 0 ? 'changes' : changes === 0 ? 'taps' : 'other', taps, changes })] : []
  const signed = session.isStaff ? [t('shell.anythingSignedSinceBackupHas')] : []
  return [t('shell.peenRestoredFromBackup'), ...again, ...signed].join(' ')
})
</script>

<template>
  <section v-if="outbox.brought" class="no-print border-b border-line bg-sheet px-4 py-2 sm:px-6" role="status" data-testid="brought-back">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
      <p class="flex-1 leading-[1.3]">
        {{ says }}
      </p>
      <button class="btn btn-quiet min-h-11 px-3 py-0" @click="outbox.brought = null">{{ t('shell.got') }}</button>
    </div>
    <template v-if="outbox.brought.refused.length > 0">
      <p class="leading-[1.3]">{{ t('shell.changesNotSentAgain', { n: outbox.brought.refused.length }) }}</p>
      <ul class="max-h-40 list-disc overflow-auto pl-5 leading-[1.3]">
        <li v-for="(why, i) in outbox.brought.refused" :key="i">{{ why }}</li>
      </ul>
    </template>
  </section>
</template>
