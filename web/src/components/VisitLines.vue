<script setup lang="ts">
import { lowerFirst } from '@peen/core/units'
import { computed, ref } from 'vue'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import { doneIn } from './visit-lines'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// The visits of an apprentice or a dog by their dates, with what was done: newest first.
const props = defineProps<{ of: 'apprentices' | 'dogs'; id: string }>()
const session = useSessionStore()
const { data } = useAsked(props.of === 'dogs' ? 'visitsOfDog' : 'visitsOfApprentice', () => ({ id: props.id }))
const FEW = 6
const all = ref(false)
const shown = computed(() => (data.value ?? []).slice(0, all.value ? undefined : FEW))
const STATE = { notBegun: t('shell.notStarted'), begun: t('shell.notFinished'), finished: '' } as const
</script>

<template>
  <section :aria-label="t('shell.visitsDate')" data-visit-lines>
    <h2>{{ of === 'dogs' ? t('shell.visits') : t('shell.workDoneDayDay') }}</h2>
    <hr class="rule2 mt-1" />
    <p v-if="data?.length === 0" class="muted mt-2">{{ t('shell.noVisitsYet') }}</p>
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="line in shown" :key="line.visitId" class="py-1.5 leading-[1.35]">
        <RouterLink :to="`/table/${line.visitId}`" class="inline-flex min-h-11 items-center gap-2"
          ><b>{{ sayDate(line.onDate, session.school?.now) }}</b
          >{{ of === 'dogs' ? line.apprentice : line.dog }}, {{ lowerFirst(line.trim) }}</RouterLink
        ><span v-if="STATE[line.state]" class="muted ml-2">{{ STATE[line.state] }}</span>
        <p v-if="doneIn(line)" class="muted">{{ doneIn(line) }}</p>
      </li>
    </ul>
    <button v-if="(data?.length ?? 0) > FEW && !all" class="btn btn-quiet mt-2" @click="all = true">
      {{ t('shell.allNVisits', { n: data!.length }) }}
    </button>
  </section>
</template>
