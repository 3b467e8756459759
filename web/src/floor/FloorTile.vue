<script setup lang="ts">
import type { FloorTable, HoldView } from '@peen/contract'
import { computed } from 'vue'
import FigurePicture from '../figure/FigurePicture.vue'
import GlyphMark from '../components/GlyphMark.vue'
import MinutesBar from '../components/MinutesBar.vue'
import { t } from '../words'

// One table as it is read from two metres: who, which dog, the step now and next, the minutes, what the dog can still stand.
const props = defineProps<{ table: FloorTable; width: number; waits: boolean }>()
defineEmits<{ open: []; release: [hold: HoldView] }>()
const LOW_MIN = 6
const DOG_H = 98
const low = computed(() => props.table.canStandMin <= LOW_MIN && !props.table.closed)
// a dog that is limited or refused says so first
const dogName = computed(() =>
  props.table.dog ? `${props.table.dog.name}, ${props.table.dog.standing?.kind ?? props.table.dog.coat}` : ''
)
</script>

<template>
  <section
    :class="['z-10', table.hold ? 'bg-danger-tint outline-8 outline-danger-tint outline-solid' : '']"
    :style="{ width: `${width}px` }"
    :aria-label="t('floor.tableNumber', { number: table.number })"
  >
    <button
      v-if="table.visitId && table.apprentice && table.dog && table.plan"
      class="block w-full bg-transparent p-0 text-left"
      data-testid="table"
      @click="$emit('open')"
    >
      <span class="flex h-[98px] items-end gap-2">
        <FigurePicture
          :dog="{ ...table.dog, trim: table.plan.drawnAs }"
          :lengths="table.plan.lengthsMm"
          :width="126"
          :height="DOG_H"
          :label="t('floor.namePlannedTrim', { name: table.dog.name })"
          class="flex-none"
        />
        <span class="narrow min-w-0 self-start pt-1.5">
          <span class="block truncate text-[32px] leading-[1.05] font-[650]">{{ table.apprentice.givenName }}</span>
          <span class="block truncate text-[18px] leading-[1.15]">{{ table.apprentice.familyName }}</span>
          <span class="muted mt-1 block truncate text-[16px] leading-[1.2]">{{ dogName }}</span>
        </span>
      </span>
      <MinutesBar
        class="-mt-2"
        :style="{ transform: table.turnDeg ? `rotate(${table.turnDeg}deg)` : undefined }"
        :worked="table.workedMin"
        :standard="table.standardMin"
        :can-stand="table.canStandMin"
        :width="width - 14"
      />
      <span class="relative block pl-[38px]">
        <span class="numeral absolute top-1.5 left-0 text-[38px]" aria-hidden="true">{{ table.number }}</span>
        <span class="muted flex flex-wrap justify-between gap-x-3 leading-[22px]"
          ><span
            ><b class="text-ink">{{ table.workedMin }}</b> {{ t('floor.standardMinMin', { standardMin: table.standardMin }) }}</span
          ><span :class="low ? 'font-[650] text-danger' : ''"
            ><GlyphMark v-if="low" name="danger" :size="15" class="mr-1 align-[-2px]" />{{
              t('floor.xMinLeftDog', { x: Math.max(0, table.canStandMin) })
            }}<span class="sr-only">{{ ` ${t('floor.forThisDog')}` }}</span></span
          ></span
        >
        <template v-if="table.closed"
          ><span class="block text-[20px] leading-[25px] font-[650]">{{ t('floor.finished') }}</span></template
        >
        <template v-else-if="table.stopped !== null"
          ><span class="block truncate text-[20px] leading-[25px] font-[650] text-danger"
            ><GlyphMark name="hold" :size="17" class="mr-1 align-[-2px]" />{{ t('floor.stopped') }}</span
          ></template
        >
        <span v-else-if="table.panics" class="block truncate text-[20px] leading-[25px] font-[650] text-danger"
          ><GlyphMark name="danger" :size="17" class="mr-1 align-[-2px]" />{{ t('floor.namePanics', { name: table.dog.name }) }}</span
        >
        <span v-else-if="table.ranOut" class="block truncate text-[20px] leading-[25px] font-[650]">{{
          t('floor.hasHadEnoughToday')
        }}</span>
        <span v-else-if="table.onBreak" class="block truncate text-[20px] leading-[25px] font-[650]">{{ t('floor.break') }}</span>
        <span v-else-if="table.asked" class="block truncate text-[20px] leading-[25px] font-[650] text-danger"
          ><GlyphMark name="hold" :size="17" class="mr-1 align-[-2px]" />{{ t('floor.needsYou') }}</span
        >
        <template v-else>
          <span v-if="!table.hold" class="block truncate text-[20px] leading-[25px] font-[650]">{{
            table.now?.label ??
            (table.next ? (table.workedMin === 0 ? t('floor.notStarted') : t('floor.betweenSteps')) : t('floor.allStepsDone'))
          }}</span>
          <span
            v-if="table.next && !table.hold"
            :class="['line-clamp-2 text-[17px] leading-[21px] narrow', table.next.hazard ? 'font-semibold text-danger' : 'muted']"
            ><template v-if="table.next.hazard"
              ><GlyphMark name="danger" :size="16" class="mr-1 align-[-2px]" />{{ table.next.label }}: {{ table.next.hazard }}</template
            ><template v-else>{{ t('floor.thenLabel', { label: table.next.label.toLowerCase() }) }}</template></span
          >
        </template>
      </span>
    </button>
    <div v-else class="relative">
      <div class="h-[98px]" />
      <svg :width="width - 14" height="14" class="block" aria-hidden="true">
        <path :d="`M0 3.5H${width - 14}M0 9.5H${width - 14}`" stroke="var(--hair)" stroke-width="1.5" stroke-dasharray="6 5" />
      </svg>
      <p class="relative pl-[38px] text-[20px] leading-[30px] font-[650]">
        <span class="numeral absolute top-1 left-0 text-[38px]" aria-hidden="true">{{ table.number }}</span>{{ t('floor.free') }}
      </p>
    </div>
    <button
      v-if="table.hold"
      class="ml-[38px] flex min-h-12 w-[calc(100%-38px)] items-center gap-2.5 rounded-[4px] border-2 border-danger bg-sheet px-3 py-1.5 text-left text-[17px] leading-[1.15] font-[650] text-danger"
      @click="$emit('release', table.hold)"
    >
      <GlyphMark name="hold" :size="22" />{{ t('floor.holdHazardName', { hazardName: table.hold.hazardName }) }}
    </button>
  </section>
</template>
