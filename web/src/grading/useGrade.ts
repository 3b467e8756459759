import type { Draft, GradingView } from '@peen/contract'
import {
  countAnswers,
  type Answer,
  type Answers,
  type GlobalRating,
  type GradeResult,
  type SideAnswer,
  type SideKey
} from '@peen/core/grade'
import type { Standard } from '@peen/core/standard'
import { useLocalStorage } from '@vueuse/core'
import * as Comlink from 'comlink'
import { computed, onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'
import { ask, ApiError, sentenceOf } from '../api/client'
import { useSavedStore } from '../stores/saved'
import { useSaveSoon } from '../composables/useSaveSoon'
import type { Grader } from '../workers/grade.worker'

export type StoredDraft = {
  readonly version: number
  readonly answers: Answers
  readonly critical: readonly string[]
  readonly globalRating: GlobalRating | null
}

/** A draft grading on this device: kept here at every change, saved when the hand rests, graded in a worker. */
export function useGrade(grading: GradingView, standard: Standard) {
  const saved = useSavedStore()
  const place = `sheet ${grading.id}`
  const version = ref(grading.version)
  // a sheet that could not be saved last time is still here
  const kept = useLocalStorage<StoredDraft | null>(`peen.draft.${grading.id}`, null, {
    serializer: { read: (text) => JSON.parse(text), write: (value) => JSON.stringify(value) }
  })
  const mine = kept.value && kept.value.version === grading.version ? kept.value : grading
  const answers = ref<Answers>(plain(mine.answers))
  const critical = ref<readonly string[]>([...mine.critical])
  const rating = ref<GlobalRating | null>(mine.globalRating)
  const conflict = ref<StoredDraft | null>(null)
  const problem = ref<string | null>(null)
  const count = computed(() => countAnswers(standard, answers.value))

  const result = useGraded(grading, standard, answers, critical)

  // what was changed just before signing is saved by signing: the write that waits for a pause must not come in between
  let signing = false
  const current = (): StoredDraft => ({
    version: version.value,
    answers: answers.value,
    critical: critical.value,
    globalRating: rating.value
  })
  async function write(): Promise<void> {
    if (conflict.value || signing) return
    const draft: Draft = current()
    try {
      version.value = (await ask('saveDraft', { id: grading.id, body: draft })).version
      // what was changed while this was on its way is still kept here only
      kept.value = isWaiting() ? current() : null
      saved.keep(place, 0)
      problem.value = null
    } catch (error) {
      saved.keep(place, 1)
      if (error instanceof ApiError && error.problem.code === 'draftConflict') conflict.value = error.problem.stored as StoredDraft
      else problem.value = sentenceOf(error)
    }
  }
  const { soon, now: save, isWaiting } = useSaveSoon(write)
  function changed(): void {
    kept.value = current()
    soon()
  }

  /** Takes the other device's text; one's own stays kept on the server. */
  function takeTheirs(): void {
    if (!conflict.value) return
    version.value = conflict.value.version
    answers.value = plain(conflict.value.answers)
    critical.value = conflict.value.critical
    rating.value = conflict.value.globalRating
    conflict.value = null
    kept.value = null
    saved.keep(place, 0)
  }
  function keepMine(): void {
    if (!conflict.value) return
    version.value = conflict.value.version
    rating.value = conflict.value.globalRating ?? rating.value
    conflict.value = null
    void save()
  }

  const touches = answering({ answers, critical, rating }, changed)
  async function sign(): Promise<boolean> {
    await save()
    if (conflict.value || problem.value) return false
    signing = true
    try {
      await ask('signGrading', { id: grading.id, body: { version: version.value } })
      return true
    } catch (error) {
      problem.value = sentenceOf(error)
      return false
    } finally {
      signing = false
    }
  }
  return { answers, critical, rating, result, count, conflict, problem, ...touches, sign, takeTheirs, keepMine }
}

type OnSheet = { readonly answers: Ref<Answers>; readonly critical: Ref<readonly string[]>; readonly rating: Ref<GlobalRating | null> }

/** What a touch on the sheet does to its answers. */
function answering({ answers, critical, rating }: OnSheet, changed: () => void) {
  function answer(criterionId: string, side: SideKey, value: SideAnswer | null): void {
    const { [side]: _gone, ...rest } = answers.value[criterionId] ?? ({} as Answer)
    const next: Answer = value === null ? rest : { ...rest, [side]: value }
    const { [criterionId]: _old, ...others } = answers.value
    answers.value = Object.keys(next).length === 0 ? others : { ...others, [criterionId]: next }
    changed()
  }
  function toggleCritical(id: string): void {
    critical.value = critical.value.includes(id) ? critical.value.filter((other) => other !== id) : [...critical.value, id]
    changed()
  }
  function rate(value: GlobalRating): void {
    rating.value = value
    changed()
  }
  return { answer, toggleCritical, rate }
}

const plain = <T>(value: T) => JSON.parse(JSON.stringify(value)) as T

/** What the sheet comes to, graded in a worker at every change; only the newest answer counts. */
function useGraded(grading: GradingView, standard: Standard, answers: Ref<Answers>, critical: Ref<readonly string[]>) {
  const result = shallowRef<GradeResult | null>(null)
  const worker = new Worker(new URL('../workers/grade.worker.ts', import.meta.url), { type: 'module', name: 'grade' })
  const grader = Comlink.wrap<Grader>(worker)
  let asked = 0
  async function regrade(): Promise<void> {
    const turn = ++asked
    const input = { answers: plain(answers.value), critical: [...critical.value], ...plain(grading.gradedWith), seedText: grading.id }
    const found = await grader.grade(plain(standard), input)
    if (turn === asked) result.value = found
  }
  watch([answers, critical], () => void regrade(), { immediate: true, deep: true })
  onBeforeUnmount(() => worker.terminate())
  return result
}
