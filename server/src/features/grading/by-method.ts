// Signed marks that the method in use today would draw otherwise: told to a lead, changed for nobody.
import type { Me, MethodDifference } from '@peen/contract'
import { GRADE_METHOD } from '@peen/core/grade'
import { desc, eq } from 'drizzle-orm'
import { tables } from '../../db'
import type { Services } from '../../http'
import { computeResult } from '../derived'
import { fullName } from '../people'
import { gradeRulesOf } from '../school'
import { visitsBeingMarked } from '../standings'
import { unreadOf } from './blindness'

/** Marks that differ by less say the same, of 100. Chosen: a reader sees whole marks. */
const SAME_MARKS = 0.5

/** Every grading that was signed by an older method and would have another verdict, or another whole mark, by the newest; none by which this reader would no longer be blind. */
export async function differByMethod({ db, clock }: Services, actor: Me): Promise<MethodDifference[]> {
  const { gradings: g, gradingResults: r, visits: s, people: p, dogs: d } = tables
  const rows = await db
    .select({ grading: g, result: r.body, onDate: s.onDate, person: p, dog: d.name })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .innerJoin(s, eq(s.id, g.visitId))
    .innerJoin(p, eq(p.id, s.apprenticeId))
    .innerJoin(d, eq(d.id, s.dogId))
    .where(eq(g.status, 'signed'))
    .orderBy(desc(s.onDate))
  const rules = await gradeRulesOf(db)
  const open = await visitsBeingMarked(db)
  const marked = rows.map(({ grading, onDate }) => ({ gradingId: grading.id, assessorId: grading.assessorId, onDate }))
  const unread = await unreadOf(db, actor, marked, await clock.today())
  const found: MethodDifference[] = []
  for (const { grading, result, onDate, person, dog } of rows) {
    if (open.has(grading.visitId) || unread.has(grading.id)) continue
    const by = grading.gradedWith!
    if (by.method === GRADE_METHOD) continue
    const now = await computeResult(db, grading, { ...by, method: GRADE_METHOD, rules })
    const apart = Math.abs((now.total?.value ?? 0) - (result.total?.value ?? 0))
    if (now.outcome === result.outcome && apart < SAME_MARKS) continue
    found.push({
      ...{ gradingId: grading.id, onDate, apprentice: fullName(person), dog },
      signed: { method: by.method, mark: result.total?.value ?? null, outcome: result.outcome },
      now: { method: GRADE_METHOD, mark: now.total?.value ?? null, outcome: now.outcome, because: now.because }
    })
  }
  return found
}
