<script setup lang="ts">
import type { GradingView } from '@peen/contract'
import { computed, ref } from 'vue'
import { ask } from '../api/client'
import ChoiceRow from '../components/ChoiceRow.vue'
import GlyphMark from '../components/GlyphMark.vue'
import ReasonSheet from '../components/ReasonSheet.vue'
import { sayMoment } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// What became of a signed mark, and what this reader may do about it: set it aside, appeal it, decide the appeal.
const props = defineProps<{ grading: GradingView }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSessionStore()
const when = (at: string) => sayMoment(at, session.school?.timeZone ?? 'UTC')
const open = ref<'setAside' | 'appeal' | 'decide' | null>(null)
const counts = ref<'first' | 'second' | null>(null)
const COUNTS = [
  { value: 'first', name: t('grading.firstCounts') },
  { value: 'second', name: t('grading.secondCounts') }
] as const
const id = computed(() => props.grading.id)
const name = computed(() => props.grading.apprentice.givenName)
const RUNS = {
  setAside: (reason: string) => ask('setAside', { id: id.value, body: { reason } }),
  appeal: (text: string) => ask('appeal', { id: id.value, body: { text } }),
  decide: (reason: string) => ask('decideAppeal', { id: id.value, body: { counts: counts.value as 'first' | 'second', reason } })
}
const SHEETS = {
  setAside: {
    ...{ title: t('grading.setThisMarkAside'), says: t('grading.setAsideSays'), label: t('grading.setAsideWhy') },
    ...{ action: t('grading.setAside'), working: t('grading.settingAside') }
  },
  appeal: {
    ...{ title: t('grading.appealThisMark'), says: t('grading.appealSays'), label: t('grading.appealWhat') },
    ...{ action: t('grading.appeal'), working: t('grading.appealing') }
  },
  decide: {
    ...{ title: t('grading.decideAppeal'), says: t('grading.decideSays'), label: t('grading.decideWhy') },
    ...{ action: t('grading.decide'), working: t('grading.deciding') }
  }
} as const
function done(): void {
  open.value = null
  emit('changed')
}
</script>

<template>
  <div data-testid="corrections">
    <p v-if="grading.setAside" class="mt-3 flex gap-2 border-[1.5px] border-dashed border-hair p-3 leading-[1.35]">
      <GlyphMark name="lapsed" class="mt-0.5" />
      <span>{{
        t('grading.setAsideOn', { by: grading.setAside.by, date: when(grading.setAside.at), reason: grading.setAside.reason })
      }}</span>
    </p>
    <div v-if="grading.appeal" class="mt-3 border-l-4 border-ink pl-3 leading-[1.35]">
      <p>{{ t('grading.appealedOn', { name, date: when(grading.appeal.at), text: grading.appeal.text }) }}</p>
      <p v-if="grading.appeal.decided" class="mt-1">
        {{
          t('grading.appealDecided', {
            by: grading.appeal.decided.by,
            date: when(grading.appeal.decided.at),
            counts: grading.appeal.decided.counts,
            reason: grading.appeal.decided.reason
          })
        }}
      </p>
      <p v-else-if="!grading.appeal.second" class="muted mt-1">{{ t('grading.appealWaits') }}</p>
      <p v-if="grading.appeal.second" class="mt-1">
        {{ t('grading.appealSecond', { assessor: grading.appeal.second.assessor }) }}
        <RouterLink :to="`/trims/${grading.appeal.second.gradingId}`" class="inline-flex min-h-11 items-center">{{
          t('grading.readSecond')
        }}</RouterLink>
      </p>
    </div>
    <button v-if="grading.may.decide" class="btn mt-3 w-full" @click="open = 'decide'">{{ t('grading.decideAppeal') }}</button>
    <button v-if="grading.may.appeal" class="btn btn-quiet mt-3 w-full" @click="open = 'appeal'">{{ t('grading.appealThisMark') }}</button>
    <button v-if="grading.may.setAside" class="btn btn-quiet mt-3 w-full" @click="open = 'setAside'">
      {{ t('grading.setThisMarkAside') }}
    </button>
    <ReasonSheet v-if="open" :open="true" v-bind="SHEETS[open]" :run="RUNS[open]" @close="open = null" @done="done">
      <ChoiceRow v-if="open === 'decide'" v-model="counts" :label="t('grading.whichCounts')" :options="COUNTS" />
    </ReasonSheet>
  </div>
</template>
