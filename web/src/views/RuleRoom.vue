<script setup lang="ts">
import { sayCertificateIssue, type CertificateBook, type DryRunRow } from '@peen/contract'
import { certificateIssues, sayRule, sayTerm, type Certificate } from '@peen/core/certify'
import { designLearningChart, sayJointRisk } from '@peen/core/competency'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, sentenceOf } from '../api/client'
import ChartRules from '../certify/ChartRules.vue'
import CertificateFields from '../certify/CertificateFields.vue'
import DryRun from '../certify/DryRun.vue'
import RuleEditor from '../certify/RuleEditor.vue'
import GlyphMark from '../components/GlyphMark.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useLoaded } from '../composables/useLoaded'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'

// Certificates as sentences: read by everybody, changed by a lead, tried on the cohort before they are used.
const props = defineProps<{ id?: string }>()
const session = useSessionStore()
const router = useRouter()
const { data, error, loading, reload } = useLoaded<CertificateBook>(() => '/certificates')
/** What somebody has begun to write stays on this device until it is used or thrown away. */
const drafts = useLocalStorage<Record<string, Certificate>>('peen.certificates', {})
const row = computed(
  () => data.value?.certificates.find(({ certificate }) => certificate.id === props.id) ?? data.value?.certificates[0] ?? null
)
const id = computed(() => (props.id && drafts.value[props.id] ? props.id : row.value?.certificate.id))
const draft = computed(() => (id.value ? (drafts.value[id.value] ?? null) : null))
const problem = ref<string | null>(null)
const trial = ref<readonly DryRunRow[] | null>(null)
watch(id, () => ([problem.value, trial.value] = [null, null]))
const names = computed(() => ({
  technique: (one: string) => session.school?.techniques.find((technique) => technique.id === one)?.name ?? one,
  certificate: (one: string) => data.value?.certificates.find(({ certificate }) => certificate.id === one)?.certificate.name ?? one,
  criterion: (one: string) =>
    Object.values(data.value?.criteria ?? {})
      .flat()
      .find((criterion) => criterion.id === one)?.label ?? one
}))
const known = computed(() => ({
  techniques: new Set(session.school?.techniques.map((technique) => technique.id)),
  standards: new Map(
    Object.entries(data.value?.criteria ?? {}).map(([one, criteria]) => [one, new Set(criteria.map((criterion) => criterion.id))])
  ),
  certificates: new Map(data.value?.certificates.map(({ certificate }) => [certificate.id, certificate.rules])),
  coats: data.value?.coats ?? 0,
  assessors: data.value?.assessors ?? 0
}))
const issues = computed(() =>
  draft.value ? certificateIssues(draft.value, known.value).map((issue) => sayCertificateIssue(issue, draft.value!)) : []
)
function write(certificate: Certificate): void {
  drafts.value = { ...drafts.value, [certificate.id]: certificate }
  trial.value = null
}
function begin(): void {
  const { certificate } = row.value!
  write({ ...certificate, version: certificate.version + 1 })
}
function drop(one: string): void {
  const { [one]: _gone, ...rest } = drafts.value
  drafts.value = rest
  trial.value = null
}
const copyName = ref('')
function copy(): void {
  const name = copyName.value.trim()
  const plain = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40)
  if (plain.length < 2) return void (problem.value = `Name is “${name}”; allowed is one with two letters or more.`)
  if (data.value!.certificates.some(({ certificate }) => certificate.id === plain))
    return void (problem.value = `There is a certificate of that name already: ${plain}.`)
  write({ ...row.value!.certificate, id: plain, name, version: 1 })
  copyName.value = ''
  void router.push(`/rules/${plain}`)
}
async function tryOut(): Promise<void> {
  try {
    trial.value = await api.post<DryRunRow[]>('/certificates/dry-run', draft.value!)
    problem.value = null
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
async function use(): Promise<void> {
  try {
    await api.put(`/certificates/${draft.value!.id}`, draft.value!)
    drop(draft.value!.id)
    problem.value = null
    await reload()
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
async function retire(): Promise<void> {
  const { certificate, retired } = row.value!
  try {
    await api.post(`/certificates/${certificate.id}/${retired ? 'give-again' : 'retire'}`)
    await reload()
  } catch (caught) {
    problem.value = sentenceOf(caught)
  }
}
/** the risk of luck over all techniques that a certificate asks for */
const joint = computed(() => {
  const techniques = row.value?.certificate.rules.flatMap((rule) => (rule.kind === 'techniques' ? rule.techniques : [])) ?? []
  if (techniques.length < 2) return null
  const { falseCompetentRisk } = designLearningChart(data.value!.rules)
  return sayJointRisk(techniques.map(() => falseCompetentRisk))
})
const own = computed(() =>
  Object.values(drafts.value).filter((one) => !data.value?.certificates.some(({ certificate }) => certificate.id === one.id))
)
</script>

<template>
  <TopLine what="Rules of evidence" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <div v-else class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[264px_1fr_380px] lg:overflow-hidden">
    <nav class="border-line bg-sheet p-4 max-lg:border-b lg:overflow-y-auto lg:border-r" aria-label="Certificates">
      <RouterLink to="/certify" class="flex min-h-11 items-center">All findings</RouterLink>
      <RouterLink
        v-for="one in [...data.certificates.map((known) => known.certificate), ...own]"
        :key="one.id"
        :to="`/rules/${one.id}`"
        class="flex min-h-11 items-center gap-2 px-2 leading-[1.2] no-underline"
        :class="one.id === id ? 'bg-ink text-sheet' : 'hover:bg-well'"
        ><span class="flex-1">{{ one.name }}</span
        ><span v-if="drafts[one.id]" class="text-[14px]">being changed</span></RouterLink
      >
    </nav>
    <main class="min-w-0 p-4 sm:px-6 lg:overflow-y-auto">
      <template v-if="draft">
        <h1>{{ draft.name }}, version {{ draft.version }}, not yet in use</h1>
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
        <h1>{{ row.certificate.name }}, version {{ row.certificate.version }}<template v-if="row.retired">, no longer given</template></h1>
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
    <aside class="border-line bg-sheet px-5 py-4 max-lg:border-t lg:overflow-y-auto lg:border-l">
      <p v-if="problem" class="mb-3 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
      <template v-if="draft">
        <h1>Before it is used</h1>
        <hr class="rule2 my-3" />
        <ul v-if="issues.length" class="m-0 list-none p-0" data-issues>
          <li v-for="issue in issues" :key="issue" class="flex gap-2 py-1.5 leading-[1.3]">
            <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ issue }}
          </li>
        </ul>
        <button v-else class="btn w-full" @click="tryOut">Try it on the cohort</button>
        <DryRun v-if="trial" :rows="trial" class="mt-3" />
        <button v-if="session.isLead && issues.length === 0" class="btn btn-go mt-4 w-full" :disabled="!trial" @click="use">
          Use it from now on
        </button>
        <p v-if="session.isLead && issues.length === 0 && !trial" class="muted mt-1">It is tried first.</p>
        <button class="btn btn-quiet mt-3 w-full" @click="drop(draft.id)">Throw the change away</button>
      </template>
      <template v-else-if="row">
        <h1>Change it</h1>
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
