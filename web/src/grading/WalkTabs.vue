<script setup lang="ts">
import { Tab, TabGroup, TabList } from '@headlessui/vue'
import type { GradeResult } from '@peen/core/grade'
import { STATIONS, type Standard, type Station } from '@peen/core/standard'
import { computed } from 'vue'
import { glyphOfPart, STATION_WORDS, wordOfParts } from '../composables/outcomes'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// The walk round the dog: six stations as words; when one is done it carries the glyph of its worst answer.
const props = defineProps<{ standard: Standard; result: GradeResult | null }>()
const model = defineModel<Station>({ required: true })
const at = computed({ get: () => STATIONS.indexOf(model.value), set: (i) => (model.value = STATIONS[i]) })
const worst = computed(() =>
  STATIONS.map((station) => {
    const parts = props.result?.parts.filter((part) => part.station === station) ?? []
    return parts.length === 0 || parts.some((part) => part.verdict === 'notAnswered') ? null : wordOfParts(parts).part
  })
)
</script>

<template>
  <TabGroup :selected-index="at" @change="(i: number) => (at = i)">
    <TabList class="flex border-b-2 border-ink" :aria-label="t('grading.sidesDog')">
      <Tab
        v-for="(station, i) in STATIONS"
        :key="station"
        class="flex min-h-[50px] flex-auto items-center justify-center gap-1 px-1 text-[16px] narrow ui-selected:bg-ink ui-selected:font-[650] ui-selected:text-sheet"
        :class="at === i ? 'bg-ink font-[650] text-sheet' : 'muted'"
        ><GlyphMark v-if="worst[i] && at !== i" :name="glyphOfPart(worst[i]!)" :size="15" />{{ STATION_WORDS[station] }}</Tab
      >
    </TabList>
  </TabGroup>
</template>
