import { adviceRules, coatFor, cutRegionsOf, techniqueName, techniqueWaits, houseRules } from '@peen/content'
import type { NewClosing, NewFound, VisitPage } from '@peen/contract'
import type { Choice } from '@peen/core/changes'
import { excusedBy, type Found } from '@peen/core/checkin'
import {
  agreedTargets,
  cameInLengths,
  sheetCaseOf,
  sheetOf,
  type AgreedTarget,
  type Chosen,
  type LineId,
  type Sheet,
  type SheetCase
} from '@peen/core/setup'
import { REGIONS, type RegionId } from '@peen/core/regions'
import type { Lengths } from '@peen/core/figure'
import { computed, ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import { useAsked } from '../composables/useAsked'
import { oneAfterTheOther } from '../composables/oneAfterTheOther'
import { useKeptText } from '../offline/useKeptText'
import { FOUND_PARTS } from './found-words'

type Draft = Omit<NewFound, 'version'>
const SIDED = new Set<RegionId>(REGIONS.flatMap(({ id, paired }) => (paired ? [id] : [])))

/** Does a place have a left and a right? */
export const isSided = (region: RegionId): boolean => SIDED.has(region)

/** What a visit's sheet is asked; an older check-in excuses what it said until somebody looks again. */
export function sheetCase(page: VisitPage, found: Found, chosen: SheetCase['chosen']): SheetCase {
  const excused = found.coat.length > 0 || page.checkedIn ? excusedBy(found.coat) : page.checkIn.excused
  return sheetCaseOf(
    { ...page, found, excused, chosen },
    { houseRules, regionsOf: cutRegionsOf, nameOf: techniqueName, waits: techniqueWaits }
  )
}

/** What a dog wears on one side when the sheet is followed: a place where nothing is cut keeps what it has grown to. */
export function wornBy(lines: readonly AgreedTarget[], plan: Lengths, side: 'left' | 'right', cameIn: Lengths): Lengths {
  const worn: Record<string, number> = { ...plan }
  for (const line of lines) {
    if (worn[line.region] === undefined || (line.side !== side && line.side !== 'both' && line.side !== 'whole')) continue
    worn[line.region] = line.stopped ? (cameIn[line.region] ?? worn[line.region]) : (line.mm ?? worn[line.region])
  }
  return worn
}

/** What was found, with the version that a change of it carries. */
function seenIn({ version, found, checkIn }: VisitPage): { readonly version: number; readonly value: Draft } {
  const { gate: _gate, ...seen } = found
  return { version, value: { ...seen, weeksSince: checkIn.weeksSince } }
}

/** One visit with its check-in, sheet and closing; every change is sent at once and counted by its version. */
export function useVisit(id: () => string) {
  const { data, error, loading, reload } = useAsked('visit', () => ({ id: id() }), { fresh: true })
  const refused = ref<string | null>(null)
  const chosen = ref<SheetCase['chosen']>({})
  const draft = ref<Draft | null>(null)
  const text = useKeptText<Draft>({
    kind: 'visit',
    id,
    value: () => draft.value!,
    put: (next) => (draft.value = next),
    write: ({ version, value }) => ask('keepFound', { id: id(), body: { ...value, version } }),
    read: async () => {
      const page = await ask('visit', { id: id() })
      chosen.value = page.chosen
      return seenIn(page)
    },
    conflict: 'changedMeanwhile',
    how: FOUND_PARTS
  })
  const { version } = text
  // each write carries the version that the one before it left
  const { inTurn, isWorking } = oneAfterTheOther()
  watch(id, () => (version.value = 0))
  watch(data, (page) => {
    // an answer that was asked for before the newest change does not take that change back
    if (!page || isWorking() || page.version < version.value) return
    chosen.value = page.chosen
    // what was noted without an answer last time is still here
    if (text.begin(seenIn(page))) void inTurn(text.send)
  })

  const send = (write: (version: number) => Promise<{ readonly version: number }>): Promise<boolean> =>
    inTurn(async () => {
      try {
        const answer = await write(version.value)
        version.value = answer.version
        refused.value = null
        return true
      } catch (caught) {
        refused.value = sentenceOf(caught)
        return false
      }
    })

  const found = computed<Found | null>(() => (data.value && draft.value ? { ...draft.value, gate: data.value.found.gate } : null))
  const sheet = computed<Sheet | null>(() => {
    if (!data.value || !found.value) return null
    try {
      return sheetOf(adviceRules, sheetCase(data.value, found.value, chosen.value))
    } catch {
      // a tool that is banned since it was chosen: the advice stands until another is chosen
      return sheetOf(adviceRules, sheetCase(data.value, found.value, {}))
    }
  })
  /** what this sheet agrees on: once the dog is said ready, the server keeps the same */
  const agreed = computed(() => (sheet.value ? agreedTargets(sheet.value) : []))
  const plan = computed<Lengths>(() => data.value?.standard.plan.lengthsMm ?? coatFor('bearded').lengths)
  const trim = computed(() => data.value?.standard.id)
  /** the dog as it came in: grown out by the weeks since the last groom */
  const cameIn = computed<Lengths>(() => {
    if (!data.value || !draft.value) return plan.value
    const { standard, house, dog } = data.value
    return cameInLengths(standard.plan, draft.value.weeksSince, { house, coat: dog.coatType })
  })

  /** Changes what was found, shows it at once and sends it. */
  async function note(change: Partial<Draft>): Promise<boolean> {
    if (!draft.value) return false
    draft.value = { ...draft.value, ...change }
    text.keep()
    refused.value = null
    // what was refused stays here with its sentence, and goes again with the next change
    return inTurn(text.send)
  }
  async function choose(line: LineId, choice: Chosen | null): Promise<void> {
    const before = chosen.value
    const { [line]: _old, ...rest } = before
    chosen.value = choice ? { ...rest, [line]: choice } : rest
    if (!(await send((version) => ask('keepChosen', { id: id(), body: { chosen: chosen.value, version } })))) chosen.value = before
  }
  async function sayReady(dry: boolean, combed: boolean): Promise<void> {
    if (await send((version) => ask('sayReady', { id: id(), body: { dry, combed, version } }))) await reload()
  }
  const close = (body: Omit<NewClosing, 'version'>) => send((version) => ask('closeVisit', { id: id(), body: { ...body, version } }))
  /** Takes what the server holds, whatever stands here: after somebody else's change. */
  async function loadAgain(): Promise<void> {
    text.forget()
    refused.value = null
    await reload()
  }
  return {
    ...{ data, error, loading, reload, loadAgain },
    refused: computed(() => refused.value ?? text.refused.value),
    said: text.said,
    clashes: text.clashes,
    settle: (choices: Readonly<Record<string, Choice>>) => inTurn(() => text.settle(choices)),
    draft,
    found,
    sheet,
    agreed,
    chosen,
    plan,
    cameIn,
    trim,
    note,
    choose,
    sayReady,
    close
  }
}
