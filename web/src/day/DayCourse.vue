<script setup lang="ts">
import type { DaySummaryView, DayView } from '@peen/contract'
import { computed, ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// The course of a day: opened, who is not here, what each apprentice will be told, closed.
const props = defineProps<{ view: DayView }>()
const emit = defineEmits<{ act: [work: () => Promise<unknown>, words: string | ((answer: { sent?: number }) => string)] }>()
const session = useSessionStore()
const summaries = ref<readonly DaySummaryView[] | null>(null)
const problem = ref<string | null>(null)
watch(
  () => props.view,
  () => void (summaries.value && preview())
)
const isToday = computed(() => props.view.onDate === props.view.today)
const apprentices = computed(() => props.view.people.filter(({ role }) => role === 'apprentice'))
const isHere = (id: string) => !props.view.absent.includes(id)
const on = computed(() => props.view.onDate)

const openDay = () => emit('act', () => ask('openDay', { on: on.value }), t('day.dayOpen'))
const setHere = (id: string, name: string) =>
  emit(
    'act',
    () => ask(isHere(id) ? 'sayAbsent' : 'sayHere', { on: on.value, id }),
    t('day.nameId', { name, id: isHere(id) ? t('day.absent2') : t('day.here') })
  )
function sayClosed({ sent = 0 }: { sent?: number }): string {
  return sent === 0 ? t('day.dayClosed') : t('day.dayClosedSent', { sent })
}
const closeOrOpen = () =>
  props.view.closedDay
    ? emit('act', () => ask('reopenDay', { on: on.value }), t('day.dayOpenAgain'))
    : emit('act', () => ask('closeDay', { on: on.value }), sayClosed)
async function preview(): Promise<void> {
  try {
    summaries.value = await ask('daySummaries', { on: on.value })
    problem.value = null
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
</script>

<template>
  <section class="mt-8" :aria-label="t('day.howDayWent')">
    <h2>{{ t('day.whoHere') }}</h2>
    <hr class="rule2 mt-1" />
    <p v-if="isToday" class="mt-2 flex flex-wrap items-center gap-3">
      <template v-if="view.openedBy">{{ t('day.openedOpenedBy', { openedBy: view.openedBy }) }}</template>
      <button v-else-if="!view.closedDay" class="btn btn-go" @click="openDay">{{ t('day.openDay') }}</button>
    </p>
    <div class="mt-2 flex flex-wrap gap-2" role="group" :aria-label="t('day.apprenticesWhoHere')">
      <button
        v-for="one in apprentices"
        :key="one.id"
        :class="['btn min-h-11 px-3 text-[16px] font-normal', isHere(one.id) ? 'btn-quiet' : 'btn-not-yet']"
        :aria-pressed="isHere(one.id)"
        :disabled="view.closedDay"
        @click="setHere(one.id, one.givenName)"
      >
        <GlyphMark :name="isHere(one.id) ? 'meets' : 'missing'" :size="16" class="mr-1.5" />{{
          isHere(one.id) ? one.givenName : t('day.notHere', { name: one.givenName })
        }}
      </button>
    </div>
    <h2 class="mt-8">{{ t('day.endDay') }}</h2>
    <hr class="rule2 mt-1" />
    <div class="mt-2 flex flex-wrap gap-2">
      <button class="btn btn-quiet" @click="preview">
        {{ view.closedDay ? t('day.whatEachApprenticeSent') : t('day.whatEachApprenticeWillSent') }}
      </button>
      <button v-if="view.onDate >= view.today && (!view.closedDay || session.isLead)" class="btn btn-quiet" @click="closeOrOpen">
        {{ view.closedDay ? t('day.reopenDay') : t('day.closeDay') }}
      </button>
    </div>
    <p v-if="problem" class="mt-2 font-semibold" role="alert">{{ problem }}</p>
    <p v-if="summaries?.length === 0" class="muted mt-2">{{ t('day.noOneHasWorkedDog') }}</p>
    <ul v-if="summaries" class="row-rule m-0 mt-2 list-none p-0" data-testid="summaries">
      <li v-for="one in summaries" :key="one.person.id" class="py-2.5">
        <p class="text-[17px] font-[650]">{{ one.person.givenName }} {{ one.person.familyName }}</p>
        <p v-for="sentence in one.sentences" :key="sentence" class="leading-[1.4]">{{ sentence }}</p>
      </li>
    </ul>
  </section>
</template>
