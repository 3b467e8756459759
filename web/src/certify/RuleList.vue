<script setup lang="ts">
import type { RuleOutcome } from '@peen/core/certify'
import { sayDate } from '../composables/words'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// The rules of a certificate, each met, missing or not to be told, with its evidence.
defineProps<{ rules: readonly RuleOutcome[]; compact?: boolean }>()
const glyph = { met: 'meets', missing: 'missing', cannotTell: 'cannotTell' } as const
const word = { met: t('certify.met4'), missing: t('certify.notMet'), cannotTell: t('certify.notKnownYet') } as const
</script>

<template>
  <ul class="row-rule m-0 list-none p-0">
    <li
      v-for="rule in rules"
      :key="rule.name"
      :class="[
        'flex gap-3',
        compact ? 'py-2.5' : 'min-h-[68px] py-3',
        rule.met === 'cannotTell' && !compact ? '-mx-3.5 border-l-4 border-l-ink bg-plate px-3.5' : ''
      ]"
    >
      <GlyphMark :name="glyph[rule.met]" :size="compact ? 20 : 24" class="mt-0.5" />
      <span v-if="!compact" :class="['w-[116px] flex-none font-semibold', rule.met === 'met' ? 'text-act' : '']">{{ word[rule.met] }}</span>
      <span class="min-w-0 flex-1 leading-[1.25]"
        ><b>{{ rule.name }}</b
        ><br /><span class="muted">{{ rule.evidence }}</span></span
      >
      <span v-if="compact" :class="['font-semibold', rule.met === 'met' ? 'text-act' : 'muted']">{{ word[rule.met] }}</span>
      <span v-else class="muted whitespace-nowrap">{{ sayDate(rule.onDate) }}</span>
    </li>
  </ul>
</template>
