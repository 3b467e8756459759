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
import { tryOnScopeDispose, useEventListener, useLocalStorage, useTimeoutFn } from '@vueuse/core'
import * as Comlink from 'comlink'
import { computed, onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'
import { ask, ApiError, isUnreachable, sentenceOf } from '../api/client'
import { draftKey, useDraftStore, type KeptDraft } from '../stores/drafts'
import { useSavedStore } from '../stores/saved'
import { useSessionStore } from '../stores/session'
import { useSaveSoon } from '../composables/useSaveSoon'
import type { StoredDraft } from './merge'
import type { Grader } from '../workers/grade.worker'
import { t } from '../words'

/** A sheet that got no answer is sent again so soon, ms. */
const NOT_SIGNED = t('grading.peenNotAnsweringSoNothing')
const RETRY_MS = 5000

/** A draft grading on this device: kept here at every change, saved when the hand rests, graded in a worker. */
export function useGrade(grading: GradingView, standard: Standard) {
  const saved = useSavedStore()
  const place = t('grading.sheetId', { id: grading.id })
  const session = useSessionStore()
  // a sheet that could not be saved last time is still here, if it is the same person's
  const kept = useLocalStorage<KeptDraft | null>(draftKey(grading.id), null, {
    serializer: { read: (text) => JSON.parse(text), write: (value) => JSON.stringify(value) }
  })
  const left = kept.value && (kept.value.by ?? session.me?.id) === session.me?.id ? kept.value : null
  const mine = left ?? grading
  // a sheet of before is sent as what it was written upon: where another device has written since, the server keeps it and says so
  const version = ref(mine.version)
  const answers = ref<Answers>(plain(mine.answers))
  const critical = ref<readonly string[]>([...mine.critical])
  const rating = ref<GlobalRating | null>(mine.globalRating)
  /** what another device has written meanwhile */
  const conflict = ref<StoredDraft | null>(null)
  const problem = ref<string | null>(null)
  const count = computed(() => countAnswers(standard, answers.value))

  const result = useGraded(grading, standard, answers, critical)

  // what was changed just before signing is saved by signing: the write that waits for a pause must not come in between
  let signing = false
  // that there is no connection is the top line's to say, until a signature needs it
  let isAway = false
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
      kept.value = isWaiting() ? mineNow() : null
      saved.keep(place, 0)
      problem.value = null
      isAway = false
    } catch (error) {
      saved.keep(place, 1)
      if (error instanceof ApiError && error.problem.code === 'draftConflict') conflict.value = error.problem.stored as StoredDraft
      else problem.value = isUnreachable(error) ? null : sentenceOf(error)
      isAway = isUnreachable(error)
      if (isAway) retry.start()
    }
  }
  const { soon, now: save, isWaiting } = useSaveSoon(write)
  // what could not be sent goes without another touch, as soon as there is an answer again
  const retry = useTimeoutFn(() => void save(), RETRY_MS, { immediate: false })
  useEventListener(globalThis.window, 'online', () => kept.value && void save())
  const mineNow = (): KeptDraft => ({ ...current(), by: session.me?.id })
  function changed(): void {
    kept.value = mineNow()
    soon()
  }
  tryOnScopeDispose(useDraftStore().begin(grading.id))
  if (left) soon()

  /** Goes on with the sheet that was made of both devices' texts; it is written upon the one that is stored. */
  function settle(sheet: StoredDraft): void {
    version.value = sheet.version
    answers.value = plain(sheet.answers)
    critical.value = [...sheet.critical]
    rating.value = sheet.globalRating
    conflict.value = null
    kept.value = mineNow()
    void save()
  }

  const touches = answering({ answers, critical, rating }, changed)
  async function sign(): Promise<boolean> {
    await save()
    if (isAway) problem.value = NOT_SIGNED
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
  return { answers, critical, rating, result, count, conflict, problem, ...touches, sign, settle, current }
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
