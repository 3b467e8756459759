<script setup lang="ts">
import type { Certificate } from '@peen/core/certify'
import { computed } from 'vue'
import { useSessionStore } from '../stores/session'
import InlineNumber from './InlineNumber.vue'
import NamedList from './NamedList.vue'
import { t } from '../words'

// What a certificate claims, which trims count, how long it stands.
const certificate = defineModel<Certificate>({ required: true })
const session = useSessionStore()
const standards = computed(() => session.standardNames)
const put = (part: Partial<Certificate>) => (certificate.value = { ...certificate.value, ...part })
const textOf = (event: Event) => (event.target as HTMLInputElement).value.trim()
function putStandards(ids: readonly string[]): void {
  put({ standards: ids, standardId: ids.includes(certificate.value.standardId) ? certificate.value.standardId : (ids[0] ?? '') })
}
</script>

<template>
  <div>
    <label class="mt-3 block"
      ><span class="label">{{ t('certify.name') }}</span
      ><input class="field" :value="certificate.name" maxlength="120" @change="put({ name: textOf($event) })"
    /></label>
    <label class="mt-3 block"
      ><span class="label">{{ t('certify.holder') }}</span
      ><textarea class="field" rows="2" :value="certificate.claim" maxlength="240" @change="put({ claim: textOf($event) })" />
    </label>
    <p class="label mt-3">{{ t('certify.trimsCount') }}</p>
    <NamedList :model-value="certificate.standards" :label="t('certify.trims')" :options="standards" @update:model-value="putStandards" />
    <p class="mt-3 leading-[2.9]">
      {{ t('certify.valid') }}
      <InlineNumber
        :model-value="certificate.validMonths"
        :label="t('certify.months2')"
        open
        @update:model-value="put({ validMonths: $event })"
      />{{ t('certify.months') }}
      <span class="muted">{{ t('certify.leaveEmptyNoEndDate') }}</span>
    </p>
  </div>
</template>
