<script setup lang="ts">
import type { UnreadLengths } from '@peen/contract'
import { sayDate } from '../composables/words'
import { computed } from 'vue'
import { t } from '../words'

// Lengths that colleagues measured are left out until one asks for them: asking costs blindness, looking at a coat does not.
const props = defineProps<{ unread: readonly UnreadLengths[]; today: string }>()
const emit = defineEmits<{ show: [] }>()
const lengths = computed(() => props.unread.reduce((sum, one) => sum + one.lengths, 0))
const days = computed(() => [...new Set(props.unread.map(({ onDate }) => sayDate(onDate, props.today)))].join(', '))
</script>

<template>
  <p v-if="unread.length > 0" class="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1 leading-[1.35]">
    <span class="min-w-0 flex-1 basis-72">{{
      t('coat.leavesOutLengthsColleagueMeasured', {
        lengths: lengths === 1 ? t('coat.n1Length') : t('coat.lengthsLengths', { lengths }),
        days,
        n: unread.length === 1 ? t('coat.trim') : t('coat.thoseTrims')
      })
    }}</span>
    <button class="btn btn-quiet min-h-11 px-4 text-[16px]" @click="emit('show')">{{ t('coat.showThem') }}</button>
  </p>
</template>
