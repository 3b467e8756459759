<script setup lang="ts">
import type { GradeResult } from '@peen/core/grade'
import { Printer } from '@lucide/vue'
import { ref } from 'vue'
import { sentenceOf } from '../api/client'
import { t } from '../words'

// One page for the apprentice to take to the table: the pictures, and what to put right.
const props = defineProps<{ gradingId: string; result: GradeResult | null }>()
const making = ref(false)
const problem = ref<string | null>(null)

async function print(): Promise<void> {
  making.value = true
  problem.value = null
  try {
    const { downloadFeedback } = await import('../measure/feedback-sheet')
    await downloadFeedback(props.gradingId, props.result)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  } finally {
    making.value = false
  }
}
</script>

<template>
  <div data-feedback-print>
    <button class="btn btn-quiet inline-flex items-center gap-2" :disabled="making" @click="print">
      <Printer :size="20" :stroke-width="1.75" aria-hidden="true" />{{
        making ? t('measure.makingFeedbackSheet') : t('measure.feedbackSheetPdf')
      }}
    </button>
    <p v-if="problem" class="mt-1 max-w-[320px] leading-[1.3]" role="alert">{{ problem }}</p>
  </div>
</template>
