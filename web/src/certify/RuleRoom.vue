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
  <TopLine what="Rules of evidence" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[264px_1fr_380px] lg:overflow-hidden">
    <nav class="border-line bg-sheet p-4 max-lg:border-b lg:overflow-y-auto lg:border-r" aria-label="Certificates">
      <RouterLink to="/certify" class="flex min-h-11 items-center">All findings</RouterLink>
      <RouterLink
        v-for="one in [...certificates, ...own]"
        :key="one.id"
        :to="`/rules/${one.id}`"
        class="flex min-h-11 items-center gap-2 px-2 leading-[1.2] no-underline"
        :class="one.id === shownId ? 'bg-ink text-sheet' : 'hover:bg-well'"
        ><span class="flex-1">{{ one.name }}</span
        ><span v-if="drafts[one.id]" class="text-[14px]">being changed</span></RouterLink
      >
    </nav>
    <main class="min-w-0 p-4 sm:px-6 lg:overflow-y-auto" tabindex="0">
      <template v-if="draft">
        <h2 class="title">{{ draft.name }}, version {{ draft.version }}, not yet in use</h2>
        <hr class="rule2 mt-2" />
        <CertificateFields :model-value="draft" @update:model-value="write" />
        <RuleEditor
          :model-value="draft.rules"
          :certificate="draft"
          :book="data"
          title="It is given when"
          empty="No rule yet: nobody could be certified."
          @update:model-value="write({ ...draft, rules: $event })"
        />
        <RuleEditor
          v-if="draft.validMonths !== null"
          :model-value="draft.renewal"
          :certificate="draft"
          :book="data"
          title="It is renewed when"
          empty="All rules are asked for once more."
          @update:model-value="write({ ...draft, renewal: $event })"
        />
      </template>
      <template v-else-if="row">
        <h2 class="title">
          {{ row.certificate.name }}, version {{ row.certificate.version }}<template v-if="row.retired">, no longer given</template>
        </h2>
        <hr class="rule2 mt-2" />
        <p class="mt-2 font-serif text-[20px] leading-[1.3]">Whoever holds it {{ row.certificate.claim }}.</p>
        <h2 class="mt-4">It is given when</h2>
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
          Trims that count: {{ row.certificate.standards.map((one) => session.standardName(one)).join(', ') }}. Issued
          {{ row.issued }} times.
          <template v-for="version in row.versions" :key="version.version"
            >Version {{ version.version }}:
            {{ version.by ? `${version.by}, ${sayDate(version.at?.slice(0, 10) ?? null)}` : 'as Peen ships it' }}.
          </template>
        </p>
      </template>
      <ChartRules class="mt-8" :rules="data.rules" :certificates="data.certificates" @kept="reload" />
    </main>
    <aside class="border-line bg-sheet px-5 py-4 max-lg:border-t lg:overflow-y-auto lg:border-l" tabindex="0">
      <p v-if="problem" class="mb-3 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
      <template v-if="draft">
        <h2 class="title">Before it is used</h2>
        <hr class="rule2 my-3" />
        <ul v-if="issues.length" class="m-0 list-none p-0" data-issues>
          <li v-for="issue in issues" :key="issue" class="flex gap-2 py-1.5 leading-[1.3]">
            <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ issue }}
          </li>
        </ul>
        <button v-else class="btn w-full" @click="tryOut">Try it on the cohort</button>
        <template v-if="isBehind">
          <p class="mt-3 leading-[1.35]" role="status">Another version has come into use since you began; yours is kept.</p>
          <button class="btn mt-2 w-full" @click="rebase">Put yours on top of it</button>
        </template>
        <DryRun v-if="trial" :rows="trial" class="mt-3" />
        <button v-if="session.isLead && issues.length === 0" class="btn btn-go mt-4 w-full" :disabled="!trial || isBehind" @click="use">
          Use it from now on
        </button>
        <p v-if="session.isLead && issues.length === 0 && !trial" class="muted mt-1">It is tried first.</p>
        <button class="btn btn-quiet mt-3 w-full" @click="drop(draft.id)">Throw the change away</button>
      </template>
      <template v-else-if="row">
        <h2 class="title">Change it</h2>
        <hr class="rule2 my-3" />
        <p class="leading-[1.35]">What was drafted or issued by a version keeps that version.</p>
        <button class="btn btn-go mt-3 w-full" @click="begin">Change it</button>
        <label class="mt-4 block"
          ><span class="label">As one of your own, named</span><input v-model="copyName" class="field" maxlength="60"
        /></label>
        <button class="btn mt-2 w-full" @click="copy">Copy it</button>
        <button v-if="session.isLead" class="btn btn-quiet mt-4 w-full" @click="retire">
          {{ row.retired ? 'Give it again' : 'Give it no longer' }}
        </button>
      </template>
    </aside>
  </div>
</template>
