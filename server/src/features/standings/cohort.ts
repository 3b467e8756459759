// Where many apprentices stand, from the charts that are kept: no attempt is read.
import { techniqueToday } from '@peen/bundle'
import { designLearningChart, stateOf, type Around, type ChartRow, type StandingRules, type State } from '@peen/core/competency'
import type { TechniqueVersion } from '@peen/contract'
import { group } from 'd3-array'
import { asc, inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { standingRules } from '../derived'
import { techniquesOf } from '../school'
import { passedTrims } from './trims'

export type ChartState = ChartRow &
  Omit<Around, 'today'> & { readonly apprenticeId: string; readonly techniqueId: string; readonly state: State; readonly because: string }

/** The chart of every technique that somebody has tried, with its state today; of some apprentices or of all (null). */
export async function cohortStates(
  db: Reader,
  apprenticeIds: readonly string[] | null,
  today: string,
  known: StandingRules | null = null
): Promise<ChartState[]> {
  if (apprenticeIds?.length === 0) return []
  const { charts: c, holdLifts: h } = tables
  const ids = apprenticeIds === null ? null : [...apprenticeIds]
  const rows = await db
    .select()
    .from(c)
    .where(ids === null ? undefined : inArray(c.apprenticeId, ids))
  const passed = await passedOn(db, ids)
  const lifts = await db
    .select({ apprenticeId: h.apprenticeId, techniqueId: h.techniqueId, onDate: h.onDate })
    .from(h)
    .where(ids === null ? undefined : inArray(h.apprenticeId, ids))
    .orderBy(asc(h.onDate))
  const lifted = new Map(lifts.map((lift) => [`${lift.apprenticeId}|${techniqueToday(lift.techniqueId)}`, lift.onDate]))
  const rules = known ?? (await standingRules(db))
  return rows.map((row) => {
    const key = `${row.apprenticeId}|${row.techniqueId}`
    const around = { passedTrimOn: passed.get(key) ?? null, liftedOn: lifted.get(key) ?? null }
    return { ...row, ...around, ...stateOf(row, { ...around, today }, rules) }
  })
}

/** Where an apprentice stands at a technique today, without the attempts that led there. */
export type TechniqueNow = {
  readonly technique: TechniqueVersion
  readonly state: State
  readonly attempts: number
  readonly prompts: number
  readonly lastOn: string | null
  readonly score: number
  /** clean attempts in a row to the signal */
  readonly toGo: number
}

/** Every technique of the school for some apprentices, from the charts that are kept; one that was never tried is new. */
export async function techniquesNow(
  db: Reader,
  apprenticeIds: readonly string[],
  today: string
): Promise<ReadonlyMap<string, ReadonlyMap<string, TechniqueNow>>> {
  const ids = [...new Set(apprenticeIds)]
  const techniques = await techniquesOf(db)
  const rules = await standingRules(db)
  const { limit } = designLearningChart(rules)
  const states = group(await cohortStates(db, ids, today, rules), ({ apprenticeId }) => apprenticeId)
  return new Map(
    ids.map((id) => {
      const known = new Map((states.get(id) ?? []).map((one) => [one.techniqueId, one]))
      const now = (technique: TechniqueVersion): TechniqueNow => {
        const { state = 'new' as const, attempts = 0, prompts = 0, lastOn = null, score = 0 } = known.get(technique.id) ?? {}
        return { technique, state, attempts, prompts, lastOn, score, toGo: limit - score }
      }
      return [id, new Map(techniques.map((technique) => [technique.id, now(technique)]))]
    })
  )
}

/** The first passed trim that shows a technique, by apprentice and technique. */
async function passedOn(db: Reader, ids: readonly string[] | null): Promise<ReadonlyMap<string, string>> {
  const { attempts: a } = tables
  const trims = await passedTrims(db, ids)
  if (trims.length === 0) return new Map()
  const shown = await db
    .select({ apprenticeId: a.apprenticeId, techniqueId: a.techniqueId, visitId: a.visitId })
    .from(a)
    .where(
      inArray(
        a.visitId,
        trims.map(({ visitId }) => visitId)
      )
    )
  const days = new Map(trims.map(({ visitId, onDate }) => [visitId, onDate]))
  const found = new Map<string, string>()
  for (const { apprenticeId, techniqueId, visitId } of shown) {
    const key = `${apprenticeId}|${techniqueId}`
    const [day, known] = [days.get(visitId)!, found.get(key)]
    if (known === undefined || day < known) found.set(key, day)
  }
  return found
}
