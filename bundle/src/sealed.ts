// Contents as the trail holds them, and which of them a bundle carries.
import type { GradedWith, GradeResult, Answers } from '@peen/core/grade'
import type { AgreedTarget } from '@peen/core/setup'
import type { Asked } from '@peen/core/standard'
import { eventsAsSealed } from './first-words'
import { contentHash, type Walked } from './trail'

/** `content` is left out of events: they lie in files of their own. `parts`: which events or pictures were sealed. */
export type SealedFile = { readonly name: string; readonly parts: readonly string[] | null; readonly content?: unknown }

/** A signed grading as the trail holds it: a visit is called session there, and no free text is in it. */
export type SealedGrading = {
  readonly id: string
  readonly sessionId: string
  readonly assessorId: string
  readonly standardId: string
  readonly standardVersion: number
  readonly houseRules: Record<string, number>
  readonly wishes: Asked['wishes'] | null
  readonly agreed: readonly AgreedTarget[] | null
  readonly gradedWith: GradedWith | null
  readonly blind: boolean
  readonly answers: Answers
  readonly critical: readonly string[]
  readonly startedAt: string
  readonly signedAt: string | null
  readonly result: { readonly value: number; readonly outcome: GradeResult['outcome']; readonly body: GradeResult }
}
export type SealedFinding = {
  readonly id: string
  readonly number: string
  readonly apprenticeId: string
  readonly certificateId: string
  readonly certificateVersion: number
  readonly rules: readonly unknown[]
  readonly evidence: readonly { readonly name: string; readonly met: string; readonly evidence: string; readonly onDate: string | null }[]
  readonly validUntil: string | null
}
export type SealedAssessment = {
  readonly sessionId: string
  readonly outcome: 'passed' | 'notPassed' | null
  readonly agreedBy: string | null
}
export type SealedSetAside = { readonly gradingId: string; readonly at: string }

/** Where a sealed thing lies in the bundle. */
export function pathOfSeal(name: string): string {
  const [kind, id] = [name.slice(0, name.indexOf(':')), name.slice(name.indexOf(':') + 1)]
  return `sealed/${kind}/${id.replace(/[^\w-]/g, '_')}.json`
}

/** Things whose content is not what the newest entry about them holds; `eventsOf`: the events of a visit in the bundle's order. */
export function unlikeTheTrail(
  sealed: readonly SealedFile[],
  { newest }: Walked,
  eventsOf: (visitId: string) => readonly { readonly id: string }[]
): string[] {
  const contentOf = ({ name, parts, content }: SealedFile): unknown => {
    if (!name.startsWith('events:')) return content
    const own = new Set(parts)
    return eventsAsSealed(eventsOf(name.slice('events:'.length)).filter(({ id }) => own.has(id)) as never)
  }
  return sealed.filter((one) => newest.get(one.name)?.hash !== contentHash(contentOf(one) ?? null)).map(({ name }) => name)
}
