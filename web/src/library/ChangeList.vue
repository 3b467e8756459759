<script setup lang="ts">
import { changesBetween } from '@peen/core/changes'
import { computed } from 'vue'
import { sayChange } from './change-words'
import { t } from '../words'

// Two versions side by side: each place that differs, as it was and as it is.
const props = defineProps<{ before: object; after: object; labels: ReadonlyMap<string, string>; from: string; to: string }>()
const changes = computed(() =>
  changesBetween(props.before, props.after)
    .filter(({ path }) => path[0] !== 'version')
    .map((change) => sayChange(change, (id) => props.labels.get(id)))
)
</script>

<template>
  <p v-if="changes.length === 0" class="muted">{{ t('library.twoVersionsSame') }}</p>
  <template v-else>
    <p class="muted">
      {{
        t('library.nBetweenFrom', {
          n: changes.length === 1 ? t('library.oneDifference') : t('library.nDifferences', { n: changes.length }),
          from,
          to
        })
      }}
    </p>
    <dl class="row-rule m-0 mt-2">
      <div v-for="(change, i) in changes" :key="i" class="py-2" data-change>
        <dt class="font-[650]">{{ change.where }}</dt>
        <dd class="m-0 leading-[1.35]">
          <span v-if="change.before !== null"
            ><span class="muted">{{ `${t('library.was')} ` }}</span
            >{{ change.before }}</span
          >
          <span v-if="change.before !== null && change.after !== null" class="muted">; </span>
          <span v-if="change.after !== null"
            ><span class="muted">{{ `${t('library.is')} ` }}</span
            >{{ change.after }}</span
          >
          <span v-if="change.after === null" class="muted">{{ t('library.nowRemoved') }}</span>
          <span v-if="change.before === null" class="muted">{{ ` ${t('library.new')}` }}</span>
        </dd>
      </div>
    </dl>
  </template>
</template>
