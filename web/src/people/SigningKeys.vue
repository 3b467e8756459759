<script setup lang="ts">
import { addressOf } from '@peen/contract'
import { ref } from 'vue'
import { ask } from '../api/client'
import ReasonSheet from '../components/ReasonSheet.vue'
import { useAsked } from '../composables/useAsked'
import { sayMoment } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// The keys that sign certificates: which is in use, whether its secret half is here, and a new one in its place.
const session = useSessionStore()
const { data, error, reload } = useAsked('issuerKeys')
const when = (at: string) => sayMoment(at, session.school?.timeZone ?? 'UTC')
const asks = ref(false)
const since = ref('')
const make = (reason: string) => ask('newIssuerKey', { body: { reason, compromisedSince: since.value || null } })
async function made(): Promise<void> {
  ;[asks.value, since.value] = [false, '']
  await reload()
}
</script>

<template>
  <section class="mt-8 print:hidden" data-testid="signing-keys" :aria-label="t('people.signingKeys')">
    <h2>{{ t('people.signingKeys') }}</h2>
    <hr class="rule2 mt-1" />
    <p class="muted mt-2 max-w-[72ch] leading-[1.35]">{{ t('people.signingKeysSay') }}</p>
    <p v-if="error" class="mt-2 text-danger" role="alert">{{ error }}</p>
    <p v-if="data?.length === 0" class="mt-2">{{ t('people.noKeyYet') }}</p>
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="key in data ?? []" :key="key.publicKey" class="py-2 leading-[1.35]">
        <p class="flex flex-wrap items-baseline gap-x-4">
          <b>{{ key.fingerprint }}</b>
          <span>{{
            key.endedAt
              ? t('people.keyEnded', { date: when(key.endedAt), reason: key.reason ?? '' })
              : t('people.keyInUse', { date: when(key.madeAt) })
          }}</span>
          <span class="muted">{{ t('people.keyCertificates', { n: key.certificates }) }}</span>
        </p>
        <p v-if="key.compromisedSince" class="text-danger">{{ t('people.keyStolen', { date: when(key.compromisedSince) }) }}</p>
        <p v-if="!key.isThere && !key.endedAt" class="font-semibold text-danger">{{ t('people.keyMissing') }}</p>
      </li>
    </ul>
    <div class="mt-3 flex flex-wrap gap-2">
      <button class="btn btn-quiet" @click="asks = true">{{ t('people.makeNewKey') }}</button>
      <template v-if="data?.length">
        <a class="btn btn-quiet" :href="addressOf('issuer', {})" download="signing-keys.json">{{ t('people.keyList') }}</a>
        <a class="btn btn-quiet" :href="addressOf('statusList', {})" download="revoked.json">{{ t('people.revokedList') }}</a>
      </template>
    </div>
    <ReasonSheet
      :open="asks"
      :title="t('people.newKeyTitle')"
      :says="t('people.newKeySays')"
      :label="t('people.newKeyWhy')"
      :action="t('people.makeNewKey')"
      :working="t('people.makingKey')"
      :run="make"
      @close="asks = false"
      @done="made"
    >
      <label class="label" for="key-since">{{ t('people.newKeyStolen') }}</label>
      <input id="key-since" v-model="since" class="field mb-4 max-w-[220px]" type="date" />
    </ReasonSheet>
  </section>
</template>
