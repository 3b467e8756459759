<script setup lang="ts">
import type { CoatHead } from '@peen/contract'
import { placeName } from '@peen/core/coat'
import { coatFor } from '@peen/content'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import FigurePicture from '../figure/FigurePicture.vue'
import { t } from '../words'

// Every coat of the school: the stripped ones first, of those the ones that something must be mended of.
const { data, error, loading, reload } = useAsked('coats')
const groups = computed(() => {
  const heads = data.value?.heads ?? []
  return [
    { name: t('coat.strippedCoats'), heads: heads.filter(({ isStripped }) => isStripped) },
    { name: t('coat.clippedScissoredCoats'), heads: heads.filter(({ isStripped }) => !isStripped) }
  ].filter((group) => group.heads.length > 0)
})
const says = ({ lag }: CoatHead) =>
  lag
    ? t('coat.placeDaysDays2DaysBehind', {
        place: placeName(lag.place),
        days: lag.days > 0 ? t('coat.left') : t('coat.right'),
        days2: Math.abs(lag.days)
      })
    : null
const wears = ({ dog }: CoatHead) => coatFor(dog.bodyType).lengths
</script>

<template>
  <TopLine :what="t('coat.coats')" />
  <ViewState v-if="!data || data.heads.length === 0" :loading="loading" :error="error" :empty="data?.heads.length === 0" @retry="reload">
    <p class="text-[20px] font-[650]">{{ t('coat.noDogsYet') }}</p>
    <p class="muted mt-2">{{ t('coat.coatGetsBookDogsFirst') }}</p>
  </ViewState>
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('coat.coats')">
    <section v-for="group in groups" :key="group.name" class="mb-6">
      <h2 class="title">{{ group.name }}</h2>
      <hr class="rule2 mt-2" />
      <ul class="m-0 grid list-none gap-x-8 p-0 lg:grid-cols-2">
        <li v-for="head in group.heads" :key="head.dog.id" class="border-b border-line">
          <RouterLink :to="`/coat/${head.dog.id}`" class="flex items-center gap-4 px-1 py-2 no-underline hover:bg-well">
            <FigurePicture
              :dog="head.dog"
              :lengths="wears(head)"
              :width="96"
              :height="76"
              :label="t('coat.nameDrawn', { name: head.dog.name })"
              class="flex-none"
            />
            <span class="min-w-0 leading-[1.3]"
              ><b class="text-[20px]">{{ head.dog.name }}</b
              ><span class="muted block"
                >{{ head.dog.coat }};
                {{ head.lastOn ? t('coat.lastWorkedDate', { date: sayDate(head.lastOn, data.today) }) : t('coat.emptyCoatBook')
                }}<template v-if="head.aim.aimOn"
                  >; {{ head.aim.aim || t('coat.aimingFor') }} {{ sayDate(head.aim.aimOn, data.today) }}</template
                ></span
              >
              <span v-if="says(head)" class="block font-[650]"
                ><GlyphMark name="fails" :size="16" class="mr-1 align-[-2px]" />{{ says(head) }}</span
              >
              <span v-for="warning in head.warnings.filter(({ kind }) => kind !== 'outOfStep')" :key="warning.kind" class="block"
                ><GlyphMark name="fails" :size="16" class="mr-1 align-[-2px]" />{{ warning.say }}</span
              ></span
            >
          </RouterLink>
        </li>
      </ul>
    </section>
  </main>
</template>
