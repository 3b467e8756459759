<script setup lang="ts">
import { dateOf, placeName } from '@peen/core/coat'
import type { Back, Moved } from '@peen/core/plan'
import { computed } from 'vue'
import { ask } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import { useAsked } from '../composables/useAsked'
import { useDoing } from '../composables/useDoing'
import { sayDate } from '../composables/words'
import { t } from '../words'

// The sessions put into the calendar, and what has moved in them since the book changed.
const props = defineProps<{ dogId: string; back: Back; today: string }>()
const { data, loading, reload } = useAsked('keptPlan', () => ({ id: props.dogId }), { fresh: true })
const kept = computed(() => data.value?.plan ?? null)
const { problem, doing } = useDoing(reload)
const day = (at: number) => sayDate(dateOf(at), props.today)
const moved = computed(() => kept.value?.moved ?? [])
/** what moves alike is said once */
const groups = computed(() => {
  const found = new Map<string, { one: Moved; places: string[] }>()
  for (const one of moved.value) {
    const key = `${one.how} ${one.was} ${one.is}`
    const known = found.get(key) ?? { one, places: [] }
    known.places.push(placeName(one.place).toLowerCase())
    found.set(key, known)
  }
  return [...found.values()]
})
const sayMoved = ({ how, was, is }: Moved, places: string) =>
  t('coat.moved', {
    ...{ how, places, was: was === null ? '' : day(was), is: is === null ? '' : day(is) },
    kind: was === null ? 'new' : is === null ? 'gone' : 'moved'
  })
const keep = () => doing(() => ask('keepPlan', { id: props.dogId }))
const drop = () => doing(() => ask('dropPlan', { id: props.dogId }))
</script>

<template>
  <section class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2" :aria-label="t('coat.inCalendar')" data-testid="kept">
    <template v-if="kept">
      <p class="flex gap-2 font-[650]">
        <GlyphMark :name="moved.length > 0 ? 'fails' : 'saved'" :size="18" class="mt-0.5" />{{
          moved.length > 0
            ? t('coat.planMoved', { date: sayDate(kept.keptOn, today) })
            : t('coat.planKept', { date: sayDate(kept.keptOn, today), by: kept.keptBy })
        }}
      </p>
      <ul v-if="groups.length > 0" class="m-0 w-full list-none p-0 leading-[1.4]">
        <li v-for="{ one, places } in groups" :key="`${one.how} ${one.was} ${one.is}`" class="border-b border-line py-1.5">
          {{ sayMoved(one, places.join(', ')) }}
        </li>
      </ul>
      <button v-if="groups.length > 0" class="btn btn-go" @click="keep">{{ t('coat.takeNewDays') }}</button>
      <button class="btn btn-quiet" @click="drop">{{ t('coat.dropPlan') }}</button>
      <RouterLink class="btn btn-quiet" to="/calendar/month">{{ t('coat.seeCalendar') }}</RouterLink>
    </template>
    <button v-else-if="!loading && back.sessions.length > 0" class="btn btn-go" @click="keep">{{ t('coat.putInCalendar') }}</button>
    <p v-if="problem" class="flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
  </section>
</template>
