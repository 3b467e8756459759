import type { WallView } from '@peen/contract'
import { group } from 'd3-array'
import { and, asc, eq } from 'drizzle-orm'
import { tables } from '../../db'
import { type Services } from '../../http'
import { standingRules } from '../derived'
import { fullName } from '../people'
import { techniquesOf } from '../school'
import { cohortStates } from '../standings'

/** Every apprentice by every technique that anybody has tried, from the charts that are kept. */
export async function wallView({ db, clock }: Services): Promise<WallView> {
  const today = await clock.today()
  const { people: p } = tables
  const people = await db
    .select()
    .from(p)
    .where(and(eq(p.role, 'apprentice'), eq(p.active, true)))
    .orderBy(asc(p.cohort), asc(p.givenName))
  const states = await cohortStates(db, null, today)
  const tried = new Set(states.map(({ techniqueId }) => techniqueId))
  const techniques = (await techniquesOf(db)).filter(({ id }) => tried.has(id)).map(({ id, name, family }) => ({ id, name, family }))
  const place = new Map(techniques.map(({ id }, i) => [id, i]))
  const own = group(states, ({ apprenticeId }) => apprenticeId)
  return {
    today,
    rules: await standingRules(db),
    techniques,
    rows: people.map((person) => ({
      id: person.id,
      name: fullName(person),
      cohort: person.cohort,
      cells: (own.get(person.id) ?? []).flatMap(({ apprenticeId: _a, techniqueId, state: _s, because: _b, ...cell }) => {
        const t = place.get(techniqueId)
        // a chart of a technique that left the catalogue stays on file and off the wall
        return t === undefined ? [] : [{ t, ...cell }]
      })
    }))
  }
}
