<script setup lang="ts">
import { coats } from '@peen/content'
import { DAYS_LIMITS } from '@peen/core/figure'
import { regionName, REGIONS } from '@peen/core/regions'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import LengthSlider from '../components/LengthSlider.vue'
import TopLine from '../components/TopLine.vue'
import { useKeys } from '../composables/useKeys'
import { usePlateBench } from './usePlateBench'
import DogPlate from './DogPlate.vue'
import { dogOfTrim } from './place'
import NotHere from '../door/NotHere.vue'
import ViewButtons from './ViewButtons.vue'
import { shapeNumbers, shapeTitle, VIEW_NAMES } from './shape-words'
import { t } from '../words'

const props = defineProps<{ trim: string }>()
const route = useRoute()
const router = useRouter()
const bench = usePlateBench(
  () => props.trim,
  () => String(route.query.view ?? 'left')
)
const { coat, body, view, shapes, days, fault, amount, selected, lengths, lengthsB, lengthsOf, faults, offered, notes, isMoved } = bench
const sisters = computed(() => coats.filter((other) => other.body === coat.value.body))
const dog = computed(() => dogOfTrim(coat.value.body, coat.value.id).dog)
const isPaired = computed(() => REGIONS.some(({ id, paired }) => paired && id === selected.value?.region))
const sliderTop = computed(() => {
  const planned = selected.value ? (coat.value.lengths[selected.value.region] ?? 5) : 5
  return Math.min(250, Math.max(20, Math.round(planned * 1.9)))
})
function look(id: string): void {
  void router.replace({ query: { ...route.query, view: id } })
}
function chooseFault(event: Event): void {
  const kind = (event.target as HTMLSelectElement).value
  const next = offered.value.find((candidate) => candidate.kind === kind) ?? null
  bench.choose(next)
  // a fault of the head is looked at from the front, one of the band from behind
  if (next && view.value.from !== next.from) look(next.from === 'side' ? 'left' : next.from)
}
useKeys(
  VIEW_NAMES.map(({ id, name }, i) => ({
    key: String(i + 1),
    label: id === 'above' ? t('figure.lookFromAbove') : t('figure.lookName', { name }),
    run: () => look(id)
  }))
)
</script>

<template>
  <NotHere v-if="coat.id !== props.trim" />
  <template v-else>
    <TopLine :what="t('figure.plateLabel', { label: body.label })" />
    <div class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_360px] lg:overflow-hidden">
      <main class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
        <DogPlate
          :dog="dog"
          :plan="coat.lengths"
          :lengths="lengths"
          :lengths-b="lengthsB"
          :shapes="shapes"
          :faults="faults"
          :days="days"
          :from="view.from"
          :mirrored="view.mirrored"
          :notes="notes"
          :selected="selected?.region ?? null"
          :shows-departures="days === 0 && faults.length === 0"
          :height="590"
          :caption="
            t('figure.titleLabelWithersMmMmName', { title: coat.title, label: body.label, withersMm: body.withersMm, name: view.name })
          "
          :label="`${body.label}, ${coat.title}, ${view.name}`"
          @pick="bench.pick"
        />
        <ViewButtons class="mt-3" :view="view.id" @look="look" />
      </main>
      <aside class="border-line bg-sheet px-6 pt-[18px] pb-6 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
        <h2 class="title">{{ body.label }}</h2>
        <hr class="rule2 mt-2.5 mb-2" />
        <ul class="row-rule m-0 list-none p-0">
          <li v-for="sister in sisters" :key="sister.id">
            <RouterLink
              :to="{ path: `/plates/${sister.id}`, query: route.query }"
              class="flex min-h-11 items-center py-1 leading-[1.25] no-underline"
              :class="sister.id === coat.id ? 'font-[650]' : 'hover:underline'"
              :aria-current="sister.id === coat.id ? 'page' : undefined"
              >{{ sister.title }}</RouterLink
            >
          </li>
        </ul>
        <h2 class="mt-5">{{ selected ? regionName(selected.region) + (isPaired ? `, ${selected.side}` : '') : t('figure.place') }}</h2>
        <p v-if="!selected" class="muted mt-1">{{ t('figure.touchPlaceDogChangeLength') }}</p>
        <LengthSlider
          v-else
          id="length"
          name="hair left here"
          :value="lengthsOf(selected.side)[selected.region] ?? 5"
          :low="0.5"
          :high="sliderTop"
          :step="0.5"
          :unit="t('figure.mm')"
          @move="bench.setLength"
        />
        <h2 class="mt-5">{{ t('figure.timeSinceTrim') }}</h2>
        <LengthSlider
          id="days"
          name="grown for"
          :value="days"
          :low="DAYS_LIMITS.low"
          :high="84"
          :step="7"
          :unit="t('figure.days')"
          @move="(value) => (days = value)"
        />
        <h2 class="mt-5">
          <label for="fault">{{ t('figure.whatFaultLooksLike') }}</label>
        </h2>
        <select id="fault" class="field mt-1 h-11 w-full" :value="fault?.kind ?? ''" @change="chooseFault">
          <option value="">{{ t('figure.noFault') }}</option>
          <option v-for="choice in offered" :key="choice.kind" :value="choice.kind">{{ choice.name }}</option>
        </select>
        <template v-if="fault">
          <p class="mt-2 leading-[1.35]">{{ fault.says }}.</p>
          <LengthSlider
            v-if="fault.field"
            id="amount"
            name="by"
            :value="amount"
            :low="fault.low"
            :high="fault.high"
            :step="fault.step"
            :unit="fault.unit"
            @move="(value) => (amount = value)"
          />
        </template>
        <h2 class="mt-5">{{ t('figure.shapes') }}</h2>
        <p v-if="coat.shapes.length === 0" class="muted mt-1">{{ t('figure.coatNotShapedHangsNaturally') }}</p>
        <details v-for="(shape, i) in shapes" :key="i" class="border-b border-line">
          <summary class="flex min-h-11 cursor-pointer items-center font-[650]">{{ shapeTitle(shape) }}</summary>
          <LengthSlider
            v-for="number in shapeNumbers(shape, coat.shapes[i])"
            :id="`shape-${i}-${number.field}`"
            :key="number.field"
            :name="number.name"
            :value="number.value"
            :low="number.low"
            :high="number.high"
            :step="1"
            :unit="t('figure.mm')"
            @move="(value) => bench.setShape(i, number.field, value)"
          />
        </details>
        <button v-if="isMoved" class="btn btn-quiet mt-4" @click="bench.reset">{{ t('figure.backPlan') }}</button>
      </aside>
    </div>
  </template>
</template>
