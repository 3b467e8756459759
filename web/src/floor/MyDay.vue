<script setup lang="ts">
import { computed } from 'vue'
import { ALL_NEWS, useAsked } from '../composables/useAsked'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// An apprentice's own day in sentences, as it will be sent; and where to log practice on a figure.
defineProps<{ closed: boolean }>()
const session = useSessionStore()
const { data } = useAsked('daySummaries', () => ({ on: session.today }), { hears: ALL_NEWS })
const mine = computed(() => data.value?.find(({ person }) => person.id === session.me?.id) ?? null)
</script>

<template>
  <aside
    class="border-line bg-sheet px-6 pt-3.5 pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l"
    :aria-label="t('floor.myDay')"
    tabindex="0"
  >
    <h2 class="title">{{ closed ? t('floor.yourDay') : t('floor.yourDaySoFar') }}</h2>
    <hr class="rule2 mt-2 mb-3" />
    <p v-if="!mine" class="muted leading-[1.4]">{{ t('floor.nothingRecordedYouYetToday') }}</p>
    <p v-for="sentence in mine?.sentences ?? []" :key="sentence" class="mt-1.5 text-[17px] leading-[1.4]">{{ sentence }}</p>
    <p v-if="closed" class="muted mt-3 leading-[1.4]">{{ t('floor.dayClosedYouHaveBeen') }}</p>
    <RouterLink to="/calendar" class="btn btn-quiet mt-4 w-full">{{ t('floor.calendar') }}</RouterLink>
    <RouterLink :to="`/apprentices/${session.me?.id}#figures`" class="btn btn-quiet mt-2 w-full">{{
      t('floor.practiceFigure')
    }}</RouterLink>
  </aside>
</template>
