// What stood behind a certificate when it was issued, for the page that its holder may add: rules, techniques, marks. No dog and no owner by name
// but where a rule's own sentence says one.
import type { Me } from '@peen/contract'
import type { Certificate } from '@peen/core/certify'
import type { tables, Reader } from '../../db'
import type { Services } from '../../http'
import { unreadOf, waitsForOwnWord } from '../grading'
import { allPeople, fullName } from '../people'
import { trimNames } from '../school'
import { signedTrims, standingsOf, type SignedTrim } from '../standings'

type FindingRow = typeof tables.findings.$inferSelect

export type Mark = {
  readonly trim: string
  readonly onDate: string
  readonly assessor: string
  readonly mark: number
  readonly low: number
  readonly high: number
}
/** Days as yyyy-mm-dd; marks of 100 with their 95 % interval. */
export type Evidence = {
  /** the day on which it was printed: techniques are as they stand then */
  readonly asOf: string
  readonly rules: readonly { readonly name: string; readonly evidence: string; readonly onDate: string | null }[]
  readonly techniques: readonly {
    readonly name: string
    readonly readyOn: string | null
    readonly clean: number
    readonly attempts: number
  }[]
  readonly trims: readonly Mark[]
}

/** Marks that this reader may be told: not those of a trim that they could still mark, or judge themselves, without knowing. */
async function tellable(db: Reader, actor: Me, trims: readonly SignedTrim[], today: string): Promise<SignedTrim[]> {
  const visitIds = trims.map(({ visitId }) => visitId)
  const hidden = actor.role === 'apprentice' ? await waitsForOwnWord(db, visitIds, today) : await unreadOf(db, actor, trims, today)
  return trims.filter(({ gradingId, visitId }) => !hidden.has(gradingId) && !hidden.has(visitId))
}

async function techniquesOf(db: Reader, { apprenticeId, rules }: FindingRow, today: string): Promise<Evidence['techniques']> {
  const ids = new Set(rules.flatMap((rule) => (rule.kind === 'techniques' || rule.kind === 'practised' ? rule.techniques : [])))
  const standings = await standingsOf(db, apprenticeId, today)
  return [...ids].flatMap((id) => {
    const record = standings.get(id)
    if (!record) return []
    const { signalOn, clean, attempts } = record.standing
    return [{ name: record.technique.name, readyOn: signalOn, clean, attempts }]
  })
}

export async function evidenceOf(
  { db, clock }: Services,
  actor: Me,
  finding: FindingRow,
  { certificate, issuedOn }: { readonly certificate: Certificate; readonly issuedOn: string }
): Promise<Evidence> {
  const counted = (await signedTrims(db, [finding.apprenticeId])).filter(
    ({ standardId, onDate, blind }) => blind && onDate <= issuedOn && certificate.standards.includes(standardId)
  )
  const today = await clock.today()
  const told = await tellable(db, actor, counted, today)
  const trimOf = await trimNames(db, told)
  const names = new Map((await allPeople(db)).map((person) => [person.id, fullName(person)]))
  return {
    asOf: today,
    rules: (finding.evidence ?? []).map(({ name, evidence, onDate }) => ({ name, evidence, onDate })),
    techniques: await techniquesOf(db, finding, today),
    trims: told.flatMap(({ onDate, assessorId, result, ...worn }) =>
      result.total
        ? [
            {
              ...{ trim: trimOf(worn), onDate, assessor: names.get(assessorId) ?? 'a former member of staff' },
              ...{ mark: result.total.value, low: result.total.interval[0], high: result.total.interval[1] }
            }
          ]
        : []
    )
  }
}
