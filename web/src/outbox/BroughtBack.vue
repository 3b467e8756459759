<script setup lang="ts">
import { computed } from 'vue'
import { useOutboxStore } from '../stores/outbox'
import { useSessionStore } from '../stores/session'

// After a restore: what this tablet has sent again, until it is read.
const outbox = useOutboxStore()
const session = useSessionStore()
const says = computed(() => {
  const { taps = 0, changes = 0 } = outbox.brought ?? {}
  const sent = [taps > 0 ? many(taps, 'tap') : '', changes > 0 ? many(changes, 'change') : ''].filter((one) => one !== '')
  const again = sent.length > 0 ? [`This tablet has sent ${sent.join(' and ')} again.`] : []
  const signed = session.isStaff ? ['Anything signed since the backup has to be signed again.'] : []
  return ['Peen was restored from a backup.', ...again, ...signed].join(' ')
})
const many = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`
</script>

<template>
  <section v-if="outbox.brought" class="no-print border-b border-line bg-sheet px-4 py-2 sm:px-6" role="status" data-testid="brought-back">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
      <p class="flex-1 leading-[1.3]">
        {{ says }}
      </p>
      <button class="btn btn-quiet min-h-11 px-3 py-0" @click="outbox.brought = null">Got it</button>
    </div>
    <template v-if="outbox.brought.refused.length > 0">
      <p class="leading-[1.3]">{{ many(outbox.brought.refused.length, 'change') }} could not be made again:</p>
      <ul class="max-h-40 list-disc overflow-auto pl-5 leading-[1.3]">
        <li v-for="(why, i) in outbox.brought.refused" :key="i">{{ why }}</li>
      </ul>
    </template>
  </section>
</template>
