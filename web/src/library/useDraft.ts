import { knownWith } from '@peen/content'
import type { DraftView } from '@peen/contract'
import { sayStandardIssue, standardIssues, planWithLength, type Criterion, type Standard } from '@peen/core/standard'
import { computed, ref, watch } from 'vue'
import { ask, ApiError } from '../api/client'
import { useAsked } from '../composables/useAsked'
import { useSaveSoon } from '../composables/useSaveSoon'
import { useKeptText, type Stored } from '../offline/useKeptText'
import { useSessionStore } from '../stores/session'
import { allTechniques } from '../stores/techniques'
import { t } from '../words'

const MOST_UNDO = 60

type Said = { readonly path: string; readonly say: string }
const MOST_OF_WORK = 3

/** Issues as they are read: where the work is not written at many places, that is one sentence. */
export function togetherOf(issues: readonly Said[]): readonly Said[] {
  const ofWork = issues.filter(({ path }) => path.startsWith('plan.work.'))
  if (ofWork.length <= MOST_OF_WORK) return issues
  const say = t('library.workNotRightYetN', { n: ofWork.length, say: ofWork[0].say })
  return [{ path: 'plan.work', say }, ...issues.filter((issue) => !ofWork.includes(issue))]
}

const storedIn = ({ version, body }: DraftView): Stored<Standard> => ({ version, value: body })
const MOST_ISSUES = 4
/** What stands against a draft, the first of it. */
const issuesOf = (error: unknown): string | null =>
  error instanceof ApiError && error.problem.errors
    ? error.problem.errors
        .slice(0, MOST_ISSUES)
        .map(({ detail }) => detail)
        .join(' ')
    : null

/** A standard under the hand: every change is judged at once, kept when the hand rests, and can be taken back. */
export function useDraft(id: () => string) {
  const { data, error, loading, reload } = useAsked('draft', () => ({ id: id() }), { fresh: true })
  const session = useSessionStore()
  const body = ref<Standard | null>(null)
  const text = useKeptText<Standard>({
    kind: 'trim',
    id,
    value: () => body.value!,
    put: (next) => (body.value = next),
    write: ({ version, value }) => ask('keepDraft', { id: id(), body: { version, body: value } }),
    read: async () => storedIn(await ask('draft', { id: id() })),
    conflict: 'draftConflict',
    sentence: issuesOf
  })
  const { version, refused, said, clashes } = text
  const before = ref<readonly Standard[]>([])
  watch(data, (draft) => {
    if (!draft || draft.version <= version.value) return
    // what was written without an answer last time is still here
    if (text.begin(storedIn(draft))) saveSoon()
  })

  const issues = computed(() => {
    if (!body.value) return []
    const standard = body.value
    const known = knownWith(session.school?.tools, allTechniques())
    return standardIssues(standard, known).map((issue) => ({ path: issue.path, say: sayStandardIssue(standard, issue) }))
  })

  async function write(): Promise<void> {
    if (body.value) await text.send()
  }
  const { soon: saveSoon, now: save } = useSaveSoon(write)

  function set(next: Standard): void {
    if (!body.value || next === body.value) return
    before.value = [...before.value, body.value].slice(-MOST_UNDO)
    body.value = next
    text.keep()
    saveSoon()
  }
  function undo(): void {
    const last = before.value.at(-1)
    if (!last) return
    before.value = before.value.slice(0, -1)
    body.value = last
    text.keep()
    saveSoon()
  }
  const change = (part: Partial<Standard>) => body.value && set({ ...body.value, ...part })
  /** Changes one criterion; a length that the plan names moves with its target, so that the dog is drawn by it. */
  function changeCriterion(next: Criterion, was: string): void {
    if (!body.value) return
    const criteria = body.value.criteria.map((one) => (one.id === was ? next : one))
    const { plan } = body.value
    const moves = next.how.kind === 'length' && plan.lengthsMm[next.region] !== undefined && next.how.targetMm > 0
    set({
      ...body.value,
      criteria,
      plan: moves && next.how.kind === 'length' ? planWithLength(plan, next.region, next.how.targetMm) : plan
    })
  }
  function addCriterion(criterion: Criterion, after: string | null): void {
    if (!body.value) return
    const at = after === null ? body.value.criteria.length : body.value.criteria.findIndex(({ id: one }) => one === after) + 1
    change({ criteria: [...body.value.criteria.slice(0, at), criterion, ...body.value.criteria.slice(at)] })
  }
  function removeCriterion(gone: string): void {
    if (!body.value) return
    const { criteria, makes } = body.value
    change({
      criteria: criteria.filter((one) => one.id !== gone && !(one.how.kind === 'difference' && one.how.of === gone)),
      makes: makes.map((making) => ({ ...making, criteria: making.criteria.filter((one) => one !== gone) }))
    })
  }
  function moveCriterion(moved: string, by: number): void {
    if (!body.value) return
    const criteria = [...body.value.criteria]
    const at = criteria.findIndex((one) => one.id === moved)
    const to = at + by
    if (at < 0 || to < 0 || to >= criteria.length) return
    criteria.splice(to, 0, ...criteria.splice(at, 1))
    change({ criteria })
  }
  return {
    ...{ data, error, loading, reload, body, version, issues, refused, said, clashes, before, settle: text.settle },
    ...{ set, undo, change, changeCriterion, addCriterion, removeCriterion, moveCriterion, save }
  }
}
