<script setup lang="ts">
import type { RevokeKind } from '@peen/contract'
import { ref } from 'vue'
import { ask } from '../api/client'
import ChoiceRow from '../components/ChoiceRow.vue'
import ReasonSheet from '../components/ReasonSheet.vue'
import { t } from '../words'

// A lead takes an issued certificate back: which reason others read, and which the school keeps.
const props = defineProps<{ id: string; open: boolean }>()
defineEmits<{ close: []; done: [] }>()
const KINDS = [
  { value: 'error', name: t('certify.revokeError') },
  { value: 'evidence', name: t('certify.revokeEvidence') },
  { value: 'safety', name: t('certify.revokeSafety') },
  { value: 'request', name: t('certify.revokeRequest') }
] as const
// none to begin with: everyone who checks reads it
const kind = ref<RevokeKind | null>(null)
const revoke = (reason: string) => ask('revoke', { id: props.id, body: { kind: kind.value as RevokeKind, reason } })
</script>

<template>
  <ReasonSheet
    :open="open"
    :title="t('certify.revokeTitle')"
    :says="t('certify.revokeSays')"
    :label="t('certify.revokeWhy')"
    :action="t('certify.revoke')"
    :working="t('certify.revoking')"
    :run="revoke"
    @close="$emit('close')"
    @done="$emit('done')"
  >
    <ChoiceRow v-model="kind" :label="t('certify.revokeKind')" :options="KINDS" />
  </ReasonSheet>
</template>
