import { questions } from '@peen/content'
import { sayCertificateIssue, type DryRunRow } from '@peen/contract'
import { certificateIssues, type Certificate } from '@peen/core/certify'
import { designLearningChart, sayJointRisk } from '@peen/core/competency'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { ask } from '../api/client'
import { useDoing } from '../composables/useDoing'
import { useAsked } from '../composables/useAsked'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

/** The school's certificates, and what somebody has begun to write of one: it stays on this device until it is used or thrown away. */
export function useRules(asked: () => string | undefined) {
  const session = useSessionStore()
  const { data, error, loading, reload } = useAsked('certificates', undefined, { fresh: true })
  const { problem, doing } = useDoing(reload)
  const drafts = useLocalStorage<Record<string, Certificate>>('peen.certificates', {})
  const trial = ref<readonly DryRunRow[] | null>(null)
  const certificates = computed(() => data.value?.certificates.map(({ certificate }) => certificate) ?? [])
  const rowOf = (id: string | undefined) => data.value?.certificates.find(({ certificate }) => certificate.id === id) ?? null
  const row = computed(() => rowOf(asked()) ?? data.value?.certificates[0] ?? null)
  const shownId = computed(() => (asked() && drafts.value[asked()!] ? asked()! : row.value?.certificate.id))
  const draft = computed(() => (shownId.value ? (drafts.value[shownId.value] ?? null) : null))
  watch(shownId, () => ([problem.value, trial.value] = [null, null]))

  const criteria = computed(() => Object.values(data.value?.criteria ?? {}).flat())
  const names = {
    technique: (one: string) => session.school?.techniques.find((technique) => technique.id === one)?.name ?? one,
    certificate: (one: string) => rowOf(one)?.certificate.name ?? one,
    question: (one: string) => questions.find(({ id }) => id === one)?.ask ?? one,
    criterion: (one: string) => criteria.value.find((criterion) => criterion.id === one)?.label ?? one
  }
  const known = computed(() => ({
    techniques: new Set(session.school?.techniques.map((technique) => technique.id)),
    questions: new Set(questions.map(({ id }) => id)),
    standards: new Map(
      Object.entries(data.value?.criteria ?? {}).map(([one, own]) => [one, new Set(own.map((criterion) => criterion.id))])
    ),
    certificates: new Map(certificates.value.map((one) => [one.id, one.rules])),
    coats: data.value?.coats ?? 0,
    assessors: data.value?.assessors ?? 0
  }))
  const issues = computed(() => {
    const own = draft.value
    return own ? certificateIssues(own, known.value).map((issue) => sayCertificateIssue(issue, own)) : []
  })
  /** the version after the one in use: another one has come into use since this was begun where it differs */
  const nextVersion = computed(() => (rowOf(shownId.value)?.certificate.version ?? 0) + 1)
  const isBehind = computed(() => draft.value !== null && data.value !== null && draft.value.version !== nextVersion.value)
  /** the risk of luck over all techniques that the certificate in use asks for */
  const joint = computed(() => {
    const techniques = row.value?.certificate.rules.flatMap((rule) => (rule.kind === 'techniques' ? rule.techniques : [])) ?? []
    if (techniques.length < 2) return null
    const { falseCompetentRisk } = designLearningChart(data.value!.rules)
    return sayJointRisk(techniques.map(() => falseCompetentRisk))
  })
  /** begun here, and not in use anywhere */
  const own = computed(() => Object.values(drafts.value).filter((one) => rowOf(one.id) === null))

  function write(certificate: Certificate): void {
    drafts.value = { ...drafts.value, [certificate.id]: certificate }
    trial.value = null
  }
  function begin(): void {
    const { certificate } = row.value!
    write({ ...certificate, version: certificate.version + 1 })
  }
  /** Lays what was begun over the version that has come into use meanwhile; nothing of it is lost. */
  const rebase = () => write({ ...draft.value!, version: nextVersion.value })
  function drop(one: string): void {
    const { [one]: _gone, ...rest } = drafts.value
    drafts.value = rest
    trial.value = null
  }
  /** A copy under a name of its own; the id it got, or null where the name cannot be taken. */
  function copy(given: string): string | null {
    const name = given.trim()
    const plain = name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40)
    if (plain.length < 2) problem.value = t('certify.nameNameMustHaveTwo', { name })
    else if (rowOf(plain) || drafts.value[plain]) problem.value = t('certify.thereAlreadyCertificateNamePlain', { plain })
    else {
      write({ ...row.value!.certificate, id: plain, name, version: 1 })
      return plain
    }
    return null
  }
  const tryOut = () => doing(async () => (trial.value = await ask('dryRun', { body: draft.value! })))
  const use = () =>
    doing(async () => {
      const { id: used } = draft.value!
      await ask('useCertificate', { certificate: used, body: draft.value! })
      drop(used)
    })
  const retire = () => doing(() => ask(row.value!.retired ? 'giveAgain' : 'retireCertificate', { certificate: row.value!.certificate.id }))

  return {
    ...{ data, error, loading, reload, problem, drafts, trial, certificates, row, shownId, draft, names, issues, isBehind, joint, own },
    ...{ write, begin, rebase, drop, copy, tryOut, use, retire }
  }
}
