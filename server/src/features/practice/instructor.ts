// What the instructor's own hands did to a trim, and what was never done to it: neither is the apprentice's to answer for.
import { techniqueById } from '@peen/content'
import { outsideAnswers, type Outside } from '@peen/core/grade'
import { undoneSteps, type Payloads, type VisitState } from '@peen/core/practice'
import type { PlanStep } from '@peen/core/standard'
import { and, eq } from 'drizzle-orm'
import { tables, type Transaction } from '../../db'
import { gradedBy } from '../derived'

/** What stands outside a grading that is opened now: finished by the instructor, or left when the dog could stand no longer. */
export function outsideOf(state: VisitState, steps: readonly PlanStep[]): Outside[] {
  const mine = state.byInstructor.map(({ regions, side }): Outside => ({ regions, side, answer: { kind: 'instructor' } }))
  if (state.ranOut === null) return mine
  const worked = new Set(state.attempts.filter((one) => one.ended && !one.cutShort).flatMap(({ regions }) => regions))
  const undone = undoneSteps(steps, state).flatMap(({ technique }) => techniqueById(technique)?.regions ?? [])
  const regions = [...new Set(undone)].filter((region) => !worked.has(region))
  return [...mine, { regions, side: 'both', answer: { kind: 'excused', reason: 'the dog had had enough' } }]
}

/** Marks what the instructor has just finished on every grading that is still written, where nobody has answered yet. */
export async function markInstructorsParts(
  tx: Transaction,
  visit: typeof tables.visits.$inferSelect,
  { regions, side }: Payloads['instructorFinished']
): Promise<void> {
  const { gradings: g } = tables
  const drafts = await tx
    .select()
    .from(g)
    .where(and(eq(g.visitId, visit.id), eq(g.status, 'draft')))
  for (const draft of drafts) {
    const { standard } = await gradedBy(tx, draft)
    const marked = outsideAnswers(standard, [{ regions, side, answer: { kind: 'instructor' } }])
    const answers = { ...draft.answers }
    for (const [id, sides] of Object.entries(marked)) answers[id] = { ...sides, ...answers[id] }
    await tx
      .update(g)
      .set({ answers, version: draft.version + 1 })
      .where(eq(g.id, draft.id))
  }
}
