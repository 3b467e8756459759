// What became of a signed mark, as its sheet shows it.
import type { AppealView, GradingView, Me, SetAsideView } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { fullName, personById } from '../people'
import { appealOf, secondMark, whyNotAppeal, type AppealRow } from './appeals'
import { whyNotDecide, type GradingRow } from './set-aside'

const nameOf = async (db: Reader, id: string) => fullName(await personById(db, id))

async function setAsideView(db: Reader, gradingId: string): Promise<SetAsideView | null> {
  const { setAsides: sa } = tables
  const [row] = await db.select().from(sa).where(eq(sa.gradingId, gradingId))
  return row ? { by: await nameOf(db, row.by), at: row.at.toISOString(), reason: row.reason } : null
}

async function appealView(db: Reader, grading: GradingRow, row: AppealRow): Promise<AppealView> {
  const [second] = row.secondId
    ? await db.select().from(tables.gradings).where(eq(tables.gradings.id, row.secondId))
    : [await secondMark(db, grading, row.at)]
  return {
    at: row.at.toISOString(),
    text: row.text,
    decided: row.decidedAt
      ? { counts: row.counts!, by: await nameOf(db, row.decidedBy!), at: row.decidedAt.toISOString(), reason: row.reason ?? '' }
      : null,
    second: second ? { gradingId: second.id, assessor: await nameOf(db, second.assessorId) } : null
  }
}

/** What a sheet adds about corrections: what was set aside and appealed, and what this reader may do. */
export async function correctionsOf(
  db: Reader,
  actor: Me,
  grading: GradingRow,
  today: string
): Promise<Pick<GradingView, 'setAside' | 'appeal' | 'may'>> {
  const row = await appealOf(db, grading.id)
  const appeal = row && (await appealView(db, grading, row))
  const isSigned = grading.status === 'signed'
  const decides = isSigned && actor.role === 'lead' && (await whyNotDecide(db, actor, grading)) === null
  const isOpen = appeal !== null && appeal.decided === null
  return {
    setAside: grading.status === 'setAside' ? await setAsideView(db, grading.id) : null,
    appeal,
    may: {
      setAside: decides && !isOpen,
      appeal: actor.role === 'apprentice' && (await whyNotAppeal(db, actor, grading, today)) === null,
      decide: decides && isOpen && appeal.second !== null
    }
  }
}
