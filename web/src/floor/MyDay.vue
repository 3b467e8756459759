<script setup lang="ts">
import type { DaySummaryView } from '@peen/contract'
import { computed } from 'vue'
import { useLoaded } from '../composables/useLoaded'
import { useSessionStore } from '../stores/session'

// An apprentice's own day in sentences, once it is closed; and where to log practice on a figure.
defineProps<{ closed: boolean }>()
const session = useSessionStore()
const { data } = useLoaded<DaySummaryView[]>(() => `/day/${session.today}/summaries`)
const mine = computed(() => data.value?.find(({ person }) => person.id === session.me?.id) ?? null)
</script>

<template>
  <section class="border-t border-line p-4" aria-label="My day">
    <template v-if="closed && mine">
      <h1>Your day</h1>
      <hr class="rule2 mt-1.5 mb-2" />
      <p v-for="sentence in mine.sentences" :key="sentence" class="mt-1 leading-[1.4]">{{ sentence }}</p>
    </template>
    <RouterLink :to="`/apprentices/${session.me?.id}#figures`" class="btn btn-quiet mt-3 inline-flex">Practice on a figure</RouterLink>
  </section>
</template>
