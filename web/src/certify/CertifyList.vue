<script setup lang="ts">
import type { FindingRow } from '@peen/contract'
import { lowerFirst } from '@peen/core/units'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { v7 } from 'uuid'
import { ask, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

const router = useRouter()
const session = useSessionStore()
const { data, error, loading, reload } = useAsked('findings')
const problem = ref<string | null>(null)
const certificates = computed(() => [...new Map((data.value ?? []).map((row) => [row.certificateId, row.certificate]))])
const chosen = ref<string | null>(null)
const shown = computed(() => chosen.value ?? certificates.value[0]?.[0] ?? null)
/** of the chosen certificate; of all, where something has been drafted or decided */
const rows = computed(() =>
  (data.value ?? []).filter((row) => (shown.value === 'open' ? row.status === 'drafted' : row.certificateId === shown.value))
)
const drafted = computed(() => (data.value ?? []).filter((row) => row.status === 'drafted').length)
async function open(row: FindingRow): Promise<void> {
  try {
    const id =
      row.findingId ??
      (await ask('draftFinding', { body: { id: v7(), apprenticeId: row.apprenticeId, certificateId: row.certificateId } })).id
    await router.push(`/certify/${id}`)
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
const words = {
  none: t('certify.noFindingYet'),
  drafted: t('certify.drafted'),
  issued: t('certify.issued'),
  declined: t('certify.declined'),
  revoked: t('certify.revoked')
} as const
</script>

<template>
  <TopLine :what="t('certify.certify')" />
  <ViewState v-if="!data || data.length === 0" :loading="loading" :error="error" :empty="data?.length === 0" @retry="reload">
    <p class="text-[20px] font-[650]">{{ t('certify.noOneCertifyYet') }}</p>
    <p class="muted mt-2">{{ t('certify.apprenticesAppearHereRulesThey') }}</p>
  </ViewState>
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0">
    <div class="flex flex-wrap items-end gap-3">
      <h2 class="title flex-1">{{ t('certify.whoMayCertified') }}</h2>
      <label
        ><span class="sr-only">{{ t('certify.certificate') }}</span>
        <select class="field h-12 w-72" :value="shown" @change="chosen = ($event.target as HTMLSelectElement).value">
          <option v-for="[id, name] in certificates" :key="id" :value="id">{{ name }}</option>
          <option value="open">{{ t('certify.allDraftsDrafted', { drafted }) }}</option>
        </select></label
      >
      <RouterLink to="/ready" class="btn btn-quiet">{{ t('certify.readyByDate') }}</RouterLink>
      <RouterLink to="/rules" class="btn btn-quiet">{{ t('certify.rulesEvidence') }}</RouterLink>
      <RouterLink to="/assessments" class="btn btn-quiet">{{ t('certify.twoAssessors') }}</RouterLink>
      <RouterLink v-if="session.isLead" to="/trail" class="btn btn-quiet">{{ t('certify.auditTrail') }}</RouterLink>
      <RouterLink v-if="session.isLead" to="/backups" class="btn btn-quiet">{{ t('certify.backups') }}</RouterLink>
    </div>
    <hr class="rule2 mt-2" />
    <p v-if="problem" class="mt-2" role="alert">{{ problem }}</p>
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="row in rows" :key="row.apprenticeId + row.certificateId">
        <button class="flex min-h-14 w-full flex-wrap items-center gap-x-5 px-1 py-2.5 hover:bg-well" @click="open(row)">
          <GlyphMark
            :name="
              row.status === 'issued' || row.met === row.of
                ? 'meets'
                : row.status === 'declined' || row.status === 'revoked'
                  ? 'fails'
                  : 'missing'
            "
            :size="24"
          />
          <span class="w-44 text-[20px] font-[650]">{{ row.apprentice }}</span>
          <span class="w-28"
            ><b>{{ row.met }}</b> {{ t('certify.met', { of: row.of })
            }}<template v-if="shown === 'open'"><br />{{ row.certificate }}</template></span
          >
          <span class="min-w-60 flex-1 text-left leading-[1.3]"
            ><span v-if="row.met === row.of" class="muted">{{ row.say }}</span
            ><span v-if="row.missing.length" class="block"
              ><b>{{ t('certify.nNotMet', { n: row.missing.length }) }}</b>
              <span class="muted">{{ row.missing.map(lowerFirst).join('; ') }}.</span></span
            ><span v-if="row.unknown.length" class="block"
              ><b>{{ t('certify.nNotKnownYet', { n: row.unknown.length }) }}</b>
              <span class="muted">{{ row.unknown.map(lowerFirst).join('; ') }}.</span></span
            ></span
          >
          <span class="muted w-32 text-right max-sm:text-left"
            >{{ words[row.status] }}<b v-if="row.undecided" class="block text-danger">{{ t('certify.needsDecision') }}</b></span
          >
        </button>
      </li>
    </ul>
  </main>
</template>
