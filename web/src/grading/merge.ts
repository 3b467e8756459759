// Two devices wrote one grading sheet: where they differ, and the sheet that a person makes of both.
import type { Answers, GlobalRating, SideAnswer, SideKey } from '@peen/core/grade'

export type StoredDraft = {
  readonly version: number
  readonly answers: Answers
  readonly critical: readonly string[]
  readonly globalRating: GlobalRating | null
}

/** One thing that the two say otherwise; null where one of them says nothing. */
export type Difference =
  | {
      readonly kind: 'answer'
      readonly id: string
      readonly criterionId: string
      readonly side: SideKey
      readonly here: SideAnswer | null
      readonly there: SideAnswer | null
    }
  | { readonly kind: 'critical'; readonly id: string; readonly faultId: string; readonly here: boolean; readonly there: boolean }
  | { readonly kind: 'rating'; readonly id: 'rating'; readonly here: GlobalRating | null; readonly there: GlobalRating | null }

const SIDES = ['left', 'right', 'whole'] as const

/** Everything that differs, answers first, each under an id of its own. */
export function differences(here: StoredDraft, there: StoredDraft): readonly Difference[] {
  const criteria = [...new Set([...Object.keys(here.answers), ...Object.keys(there.answers)])]
  const answers = criteria.flatMap((criterionId) =>
    SIDES.flatMap((side): Difference[] => {
      const [own, other] = [here.answers[criterionId]?.[side] ?? null, there.answers[criterionId]?.[side] ?? null]
      return isSame(own, other) ? [] : [{ kind: 'answer', id: `${criterionId}/${side}`, criterionId, side, here: own, there: other }]
    })
  )
  const faults = [...new Set([...here.critical, ...there.critical])].flatMap((faultId): Difference[] => {
    const [own, other] = [here.critical.includes(faultId), there.critical.includes(faultId)]
    return own === other ? [] : [{ kind: 'critical', id: `critical/${faultId}`, faultId, here: own, there: other }]
  })
  const rating: Difference[] =
    here.globalRating === there.globalRating ? [] : [{ kind: 'rating', id: 'rating', here: here.globalRating, there: there.globalRating }]
  return [...answers, ...faults, ...rating]
}

/** What is usually meant: what only one of them says stays; where both speak, the device in the hand. */
export const usualChoice = ({ kind, here, there }: Difference): 'here' | 'there' =>
  kind === 'critical' ? (here ? 'here' : 'there') : here === null && there !== null ? 'there' : 'here'

/** One sheet of both, upon the version that is stored: of each difference the side that was chosen. */
export function merged(here: StoredDraft, there: StoredDraft, choices: Readonly<Record<string, 'here' | 'there'>>): StoredDraft {
  const pick = (id: string): StoredDraft => (choices[id] === 'there' ? there : here)
  const criteria = [...new Set([...Object.keys(here.answers), ...Object.keys(there.answers)])]
  const answers = criteria.flatMap((criterionId) => {
    const sides = SIDES.flatMap((side) => {
      const answer = pick(`${criterionId}/${side}`).answers[criterionId]?.[side]
      return answer ? [[side, answer] as const] : []
    })
    return sides.length > 0 ? [[criterionId, Object.fromEntries(sides)] as const] : []
  })
  const faults = [...new Set([...here.critical, ...there.critical])]
  return {
    version: there.version,
    answers: Object.fromEntries(answers),
    critical: faults.filter((id) => pick(`critical/${id}`).critical.includes(id)),
    globalRating: pick('rating').globalRating
  }
}

// answers are plain data; a field that says nothing may be there or not
const isSame = (a: SideAnswer | null, b: SideAnswer | null) => sorted(a) === sorted(b)
const sorted = (value: unknown): string =>
  JSON.stringify(value, (_, own: unknown) =>
    own !== null && typeof own === 'object' && !Array.isArray(own)
      ? Object.fromEntries(Object.entries(own).sort(([a], [b]) => (a < b ? -1 : 1)))
      : own
  ) ?? 'null'
