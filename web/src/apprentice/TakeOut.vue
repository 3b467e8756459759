<script setup lang="ts">
import { addressOf } from '@peen/contract'
import { download } from '../api/download'
import GlyphMark from '../components/GlyphMark.vue'
import { useDoing } from '../composables/useDoing'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// The whole record of one apprentice, to be taken along: a book on paper, or a file of a published shape.
const props = defineProps<{ id: string; name: string }>()
const session = useSessionStore()
const { problem, doing } = useDoing(async () => undefined)
const take = (what: 'logbook' | 'record', ending: string) =>
  doing(() => download(addressOf(what, { id: props.id }), `${what}-${props.name.toLowerCase().replace(/\s+/g, '-')}.${ending}`))
</script>

<template>
  <section>
    <h2 class="title mt-6">{{ t('apprentice.wholeRecord') }}</h2>
    <hr class="rule2 mt-2.5 mb-3" />
    <div class="flex flex-wrap gap-2">
      <button class="btn btn-quiet" @click="take('logbook', 'pdf')">{{ t('apprentice.logbookPdf') }}</button>
      <button class="btn btn-quiet" @click="take('record', 'json')">{{ t('apprentice.fileJson') }}</button>
    </div>
    <p v-if="session.isStaff" class="muted mt-2 leading-[1.35]">
      {{ t('apprentice.showsYourColleaguesMarksIf') }}
    </p>
    <p v-if="problem" class="mt-2 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
  </section>
</template>
