<script setup lang="ts">
import type { VisitView } from '@peen/contract'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// What is finished stays on its day: who worked on which dog, with the way back to it.
defineProps<{ visits: readonly VisitView[] }>()
</script>

<template>
  <section v-if="visits.length > 0" class="mt-5" :aria-label="t('day.finished')" data-testid="finished">
    <h2>{{ t('day.finished') }}</h2>
    <hr class="rule2 mt-1" />
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="visit in visits" :key="visit.id" class="flex min-h-12 flex-wrap items-center gap-x-3 px-1">
        <GlyphMark name="meets" :size="18" />
        <RouterLink :to="`/table/${visit.id}`" class="flex min-h-11 flex-1 flex-wrap items-center gap-x-3"
          ><b>{{ visit.apprentice }}</b
          ><span>{{
            t('day.dogTrimTableTableNumber', { dog: visit.dog, trim: visit.trim, tableNumber: visit.tableNumber })
          }}</span></RouterLink
        >
        <RouterLink :to="`/table/${visit.id}/end`" class="btn btn-quiet min-h-11 px-3 text-[16px]"
          >{{ t('day.confirmAttempts')
          }}<span class="sr-only"> {{ t('day.apprentice3', { apprentice: visit.apprentice }) }}</span></RouterLink
        >
      </li>
    </ul>
  </section>
</template>
