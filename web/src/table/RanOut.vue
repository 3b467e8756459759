<script setup lang="ts">
import { undoneSteps } from '@peen/core/practice'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import type { Table } from './useTable'
import { t } from '../words'

// The dog can stand no longer: it stops, and ends in one of two honest ways. No mark is lost by either.
const props = defineProps<{ id: string; table: Table }>()
const { data, state, tap, session } = props.table
const undone = computed(() => undoneSteps(data.value?.steps ?? [], state.value).map(({ label }) => label.toLowerCase()))
const dog = computed(() => data.value?.dog.name ?? t('table.dog2'))
</script>

<template>
  <section class="mt-2 bg-danger-tint p-2 leading-[1.3]" :aria-label="t('table.dogHasHadEnough')">
    <p class="font-semibold text-danger" role="alert">
      <GlyphMark name="hold" :size="18" class="mr-1.5 align-[-3px]" />
      <template v-if="state.ranOut">
        {{ t('table.dogHasHadEnoughHow', { dog, how: state.ranOut.how === 'home' ? t('table.goesHome') : t('table.finishedInstructor') }) }}
      </template>
      <template v-else>{{ t('table.dogSTimeUpStop', { dog }) }}</template>
    </p>
    <p class="mt-1">
      {{ t('table.costsNoMarks')
      }}<template v-if="undone.length > 0">
        {{ t('table.leftUndoneUndone', { undone: undone.slice(0, 3).join(', ') })
        }}<template v-if="undone.length > 3">{{ ` ${t('table.nMore', { n: undone.length - 3 })}` }}</template
        >.</template
      >
    </p>
    <div v-if="!state.ranOut && session.isStaff" class="mt-2 grid grid-cols-2 gap-2">
      <button class="btn min-h-14 bg-sheet px-2 text-[16px] leading-[1.15]" @click="tap('ranOut', { how: 'instructor' }, t('table.end'))">
        {{ t('table.illFinish') }}
      </button>
      <button class="btn min-h-14 bg-sheet px-2 text-[16px] leading-[1.15]" @click="tap('ranOut', { how: 'home' }, t('table.end'))">
        {{ t('table.goesHome2') }}
      </button>
    </div>
    <p v-else-if="!state.ranOut" class="mt-1 font-semibold">{{ t('table.yourInstructorDecidesWhetherFinish') }}</p>
    <RouterLink v-else-if="session.isStaff" :to="`/table/${id}/end`" class="btn mt-2 w-full bg-sheet">{{ t('table.endTable') }}</RouterLink>
  </section>
</template>
