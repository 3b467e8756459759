<script setup lang="ts">
import type { VisitPage } from '@peen/contract'
import { readyToCut, skinStops } from '@peen/core/checkin'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import DogPlate from '../figure/DogPlate.vue'
import SheetTable from './SheetTable.vue'
import { wornBy, type useVisit } from './useVisit'
import { t } from '../words'

// The sheet for the tablet at the table: large, one column, nothing to type.
const props = defineProps<{ page: VisitPage; visit: ReturnType<typeof useVisit> }>()
const { sheet, found, plan, agreed, cameIn } = props.visit
const ready = computed(() => readyToCut(found.value!))
const worn = computed(() => wornBy(props.page.agreed ?? agreed.value, plan.value, 'left', cameIn.value))
</script>

<template>
  <main class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('visit.sheetTable')">
    <slot />
    <div class="grid gap-6 lg:grid-cols-[minmax(0,460px)_1fr]">
      <div class="lg:sticky lg:top-0 lg:self-start">
        <DogPlate
          :dog="{ ...page.dog, trim: page.standard.plan.drawnAs }"
          :plan="plan"
          :lengths="worn"
          :lists-rest="false"
          :height="380"
          :caption="`${page.dog.name}, ${page.standard.name}`"
          :label="t('visit.namePlanned', { name: page.dog.name })"
        />
        <p v-for="what in ready.missing" :key="what" class="mt-2 text-[18px] leading-[1.3] font-semibold text-danger">
          <GlyphMark name="hold" :size="19" class="mr-1.5 align-[-3px]" />{{ what }}
        </p>
        <p v-for="stop in skinStops(found!.skin)" :key="stop.say" class="mt-2 text-[18px] leading-[1.3] font-semibold text-danger">
          <GlyphMark name="danger" :size="19" class="mr-1.5 align-[-3px]" />{{ stop.say }}
        </p>
        <p class="mt-3 text-[18px] leading-[1.35]">
          {{
            t('visit.dislikesDislikesUpCanStandMinMinutes', {
              dislikes: page.dog.dislikes || t('visit.nothingWeKnow'),
              canStandMin: page.dog.canStandMin
            })
          }}
        </p>
        <p v-for="wish in sheet!.wishes" :key="wish" class="mt-1 text-[18px] leading-[1.35]">{{ wish }}</p>
        <RouterLink class="btn btn-go mt-4 w-full" :to="`/table/${page.id}`">{{ t('visit.table2') }}</RouterLink>
      </div>
      <SheetTable :sheet="sheet!" large />
    </div>
  </main>
</template>
