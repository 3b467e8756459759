<script setup lang="ts">
import type { SupplyApprentice, SupplyNeed, SupplyUnmet } from '@peen/contract'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import GlyphMark from '../components/GlyphMark.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import { t } from '../words'

// Whether a cohort is ready for a certificate by a day, which visits to ask for, and what no visit settles.
const route = useRoute()
const router = useRouter()
const given = (name: 'cohort' | 'by' | 'certificate') => {
  const value = route.query[name]
  return typeof value === 'string' && value !== '' ? { [name]: value } : {}
}
const { data, error, loading, reload } = useAsked(
  'supply',
  () => ({ query: { ...given('cohort'), ...given('by'), ...given('certificate') } }),
  { hears: ({ kind }) => kind === 'day' }
)
function choose(name: 'cohort' | 'by' | 'certificate', event: Event): void {
  const { value } = event.target as HTMLInputElement
  void router.replace({ query: { ...route.query, [name]: value || undefined } })
}
const finding = computed(() => {
  const { apprentices, certificate, by, today } = data.value!
  const there = new Set(apprentices.filter(({ isThere }) => isThere).map(({ id }) => id))
  const visits = (isThere: boolean) =>
    data.value!.asked.reduce((sum, { apprenticeId, times }) => sum + (there.has(apprenticeId) === isThere ? times : 0), 0)
  const facts = { there: there.size, of: apprentices.length, certificate: certificate.name, date: sayDate(by, today) }
  return t('supply.finding', { ...facts, visits: visits(true), more: visits(false) })
})
const sayNeed = ({ tries, planned, isHeld, because, newDogs, newCoats }: SupplyNeed) =>
  [
    isHeld
      ? t('supply.onHold')
      : tries === null
        ? t('supply.notAtThisRate')
        : t(because === 'practised' ? 'supply.cleanTries' : 'supply.tries', { tries, planned }),
    ...(newDogs > 0 ? [t('supply.otherDogs', { count: newDogs })] : []),
    ...(newCoats > 0 ? [t('supply.otherCoats', { count: newCoats })] : [])
  ].join(' ')
const more = ({ trims, newDogs, newCoats }: SupplyApprentice) => [
  ...(trims === null ? [t('supply.trimsNotAtThisRate')] : trims > 0 ? [t('supply.trims', { count: trims })] : []),
  ...(newDogs > 0 ? [t('supply.otherDogs', { count: newDogs })] : []),
  ...(newCoats > 0 ? [t('supply.otherCoats', { count: newCoats })] : [])
]
const sayUnmet = ({ apprentice, what, name, count, binds }: SupplyUnmet) =>
  t('supply.unmet', { apprentice, what, name: name ?? '', count, binds: binds === 'noDog' ? 'none' : binds })
const STATUS: Readonly<Record<SupplyApprentice['status'], string>> = {
  held: t('supply.holdsIt'),
  ready: t('supply.isReady'),
  open: ''
}
</script>

<template>
  <TopLine :what="t('supply.readyByDate')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('supply.readyByDate')">
    <p class="finding max-sm:text-[23px]" data-testid="supply">{{ finding }}</p>
    <p v-if="error" class="mt-2 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ error }}</p>
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <label
        ><span class="label">{{ t('supply.cohort') }}</span>
        <select class="field h-11 min-h-11" :value="data.cohort" @change="choose('cohort', $event)">
          <option v-for="name in data.cohorts" :key="name" :value="name">{{ name }}</option>
        </select></label
      >
      <label
        ><span class="label">{{ t('supply.certificate') }}</span>
        <select class="field h-11 min-h-11" :value="data.certificate.id" @change="choose('certificate', $event)">
          <option v-for="one in data.certificates" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select></label
      >
      <label
        ><span class="label">{{ t('supply.readyBy') }}</span>
        <input class="field h-11 min-h-11" type="date" :value="data.by" @change="choose('by', $event)"
      /></label>
      <span class="muted pb-2">{{ t('supply.openDays', { count: data.openDays }) }}</span>
    </div>
    <div class="mt-5 grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_360px]">
      <section class="min-w-0" :aria-label="t('supply.askFor')">
        <h2 class="title">{{ t('supply.askFor') }}</h2>
        <hr class="rule2 mt-1" />
        <p v-if="data.asked.length === 0" class="mt-3">{{ t('supply.nothingToAsk') }}</p>
        <p v-else-if="!data.isProven" class="mt-2 leading-[1.35]">{{ t('supply.notProven') }}</p>
        <ol class="row-rule m-0 list-none p-0" data-testid="asked">
          <li v-for="one in data.asked" :key="`${one.apprenticeId} ${one.dogId} ${one.trimId}`" class="py-2 leading-[1.35]">
            <p class="flex flex-wrap justify-between gap-x-4">
              <RouterLink :to="`/dogs/${one.dogId}`"
                ><b>{{ t('supply.dogFor', { dog: one.dog, apprentice: one.apprentice, times: one.times }) }}</b></RouterLink
              ><span class="muted">{{ t('supply.serves', { count: one.serves }) }}</span>
            </p>
            <p class="muted">
              {{ t('supply.coatTrim', { coat: one.coat, trim: one.trim })
              }}<template v-if="one.techniques.length > 0">: {{ one.techniques.join(', ') }}</template>
            </p>
          </li>
        </ol>
      </section>
      <section :aria-label="t('supply.missing')">
        <h2 class="title">{{ t('supply.missing') }}</h2>
        <hr class="rule2 mt-1" />
        <p v-if="data.byTechnique.length === 0" class="muted mt-3">{{ t('supply.nothingMissing') }}</p>
        <table v-else class="w-full border-collapse text-left">
          <thead>
            <tr class="border-b border-line">
              <th class="py-2 pr-2 font-[650]">{{ t('supply.technique') }}</th>
              <th class="py-2 pr-2 text-right font-[650]">{{ t('supply.triesHead') }}</th>
              <th class="py-2 text-right font-[650]">{{ t('supply.aWeek') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in data.byTechnique" :key="row.name" class="border-b border-line">
              <td class="py-1.5 pr-2">{{ row.name }}</td>
              <td class="py-1.5 pr-2 text-right tabular-nums">{{ row.tries }}</td>
              <td class="py-1.5 text-right tabular-nums">{{ row.perWeek }}</td>
            </tr>
          </tbody>
        </table>
        <table v-if="data.byCoat.length > 0" class="mt-4 w-full border-collapse text-left">
          <thead>
            <tr class="border-b border-line">
              <th class="py-2 pr-2 font-[650]">{{ t('supply.coat') }}</th>
              <th class="py-2 pr-2 text-right font-[650]">{{ t('supply.visitsHead') }}</th>
              <th class="py-2 text-right font-[650]">{{ t('supply.aWeek') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in data.byCoat" :key="row.coat" class="border-b border-line">
              <td class="py-1.5 pr-2">{{ row.coat }}</td>
              <td class="py-1.5 pr-2 text-right tabular-nums">{{ row.visits }}</td>
              <td class="py-1.5 text-right tabular-nums">{{ row.perWeek }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
    <section class="mt-8" :aria-label="t('supply.eachApprentice')">
      <h2 class="title">{{ t('supply.eachApprentice') }}</h2>
      <hr class="rule2 mt-1" />
      <ul class="row-rule m-0 list-none p-0" data-testid="apprentices">
        <li v-for="one in data.apprentices" :key="one.id" class="grid gap-x-6 py-2 leading-[1.4] sm:grid-cols-[220px_1fr]">
          <span class="flex gap-2"
            ><GlyphMark :name="one.isThere ? 'meets' : 'missing'" :size="18" class="mt-1" />
            <span
              ><RouterLink :to="`/apprentices/${one.id}`"
                ><b>{{ one.name }}</b></RouterLink
              ><span class="muted block">{{ STATUS[one.status] || t(one.isThere ? 'supply.canBeThere' : 'supply.notByThen') }}</span></span
            ></span
          >
          <ul class="m-0 list-none p-0">
            <li v-for="need in one.needs" :key="need.techniqueId">
              {{ need.name }} <span class="muted">{{ sayNeed(need) }}</span>
            </li>
            <li v-for="words in more(one)" :key="words">{{ words }}</li>
            <li v-for="words in one.others" :key="words" class="muted">{{ t('supply.notByDogs', { rule: words }) }}</li>
          </ul>
        </li>
      </ul>
    </section>
    <section v-if="data.unmet.length > 0" class="mt-8" :aria-label="t('supply.outOfReach')">
      <h2 class="title">{{ t('supply.outOfReach') }}</h2>
      <hr class="rule2 mt-1" />
      <ul class="row-rule m-0 list-none p-0" data-testid="unmet">
        <li v-for="one in data.unmet" :key="`${one.apprentice} ${one.what} ${one.name}`" class="py-1.5 leading-[1.4]">
          {{ sayUnmet(one) }}
        </li>
      </ul>
    </section>
    <details class="mt-6">
      <summary class="min-h-11 cursor-pointer py-2 font-[650]">{{ t('supply.howCounted') }}</summary>
      <p class="max-w-[72ch] leading-[1.4]">{{ t('supply.howCountedSays') }}</p>
    </details>
  </main>
</template>
