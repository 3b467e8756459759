<script setup lang="ts">
import { sayRule, sayTerm } from '@peen/core/certify'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import CertificateFields from './CertificateFields.vue'
import ChartRules from './ChartRules.vue'
import DryRun from './DryRun.vue'
import RuleEditor from './RuleEditor.vue'
import { useRules } from './useRules'
import GlyphMark from '../components/GlyphMark.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Certificates as sentences: read by everybody, changed by a lead, tried on the cohort before they are used.
const props = defineProps<{ id?: string }>()
const session = useSessionStore()
const router = useRouter()
const rules = useRules(() => props.id)
const { data, error, loading, reload, problem, drafts, trial, certificates, row, shownId, draft, names, issues, isBehind, joint, own } =
  rules
const { write, begin, rebase, drop, tryOut, use, retire } = rules
const copyName = ref('')
function copy(): void {
  const made = rules.copy(copyName.value)
  if (!made) return
  copyName.value = ''
  void router.push(`/rules/${made}`)
}
</script>

<template>
  <TopLine :what="t('certify.rulesEvidence')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[264px_1fr_380px] lg:overflow-hidden">
    <nav class="border-line bg-sheet p-4 max-lg:border-b lg:overflow-y-auto lg:border-r" :aria-label="t('certify.certificates')">
      <RouterLink to="/certify" class="flex min-h-11 items-center">{{ t('certify.allFindings') }}</RouterLink>
      <RouterLink
        v-for="one in [...certificates, ...own]"
        :key="one.id"
        :to="`/rules/${one.id}`"
        class="flex min-h-11 items-center gap-2 px-2 leading-[1.2] no-underline"
        :class="one.id === shownId ? 'bg-ink text-sheet' : 'hover:bg-well'"
        ><span class="flex-1">{{ one.name }}</span
        ><span v-if="drafts[one.id]" class="text-[14px]">{{ t('certify.beingChanged') }}</span></RouterLink
      >
    </nav>
    <main class="min-w-0 p-4 sm:px-6 lg:overflow-y-auto" tabindex="0">
      <template v-if="draft">
        <h2 class="title">{{ t('certify.nameVersionVersionNotYet', { name: draft.name, version: draft.version }) }}</h2>
        <hr class="rule2 mt-2" />
        <CertificateFields :model-value="draft" @update:model-value="write" />
        <RuleEditor
          :model-value="draft.rules"
          :certificate="draft"
          :book="data"
          :title="t('certify.awardedWhen')"
          :empty="t('certify.noRulesYetNoOne')"
          @update:model-value="write({ ...draft, rules: $event })"
        />
        <RuleEditor
          v-if="draft.validMonths !== null"
          :model-value="draft.renewal"
          :certificate="draft"
          :book="data"
          :title="t('certify.renewedWhen')"
          :empty="t('certify.everyRuleMustMetAgain')"
          @update:model-value="write({ ...draft, renewal: $event })"
        />
      </template>
      <template v-else-if="row">
        <h2 class="title">
          {{ t('certify.nameVersionVersion', { name: row.certificate.name, version: row.certificate.version })
          }}<template v-if="row.retired">{{ t('certify.noLongerAwarded') }}</template>
        </h2>
        <hr class="rule2 mt-2" />
        <p class="mt-2 font-serif text-[20px] leading-[1.3]">{{ t('certify.holderClaim', { claim: row.certificate.claim }) }}</p>
        <h2 class="mt-4">{{ t('certify.awardedWhen') }}</h2>
        <ul class="row-rule m-0 list-none p-0">
          <li v-for="rule in row.certificate.rules" :key="rule.name" class="py-2.5 leading-[1.35]">
            <b>{{ rule.name }}.</b> {{ sayRule(rule, names) }}
          </li>
        </ul>
        <p v-if="joint" class="mt-3 leading-[1.35]">{{ joint }}</p>
        <p class="mt-3 leading-[1.35]">{{ sayTerm(row.certificate) }}</p>
        <ul v-if="row.certificate.validMonths !== null" class="row-rule m-0 list-none p-0">
          <li v-for="rule in row.certificate.renewal" :key="rule.name" class="muted py-2 leading-[1.35]">
            <b>{{ rule.name }}.</b> {{ sayRule(rule, names) }}
          </li>
        </ul>
        <p class="muted mt-3 leading-[1.35]">
          {{
            t('certify.trimsCountStandardsIssuedIssued', {
              standards: row.certificate.standards.map((one) => session.standardName(one)).join(', '),
              issued: row.issued
            })
          }}
          <template v-for="version in row.versions" :key="version.version"
            >{{
              t('certify.versionVersion', {
                version: version.version,
                by: version.by ? `${version.by}, ${sayDate(version.at?.slice(0, 10) ?? null)}` : t('certify.suppliedPeen')
              })
            }}
          </template>
        </p>
      </template>
      <ChartRules class="mt-8" :rules="data.rules" :certificates="data.certificates" @kept="reload" />
    </main>
    <aside class="border-line bg-sheet px-5 py-4 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <p v-if="problem" class="mb-3 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
      <template v-if="draft">
        <h2 class="title">{{ t('certify.beforeYouUse') }}</h2>
        <hr class="rule2 my-3" />
        <ul v-if="issues.length" class="m-0 list-none p-0" data-issues>
          <li v-for="issue in issues" :key="issue" class="flex gap-2 py-1.5 leading-[1.3]">
            <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ issue }}
          </li>
        </ul>
        <button v-else class="btn w-full" @click="tryOut">{{ t('certify.tryCohort') }}</button>
        <template v-if="isBehind">
          <p class="mt-3 leading-[1.35]" role="status">{{ t('certify.anotherVersionCameIntoUse') }}</p>
          <button class="btn mt-2 w-full" @click="rebase">{{ t('certify.applyYours') }}</button>
        </template>
        <DryRun v-if="trial" :rows="trial" class="mt-3" />
        <button v-if="session.isLead && issues.length === 0" class="btn btn-go mt-4 w-full" :disabled="!trial || isBehind" @click="use">
          {{ t('certify.useFromNow') }}
        </button>
        <p v-if="session.isLead && issues.length === 0 && !trial" class="muted mt-1">{{ t('certify.tryFirst') }}</p>
        <button class="btn btn-quiet mt-3 w-full" @click="drop(draft.id)">{{ t('certify.discardChange') }}</button>
      </template>
      <template v-else-if="row">
        <h2 class="title">{{ t('certify.change') }}</h2>
        <hr class="rule2 my-3" />
        <p class="leading-[1.35]">{{ t('certify.findingsCertificatesKeepVersionThey') }}</p>
        <button class="btn btn-go mt-3 w-full" @click="begin">{{ t('certify.change') }}</button>
        <label class="mt-4 block"
          ><span class="label">{{ t('certify.copyYourOwnNamed') }}</span
          ><input v-model="copyName" class="field" maxlength="60"
        /></label>
        <button class="btn mt-2 w-full" @click="copy">{{ t('certify.copy') }}</button>
        <button v-if="session.isLead" class="btn btn-quiet mt-4 w-full" @click="retire">
          {{ row.retired ? t('certify.awardAgain') : t('certify.stopAwarding') }}
        </button>
      </template>
    </aside>
  </div>
</template>
