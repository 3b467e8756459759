<script setup lang="ts">
import type { Choice } from '@peen/core/changes'
import { v7 } from 'uuid'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import AskOnce from '../components/AskOnce.vue'
import NotesPart from '../components/NotesPart.vue'
import PartTabs from '../components/PartTabs.vue'
import TextClash from '../components/TextClash.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { clashName, clashSays, sayChoices } from './found-words'
import CheckInPart from './CheckInPart.vue'
import ClosingPart from './ClosingPart.vue'
import SetUpPart from './SetUpPart.vue'
import TablePart from './TablePart.vue'
import { useVisit } from './useVisit'
import { t } from '../words'

// One visit from the door to the door: what came in, with what it is set up, how it is closed.
const props = defineProps<{ id: string; part?: string }>()
const session = useSessionStore()
const visit = useVisit(() => props.id)
const { data, error, loading, reload, refused, said, clashes, draft, sheet } = visit
const PARTS = [
  { id: 'check-in', name: 'Check-in' },
  { id: 'set-up', name: t('visit.setUpSheet') },
  { id: 'table', name: t('visit.table') },
  { id: 'closing', name: t('visit.closing') }
] as const
const router = useRouter()
const cancels = ref(false)
const problem = ref<string | null>(null)
async function cancel(): Promise<void> {
  try {
    await ask('cancelVisit', { id: props.id })
    await router.push(`/day/${data.value?.onDate ?? ''}`)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
/** Goes on with what was chosen; what gave way stays on the visit as a note. */
async function settle(choices: Readonly<Record<string, Choice>>): Promise<void> {
  const text = sayChoices(clashes.value, choices)
  if (!(await visit.settle(choices)) || !session.isStaff) return
  await ask('writeNote', { about: 'visit', id: props.id, body: { id: v7(), onDate: session.today, text } }).catch(() => undefined)
}
const here = computed(() => PARTS.find(({ id }) => id === props.part)?.id ?? 'check-in')
const shown = computed(() => ({ 'check-in': CheckInPart, 'set-up': SetUpPart, table: TablePart, closing: ClosingPart })[here.value])
</script>

<template>
  <TopLine
    :what="
      data
        ? t('visit.nameGivenNameTableTableNumberDate', {
            name: data.dog.name,
            givenName: data.apprentice.givenName,
            tableNumber: data.tableNumber,
            date: sayDate(data.onDate, session.school?.now)
          })
        : t('visit.visit2')
    "
  />
  <ViewState v-if="!data || !draft || !sheet" :loading="loading" :error="error" @retry="reload" />
  <component :is="shown" v-else :key="here" :page="data" :visit="visit">
    <PartTabs name="Parts of the visit" :base="`/visits/${id}`" :here="here" :parts="PARTS" />
    <p v-if="data.dog.standing" class="mb-2 bg-danger-tint p-2 font-semibold text-danger">
      <GlyphMark name="hold" :size="17" class="mr-1 align-[-3px]" />{{
        t('visit.nameKindReason', { name: data.dog.name, kind: data.dog.standing.kind, reason: data.dog.standing.reason })
      }}
    </p>
    <details v-if="session.isStaff" class="mb-2">
      <summary class="flex min-h-11 cursor-pointer items-center">{{ t('visit.notesVisitCancelling') }}</summary>
      <NotesPart :id="id" about="visit" class="mb-3" />
      <button v-if="!data.closing" class="btn btn-quiet" @click="cancels = true">{{ t('visit.cancelVisit') }}</button>
      <p v-if="problem" class="mt-2 font-[650]" role="alert">{{ problem }}</p>
      <AskOnce
        :open="cancels"
        :title="t('visit.cancelNameSVisit', { name: data.dog.name })"
        :says="[
          t('visit.freesGivenNameTableTableNumber', { givenName: data.apprentice.givenName, tableNumber: data.tableNumber }),
          t('visit.checkChoicesDeletedVisitHas')
        ]"
        :action="t('visit.cancelVisit')"
        :working="t('visit.cancelling')"
        :run="cancel"
        @close="cancels = false"
      />
    </details>
    <p v-if="said" class="mb-2 font-[650]" role="status">{{ said }}</p>
    <p v-if="refused" class="mb-2 flex flex-wrap items-center gap-3 font-semibold text-danger" role="alert">
      {{ refused }} <button class="btn btn-quiet min-h-11 px-3 text-[16px]" @click="visit.loadAgain()">{{ t('visit.reloadVisit') }}</button>
    </p>
    <TextClash
      :title="t('visit.checkAlsoChangedAnotherDevice')"
      :clashes="clashes"
      :name-of="clashName"
      :say="clashSays"
      @settle="settle"
    />
  </component>
</template>
