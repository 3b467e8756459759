import { techniqueToday } from '@peen/bundle'
import type { TechniqueVersion } from '@peen/contract'
import { standingOf, type AttemptRecord, type Standing } from '@peen/core/competency'
import { group } from 'd3-array'
import { inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { attemptRows, recordFrom, standingRules } from '../derived'
import { techniquesOf } from '../school'
import { passedTrims } from './trims'

export type TechniqueRecord = {
  readonly technique: TechniqueVersion
  readonly standing: Standing
  readonly attempts: readonly AttemptRecord[]
}

/** Where an apprentice stands in every technique, computed from the derived attempts, graded trims and lifted holds. */
export async function standingsOf(db: Reader, apprenticeId: string, today: string): Promise<Map<string, TechniqueRecord>> {
  return (await standingsOfAll(db, [apprenticeId], today)).get(apprenticeId)!
}

/** The same for several apprentices at once, in as many questions to the database as for one. */
export async function standingsOfAll(
  db: Reader,
  apprenticeIds: readonly string[],
  today: string
): Promise<Map<string, Map<string, TechniqueRecord>>> {
  const ids = [...new Set(apprenticeIds)]
  if (ids.length === 0) return new Map()
  const { holdLifts: h } = tables
  const rows = (await attemptRows(db, ids)).filter(({ row }) => row.onDate <= today)
  const rules = await standingRules(db)
  const [trims, techniques] = [await passedTrims(db, ids), await techniquesOf(db)]
  const lifts = await db.select().from(h).where(inArray(h.apprenticeId, ids))
  const attemptsOf = group(rows, ({ row }) => `${row.apprenticeId}|${row.techniqueId}`)
  const recordOf = (apprenticeId: string, technique: TechniqueVersion): TechniqueRecord => {
    const attempts = (attemptsOf.get(`${apprenticeId}|${technique.id}`) ?? []).map(recordFrom)
    const liftedOn =
      lifts
        .filter((lift) => lift.apprenticeId === apprenticeId && techniqueToday(lift.techniqueId) === technique.id)
        .map((lift) => lift.onDate)
        .sort()
        .at(-1) ?? null
    const shown = new Set(attempts.map((attempt) => attempt.visitId))
    const passedTrimOn = trims.find((trim) => shown.has(trim.visitId))?.onDate ?? null
    return { technique, standing: standingOf({ techniqueName: technique.name, attempts, passedTrimOn, liftedOn, today }, rules), attempts }
  }
  return new Map(ids.map((id) => [id, new Map(techniques.map((technique) => [technique.id, recordOf(id, technique)]))]))
}
