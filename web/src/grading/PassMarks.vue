<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { OUTCOME_WORDS } from '../composables/outcomes'
import { sayDate } from '../composables/words'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'

// The fixed pass mark of each trim beside what first impressions would make of it; nothing under thirty gradings.
const BorderlineChart = defineAsyncComponent(() => import('../certify/BorderlineChart.vue'))
const { data, error, loading, reload } = useAsked('borderlines')
const older = useAsked('differByMethod')
const chosen = ref<string | null>(null)
const shown = computed(
  () => data.value?.find((one) => one.standardId === chosen.value) ?? [...(data.value ?? [])].sort((a, b) => b.n - a.n)[0] ?? null
)
const say = computed(() => {
  const one = shown.value
  if (!one) return ''
  if (one.n < one.needed)
    return `${one.n} of ${one.needed} gradings are signed: too few to say where first impressions would set the pass mark.`
  if (!one.found) return 'Every trim was called the same: no line can be drawn.'
  const { cut, interval } = one.found
  const inside = interval[0] <= one.pass && one.pass <= interval[1]
  return `By first impressions a borderline trim has ${Math.round(cut)} marks (${Math.round(interval[0])} to ${Math.round(interval[1])}); the pass mark is ${one.pass}. ${inside ? 'The two agree.' : one.pass > cut ? 'The pass mark is the stricter one.' : 'The pass mark is the milder one.'}`
})
</script>

<template>
  <TopLine what="Pass marks by first impressions" />
  <ViewState v-if="!data || !shown" :loading="loading" :error="error" :empty="data?.length === 0" @retry="reload">
    <p class="text-[20px] font-[650]">No signed grading yet.</p>
  </ViewState>
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0">
    <label
      ><span class="sr-only">Trim</span>
      <select class="field h-12 w-80 max-w-full" :value="shown.standardId" @change="chosen = ($event.target as HTMLSelectElement).value">
        <option v-for="one in data" :key="one.standardId" :value="one.standardId">{{ one.name }} ({{ one.n }})</option>
      </select></label
    >
    <p class="finding mt-4 max-sm:text-[23px]">{{ say }}</p>
    <BorderlineChart v-if="shown.points.length" :view="shown" class="mt-4" />
    <p v-if="shown.found" class="muted mt-3 leading-[1.35]">
      Borderline regression over {{ shown.n }} signed gradings: the mark that is expected where the assessor first said “borderline”. The
      ratings explain {{ Math.round(100 * shown.found.r2) }} % of the marks’ spread. It decides nothing: the pass mark stands until the
      trim’s standard is changed.
    </p>
    <section v-if="older.data.value?.length" class="mt-6" aria-label="Signed by an older method">
      <h2>Signed by an older method</h2>
      <hr class="rule2 mt-1" />
      <p class="muted mt-1 max-w-[72ch] leading-[1.35]">
        A signed mark stays as it was signed. These would come out differently today: read them before you rely on them.
      </p>
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="one in older.data.value" :key="one.gradingId" class="py-2 leading-[1.35]">
          <RouterLink :to="`/trims/${one.gradingId}`">{{ one.apprentice }} with {{ one.dog }}, {{ sayDate(one.onDate) }}</RouterLink
          >: signed as {{ Math.round(one.signed.mark ?? 0) }}, {{ OUTCOME_WORDS[one.signed.outcome] }}; today
          <b>{{ Math.round(one.now.mark ?? 0) }}, {{ OUTCOME_WORDS[one.now.outcome] }}</b
          >. {{ one.now.because }}
        </li>
      </ul>
    </section>
  </main>
</template>
