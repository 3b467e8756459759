<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { sayMoment } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { isProven, sayProof, saySize, sayState, sayWhy } from './backup-words'
import { t } from '../words'

// Whether the school would be back after a fire: the last backup, what restoring it came to, and one now.
const LOOK_MS = 2000
const session = useSessionStore()
const { data, error, loading, reload } = useAsked('backups')
const when = (at: string) => sayMoment(at, session.school?.timeZone ?? 'UTC')
const state = computed(() => {
  const last = data.value?.backups.find(isProven)
  return data.value && sayState(data.value, last ? when(last.at) : null, new Date())
})
/** what the commands of the demo are told besides */
const demo = computed(() => (session.school?.isDemo ? '--demo ' : ''))
const refused = ref<string | null>(null)
// what is under way is looked at until it is done
const { pause, resume } = useIntervalFn(() => void reload(), LOOK_MS, { immediate: false })
watch(
  () => data.value?.underWay ?? null,
  (line) => (line === null ? pause() : resume()),
  { immediate: true }
)
async function makeOne(): Promise<void> {
  refused.value = null
  try {
    await ask('makeBackup')
    await reload()
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
}
</script>

<template>
  <TopLine :what="t('people.backups')" />
  <ViewState v-if="!data || !state" :loading="loading" :error="error" @retry="reload" />
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0" :aria-label="t('people.backups')">
    <p class="finding max-sm:text-[23px]" data-testid="backup-says">{{ state.says }}</p>
    <p v-if="data.failure" class="mt-2 max-w-[80ch] leading-[1.35] font-semibold text-danger" role="alert">
      {{ when(data.failure.at) }}: {{ data.failure.says }}
    </p>
    <template v-if="data.isKept">
      <p class="muted mt-2 max-w-[80ch] leading-[1.35]">
        {{
          t('people.isNightlyTestRestoresProveWorks', {
            isNightly: data.isNightly ? t('people.peenMakesOneEveryNight') : t('people.peenBacksUpDemoOnly'),
            folder: data.folder
          })
        }}<template v-if="data.second">{{ t('people.copiesSecond', { second: data.second }) }}</template
        >.
      </p>
      <p v-if="!data.hasPassphrase" class="mt-2 max-w-[80ch] leading-[1.35]">
        <b>{{ t('people.theyCanOnlyRestoredComputer') }}</b> {{ t('people.moveSchoolAnotherComputerChoose') }}
        <kbd class="font-sans font-[650]">{{ t('people.npmRunBackupDemoPassphrase', { demo }) }}</kbd>
      </p>
      <div class="mt-4 flex flex-wrap items-center gap-3">
        <button class="btn" :disabled="data.underWay !== null" @click="makeOne">{{ t('people.backUpNow') }}</button>
        <span v-if="data.underWay" role="status" data-testid="backup-under-way">{{ data.underWay }}</span>
      </div>
      <p v-if="refused" class="mt-2 font-semibold text-danger" role="alert">{{ refused }}</p>
      <section class="mt-6" :aria-label="t('people.availableBackups')">
        <h2>{{ t('people.availableBackups') }}</h2>
        <hr class="rule2 mt-1" />
        <ul class="row-rule m-0 list-none p-0">
          <li v-for="one in data.backups" :key="one.file" class="flex min-h-11 flex-wrap items-center gap-x-4 py-2" data-testid="backup">
            <GlyphMark :name="isProven(one) ? 'meets' : 'fails'" :size="22" />
            <span class="w-[250px] font-[650] max-sm:w-auto">{{ when(one.at) }}</span>
            <span class="muted w-[190px] max-sm:w-auto">{{ sayWhy(one) }}, {{ saySize(one.bytes) }}</span>
            <span class="leading-[1.35]" :class="isProven(one) ? '' : 'text-danger'">{{ sayProof(one) }}</span>
          </li>
        </ul>
        <p v-if="data.backups.length === 0" class="muted mt-2">{{ t('people.noneYet') }}</p>
      </section>
      <p class="muted mt-6 max-w-[80ch] leading-[1.35]">
        {{ t('people.restoreSchoolClosePeenRun') }}
        <kbd class="font-sans font-[650]">{{ t('people.npmRunRestoreDemoFile', { demo }) }}</kbd> {{ t('people.computerOrAnotherOne') }}
      </p>
    </template>
  </main>
</template>
