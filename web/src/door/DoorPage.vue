<script setup lang="ts">
import { standards } from '@peen/content'
import FigurePicture from '../figure/FigurePicture.vue'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

defineProps<{ title: string; refused: string | null }>()
const plan = standards[0].plan.lengthsMm
const dog = { bodyType: 'bearded', colour: 'pepper', withersMm: 340 }
</script>

<template>
  <div class="grid min-h-full flex-1 overflow-y-auto lg:grid-cols-[1fr_460px]">
    <main class="flex flex-col justify-between p-6 max-lg:hidden">
      <p class="finding max-w-[17em]">
        {{ t('door.sameNumbersGradeTrim') }} <b>{{ t('door.drawDog') }}</b>.
      </p>
      <FigurePicture
        class="mx-auto"
        :dog="dog"
        :lengths="plan"
        :width="720"
        :height="520"
        :label="t('door.beardedTerrierPetPatternDrawn')"
      />
      <p class="caption muted">{{ t('door.pl1Pepper340Mm') }}</p>
    </main>
    <section class="flex flex-col justify-center border-line bg-sheet p-6 sm:p-10 lg:border-l">
      <div class="mx-auto w-full max-w-[380px]">
        <p class="flex items-center gap-2 text-[32px] leading-none font-[650]">
          <GlyphMark name="saved" :size="30" plain class="text-act" />{{ t('door.peen') }}
        </p>
        <p class="muted mt-2">{{ t('door.groomingSchoolsPracticeTrimsCertificates') }}</p>
        <h1 class="mt-8">{{ title }}</h1>
        <hr class="rule2 mt-2 mb-5" />
        <p v-if="refused" class="mb-4 flex gap-2 font-[650]" role="alert"><GlyphMark name="fails" class="mt-0.5" />{{ refused }}</p>
        <slot />
      </div>
    </section>
  </div>
</template>
