<script setup lang="ts">
import { bodies, coats } from '@peen/content'
import { computed } from 'vue'
import TopLine from '../components/TopLine.vue'
import { dogOfTrim } from './place'
import PlateThumb from './PlateThumb.vue'
import { VIEW_NAMES } from './shape-words'
import { t } from '../words'

// Every body type in every view, in its trims: what a good one looks like, from all sides.
const plates = computed(() => bodies.map((body) => ({ body, coats: coats.filter((coat) => coat.body === body.id) })))
/** Profiles are wide, standing dogs tall: each view has the room its shape asks for. */
const SIZES = { side: [216, 176], head: [150, 176], front: [104, 176], rear: [104, 176], above: [216, 96] } as const
</script>

<template>
  <TopLine :what="t('figure.plates')" />
  <main class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0">
    <h2 class="title">{{ t('figure.platesEveryKindDogFrom') }}</h2>
    <p class="muted mt-1 max-w-[70ch]">
      {{ t('figure.drawnScaleFromEachTrims') }}
    </p>
    <section v-for="{ body, coats: own } in plates" :key="body.id" class="mt-6" :aria-labelledby="`plate-${body.id}`">
      <h2 :id="`plate-${body.id}`" class="flex items-baseline gap-3">
        {{ body.label }}<span class="muted text-[16px] font-normal">{{ t('figure.drawnWithersMmMm', { withersMm: body.withersMm }) }}</span>
      </h2>
      <hr class="rule2 mt-1" />
      <div v-for="coat in own" :key="coat.id" class="border-b border-line py-3">
        <RouterLink :to="`/plates/${coat.id}`" class="flex min-h-11 items-center font-[650] no-underline hover:underline">{{
          coat.title
        }}</RouterLink>
        <div class="flex flex-wrap items-end gap-x-5 gap-y-3">
          <RouterLink
            v-for="view in VIEW_NAMES"
            :key="view.id"
            :to="`/plates/${coat.id}?view=${view.id}`"
            class="block bg-plate p-2 no-underline"
            :data-plate="`${coat.id} ${view.id}`"
          >
            <PlateThumb
              :dog="dogOfTrim(body.id, coat.id).dog"
              :lengths="coat.lengths"
              :from="view.from"
              :mirrored="view.mirrored"
              :width="SIZES[view.from][0]"
              :height="SIZES[view.from][1]"
              :label="`${body.label}, ${coat.title}, ${view.name}`"
            />
            <span class="caption block text-center">{{ view.name }}</span>
          </RouterLink>
        </div>
      </div>
    </section>
  </main>
</template>
