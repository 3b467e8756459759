<script setup lang="ts">
import { computed, ref } from 'vue'
import SheetDialog from '../components/SheetDialog.vue'
import { sayClock } from '../composables/words'
import { useDraftStore } from '../stores/drafts'
import { useOutboxStore } from '../stores/outbox'
import { usePictureStore } from '../stores/pictures'
import { useSessionStore } from '../stores/session'
import type { KeptTap } from './kept'
import { sayTap } from './words'
import { t } from '../words'

// What is not with the server yet, and what it refused: sent again or let go, by the person who tapped it.
defineProps<{ open: boolean }>()
defineEmits<{ close: [] }>()
const outbox = useOutboxStore()
const drafts = useDraftStore()
const pictures = usePictureStore()
const session = useSessionStore()
const HELD = { sheet: 'A grading sheet', visit: 'A check-in', trim: 'A draft of a trim' } as const
const going = ref<string | null>(null)
const reason = ref('')
const works = ref(false)
const waits = computed(() => outbox.taps.filter(({ by, refused }) => by === session.me?.id && refused === null).length)
const when = ({ event }: KeptTap) => sayClock(event.atDevice, session.school?.timeZone ?? 'UTC')

async function run(work: () => Promise<void>): Promise<void> {
  if (works.value) return
  works.value = true
  await work().finally(() => (works.value = false))
}
const again = (tap: KeptTap) => run(() => outbox.again(tap.id))
const letGo = (tap: KeptTap) =>
  run(async () => {
    await outbox.letGo(tap, `${sayTap(tap.event)}, ${when(tap)}`, reason.value.trim())
    ;[going.value, reason.value] = [null, '']
  })
</script>

<template>
  <SheetDialog :open="open" :title="t('shell.notSavedYet')" @close="$emit('close')">
    <p v-if="waits === 0 && outbox.refused.length + outbox.others.length + drafts.held.length + pictures.kept.length === 0" role="status">
      {{ t('shell.everythingYouTappedSaved') }}
    </p>
    <section v-if="outbox.refused.length > 0">
      <h3 class="font-[650]">{{ t('shell.refused2') }}</h3>
      <p class="muted leading-[1.35]">{{ t('shell.fixProblemSendAgainOr') }}</p>
      <ul>
        <li v-for="tap in outbox.refused" :key="tap.id" class="border-b border-line py-3" data-refused-tap>
          <p>
            <b>{{ sayTap(tap.event) }}</b>, {{ when(tap) }}.
            <RouterLink :to="`/table/${tap.event.visitId}`" class="underline underline-offset-4" @click="$emit('close')">{{
              t('shell.openTable')
            }}</RouterLink>
          </p>
          <p class="mt-1 leading-[1.35]" role="alert">{{ tap.refused }}</p>
          <form v-if="going === tap.id" class="mt-2" @submit.prevent="letGo(tap)">
            <label class="label" :for="`reason-${tap.id}`">{{ t('shell.whyYouDiscarding') }}</label>
            <input :id="`reason-${tap.id}`" v-model="reason" class="field" maxlength="300" autofocus />
            <div class="mt-2 flex flex-wrap gap-2">
              <button class="btn" :disabled="works || reason.trim() === ''">{{ t('shell.discard') }}</button>
              <button type="button" class="btn btn-quiet" @click="going = null">{{ t('shell.doNotDiscard') }}</button>
            </div>
          </form>
          <div v-else class="mt-2 flex flex-wrap gap-2">
            <button class="btn btn-go" :disabled="works" @click="again(tap)">{{ t('shell.sendAgain') }}</button>
            <button class="btn btn-quiet" :disabled="works" @click="((going = tap.id), (reason = ''))">{{ t('shell.discard') }}</button>
          </div>
        </li>
      </ul>
    </section>
    <section v-for="text in drafts.held" :key="text.kind + text.id" class="mt-4" data-held-sheet>
      <h3 class="font-[650]">{{ t('shell.kindSavedTablet', { kind: HELD[text.kind] }) }}</h3>
      <p class="mt-1 leading-[1.35]">{{ text.why }}</p>
      <div class="mt-2 flex flex-wrap gap-2">
        <RouterLink :to="text.to" class="btn" @click="$emit('close')">{{
          text.isSigned ? t('shell.openSignedSheet') : text.kind === 'sheet' ? t('shell.openBothVersions') : t('shell.open')
        }}</RouterLink>
        <button v-if="text.isSigned || text.kind !== 'sheet'" class="btn btn-quiet" @click="drafts.letGo(text)">
          {{ t('shell.discard') }}
        </button>
      </div>
    </section>
    <section v-for="picture in pictures.refused" :key="picture.id" class="mt-4" data-refused-picture>
      <h3 class="font-[650]">{{ t('shell.photographTakenTablet') }}</h3>
      <p class="mt-1 leading-[1.35]" role="alert">{{ picture.refused }}</p>
      <div class="mt-2 flex flex-wrap gap-2">
        <button class="btn btn-go" :disabled="works" @click="run(() => pictures.again(picture))">{{ t('shell.sendAgain') }}</button>
        <button class="btn btn-quiet" :disabled="works" @click="run(() => pictures.letGo(picture))">{{ t('shell.discard') }}</button>
      </div>
    </section>
    <p v-if="pictures.kept.length > pictures.refused.length" class="mt-4 leading-[1.35]">
      {{ t('shell.n2', { n: pictures.kept.length - pictures.refused.length }) }}
    </p>
    <section v-if="waits > 0" class="mt-4">
      <p class="leading-[1.35]">
        {{ t('shell.yourTapsWait', { n: waits }) }}
      </p>
      <p v-if="outbox.refusal" class="muted mt-1 leading-[1.35]" role="status">{{ outbox.refusal }}</p>
      <button class="btn mt-2" :disabled="works" @click="run(outbox.flush)">{{ t('shell.sendNow') }}</button>
    </section>
    <p v-for="other in outbox.others" :key="other.name" class="mt-4 leading-[1.35]">
      {{ t('door.tapsWaitForPerson', { taps: other.taps, name: other.name ? 'named' : 'other', person: other.name }) }}
    </p>
  </SheetDialog>
</template>
