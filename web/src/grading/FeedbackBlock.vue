<script setup lang="ts">
import type { GradeResult } from '@peen/core/grade'
import { sayNumber } from '@peen/core/units'
import { t } from '../words'

// Feedback opens with one thing done well and holds at most three things to mend, biggest gain first.
defineProps<{ result: GradeResult | null; shown: boolean; numbers: ReadonlyMap<string, number>; praises?: readonly string[] }>()
</script>

<template>
  <div class="grid gap-x-6 gap-y-4 sm:grid-cols-[236px_1fr]">
    <section :aria-label="t('grading.doneWell')">
      <h2 class="text-act">{{ t('grading.doneWell') }}</h2>
      <p class="mt-1 font-serif text-[21px] leading-[1.3]">{{ result?.praise ?? t('grading.nothingMarkedShouldYet') }}</p>
      <p v-for="praise in praises" :key="praise" class="muted mt-1 leading-[1.3]">{{ t('grading.tablePraise', { praise }) }}</p>
    </section>
    <section class="border-line sm:border-l sm:pl-6" :aria-label="t('grading.improve')">
      <h2>
        {{
          shown && result?.mend.length
            ? t('grading.nImproveBiggestGainFirst', {
                n: ['', t('grading.oneThing'), t('grading.twoThings'), t('grading.threeThings')][result.mend.length]
              })
            : t('grading.improve')
        }}
      </h2>
      <p v-if="!shown" class="muted mt-1">{{ t('grading.shownMark') }}</p>
      <p v-else-if="!result?.mend.length" class="mt-1">{{ t('grading.nothingMoreCuttingWouldImprove') }}</p>
      <ol v-else class="m-0 mt-1 list-none p-0">
        <li v-for="(item, i) in result.mend" :key="item.criterionId + item.side" class="flex gap-3 py-1 leading-[1.3]">
          <span class="numeral w-6 flex-none text-[23px]">{{ i + 1 }}</span><span
            >{{ item.say }}
            <span class="muted whitespace-nowrap">{{
              t('grading.worthMarks', { gain: item.gain, marks: sayNumber(item.gain), criterionId: numbers.get(item.criterionId) })
            }}</span></span
          >
        </li>
      </ol>
      <p v-for="later in shown ? (result?.nextTime ?? []) : []" :key="later" class="muted mt-1 leading-[1.3]">{{ later }}</p>
    </section>
  </div>
</template>
