<script setup lang="ts">
import { coatFor, colourName } from '@peen/content'
import type { DogView } from '@peen/contract'
import { standingOf } from '@peen/core/checkin'
import { ref } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import DogTable from './DogTable.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import FigurePicture from '../figure/FigurePicture.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

const session = useSessionStore()
const { data, error, loading, reload } = useAsked('dogs')
const said = ref<string | null>(null)
/** a dog is drawn in the trim that its body usually wears */
const wears = ({ bodyType }: DogView) => coatFor(bodyType).lengths
</script>

<template>
  <TopLine :what="t('dogs.dogs')" />
  <ViewState v-if="!data || data.length === 0" :loading="loading" :error="error" :empty="data?.length === 0" @retry="reload">
    <p class="text-[20px] font-[650]">{{ t('dogs.noDogsYet') }}</p>
    <p class="muted mt-2">{{ t('dogs.addOneDaysPageOr') }}</p>
    <DogTable v-if="session.isStaff" class="mt-4 text-left" @in="reload" />
  </ViewState>
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0">
    <h2 class="title">{{ t('dogs.schoolDogs') }}</h2>
    <hr class="rule2 mt-2" />
    <ul class="m-0 grid list-none gap-x-8 p-0 sm:grid-cols-2">
      <li v-for="dog in data" :key="dog.id" class="border-b border-line">
        <RouterLink :to="`/dogs/${dog.id}`" class="flex items-center gap-4 px-1 py-2 no-underline hover:bg-well">
          <FigurePicture
            :dog="dog"
            :lengths="wears(dog)"
            :width="96"
            :height="76"
            :label="t('dogs.nameDrawn', { name: dog.name })"
            class="flex-none"
          />
          <span class="min-w-0"
            ><b class="text-[20px]">{{ dog.name }}</b
            ><span class="muted block">{{
              t('dogs.coatColourWithersMmMmTemperament', {
                coat: dog.coat,
                colour: colourName(dog.colour),
                withersMm: dog.withersMm,
                temperament: dog.temperament
              })
            }}</span
            ><span v-if="dog.standing" class="block font-semibold text-danger"
              ><GlyphMark name="hold" :size="16" class="mr-1 align-[-2px]" />{{ standingOf(dog.name, dog.standing)?.say }}</span
            ><span v-for="burn in dog.burns" :key="burn.region" class="block font-semibold text-danger"
              ><GlyphMark name="danger" :size="16" class="mr-1 align-[-2px]" />{{
                t('dogs.burnedBeforeSideRegion', { side: burn.side, region: burn.region })
              }}</span
            ></span
          >
        </RouterLink>
      </li>
    </ul>
    <p v-if="said" class="mt-3 font-[650]" role="status">{{ said }}</p>
    <DogTable v-if="session.isStaff" @in="(count) => ((said = t('dogs.count', { count })), reload())" />
  </main>
</template>
