<script setup lang="ts">
import type { Certificate } from '@peen/core/certify'
import { computed } from 'vue'
import { useSessionStore } from '../stores/session'
import InlineNumber from './InlineNumber.vue'
import NamedList from './NamedList.vue'

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
      ><span class="label">Name</span
      ><input class="field" :value="certificate.name" maxlength="120" @change="put({ name: textOf($event) })"
    /></label>
    <label class="mt-3 block"
      ><span class="label">Whoever holds it …</span
      ><textarea class="field" rows="2" :value="certificate.claim" maxlength="240" @change="put({ claim: textOf($event) })" />
    </label>
    <p class="label mt-3">Trims that count</p>
    <NamedList :model-value="certificate.standards" label="trims" :options="standards" @update:model-value="putStandards" />
    <p class="mt-3 leading-[2.9]">
      It stands for
      <InlineNumber :model-value="certificate.validMonths" label="Months" open @update:model-value="put({ validMonths: $event })" />months
      <span class="muted">(empty: for good).</span>
    </p>
  </div>
</template>
