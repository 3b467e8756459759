<script setup lang="ts">
import type { DryRunRow } from '@peen/contract'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// What the rules would say of the cohort today, beside those in use.
const props = defineProps<{ rows: readonly DryRunRow[] }>()
const ready = computed(() => props.rows.filter((row) => row.ready).length)
const changed = computed(
  () => props.rows.filter((row) => row.before && row.before.met / row.before.of !== row.after.met / row.after.of).length
)
/** the rule that keeps most people back */
const hardest = computed(() => {
  const counts = new Map<string, number>()
  for (const { open } of props.rows) for (const { name } of open) counts.set(name, (counts.get(name) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0] ?? null
})
</script>

<template>
  <div data-dry-run>
    <p class="font-serif text-[19px] leading-[1.3]" role="status">
      <b>{{ ready }}</b> {{ t('certify.nCouldCertifiedToday', { n: rows.length })
      }}<template v-if="hardest"
        >{{ t('certify.hardestHolds', { hardest: hardest[0] }) }} <b>{{ hardest[1] }}</b> {{ t('certify.back') }}</template
      ><template v-if="changed">{{ t('certify.changedWouldChangeFromRules', { changed }) }}</template
      >.
    </p>
    <ul class="row-rule m-0 mt-2 list-none p-0">
      <li v-for="row in rows" :key="row.apprenticeId" class="py-2">
        <p class="flex items-center gap-2">
          <GlyphMark :name="row.ready ? 'meets' : 'missing'" :size="18" /><b class="flex-1">{{ row.apprentice }}</b>
          <span
            ><template v-if="row.before">{{ `${t('certify.met3', { met: row.before.met, of: row.before.of })} ` }}</template
            >{{ t('certify.met2', { met: row.after.met, of: row.after.of }) }}</span
          >
        </p>
        <p v-if="row.open.length" class="muted leading-[1.3]">
          {{ row.open[0].name }}: {{ row.open[0].evidence
          }}<template v-if="row.open.length > 1">{{ t('certify.nMore', { n: row.open.length - 1 }) }}</template
          >.
        </p>
      </li>
    </ul>
  </div>
</template>
