<script setup lang="ts">
import type { TrailCheck } from '@peen/contract'
import { computed, ref } from 'vue'
import { ask, sentenceOf } from '../api/client'
import { sayChanged, sayCheck } from '../certify/trail-words'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import SigningKeys from './SigningKeys.vue'
import { sayMoment } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Whether anything that was signed has been changed past the application: last night's check, the ones before, and one now.
const session = useSessionStore()
const { data, error, loading, reload } = useAsked('trail')
const last = computed<TrailCheck | null>(() => data.value?.checks[0] ?? null)
const when = (check: TrailCheck) => sayMoment(check.at, session.school?.timeZone ?? 'UTC')
const isChecking = ref(false)
const refused = ref<string | null>(null)
async function checkNow(): Promise<void> {
  isChecking.value = true
  refused.value = null
  try {
    await ask('checkTrail')
    await reload()
  } catch (caught) {
    refused.value = sentenceOf(caught)
  } finally {
    isChecking.value = false
  }
}
const print = () => window.print()
</script>

<template>
  <TopLine :what="t('people.auditTrail')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('people.auditTrail')">
    <p class="finding max-sm:text-[23px]" data-testid="trail-says">{{ last ? sayCheck(last) : t('people.auditTrailHasNotBeen') }}</p>
    <p v-if="last" class="muted mt-2">{{ t('people.checkedLastEntriesEntries', { last: when(last), entries: last.entries }) }}</p>
    <ul v-if="last?.changed.length" class="row-rule m-0 mt-4 list-none p-0" :aria-label="t('people.whatChanged')">
      <li v-for="one in last.changed" :key="one.name" class="py-2 leading-[1.35] text-danger">{{ sayChanged(one) }}</li>
    </ul>
    <template v-if="last?.head">
      <h2 class="mt-6">{{ t('people.lastEntry') }}</h2>
      <hr class="rule2 mt-1" />
      <p class="mt-2 text-[18px] break-all" data-testid="trail-head">{{ last.head }}</p>
      <p class="muted mt-1 max-w-[72ch] leading-[1.35]">
        {{ t('people.printOrWriteDownKeep') }}
      </p>
    </template>
    <div class="mt-4 flex flex-wrap gap-2 print:hidden">
      <button class="btn" :disabled="isChecking" @click="checkNow">{{ isChecking ? t('people.checking') : t('people.checkNow') }}</button>
      <button v-if="last" class="btn btn-quiet" @click="print">{{ t('people.print') }}</button>
    </div>
    <p v-if="refused" class="mt-2 font-semibold text-danger" role="alert">{{ refused }}</p>
    <section v-if="data.checks.length > 1" class="mt-6 print:hidden" :aria-label="t('people.earlierChecks')">
      <h2>{{ t('people.earlierChecks') }}</h2>
      <hr class="rule2 mt-1" />
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="(check, i) in data.checks.slice(1)" :key="i" class="flex min-h-11 flex-wrap items-center gap-x-4">
          <span class="muted w-[220px]">{{ when(check) }}</span>
          <span :class="check.whole ? '' : 'text-danger'">{{
            t('people.wholeEntriesEntries', { whole: check.whole ? t('people.whole') : t('people.notWhole'), entries: check.entries })
          }}</span>
        </li>
      </ul>
    </section>
    <SigningKeys />
  </main>
</template>
