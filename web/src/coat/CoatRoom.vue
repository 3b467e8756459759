<script setup lang="ts">
import { computed } from 'vue'
import PartTabs from '../components/PartTabs.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import BackPart from './BackPart.vue'
import BookPart from './BookPart.vue'
import CoatInTime from './CoatInTime.vue'
import GrowOutPart from './GrowOutPart.vue'
import PetPart from './PetPart.vue'
import UnreadNote from './UnreadNote.vue'
import { useCoat } from './useCoat'
import WhatIfPart from './WhatIfPart.vue'
import { t } from '../words'

// One dog's coat: in time, what if, its book, and when it comes back.
const props = defineProps<{ id: string; part?: string }>()
const desk = useCoat(() => props.id)
const { data, error, loading, reload, isStripped, problem, readLengths } = desk
const parts = computed(() => [
  { id: 'in-time', name: t('coat.overTime') },
  ...(isStripped.value
    ? [
        { id: 'what-if', name: t('coat.comparePlans') },
        { id: 'work-back', name: t('coat.workBack') }
      ]
    : []),
  { id: 'grow-out', name: t('coat.growOut') },
  { id: 'book', name: t('coat.coatBook') },
  { id: 'next-visit', name: t('coat.nextVisit') }
])
const here = computed(() => parts.value.find(({ id }) => id === props.part)?.id ?? 'in-time')
const shown = computed(
  () =>
    ({
      'in-time': CoatInTime,
      'what-if': WhatIfPart,
      'work-back': BackPart,
      'grow-out': GrowOutPart,
      book: BookPart,
      'next-visit': PetPart
    })[here.value]
)
</script>

<template>
  <TopLine
    :what="
      data ? t('coat.nameCoatCoatWithersMmMm', { name: data.dog.name, coat: data.dog.coat, withersMm: data.dog.withersMm }) : t('coat.coat')
    "
  />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <component :is="shown" v-else :key="here" :desk="desk">
    <PartTabs name="Parts of the coat" :base="`/coat/${id}`" :here="here" :parts="parts" />
    <UnreadNote :unread="data.unread" :today="data.today" @show="readLengths" />
    <p v-if="problem" class="mb-2 font-[650]" role="alert">{{ problem }}</p>
  </component>
</template>
