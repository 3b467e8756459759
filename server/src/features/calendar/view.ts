// The calendar as its screen shows it.
import { MOST_CALENDAR_DAYS, type CalendarView, type Me } from '@peen/contract'
import { daysBetween } from '@peen/core/competency'
import { asc, eq, isNotNull, lte, and } from 'drizzle-orm'
import { tables } from '../../db'
import { refuse, type Services } from '../../http'
import { keptPlan } from '../coat'
import { offFrom, openingOf } from '../opening'
import { fullName } from '../people'
import { bookedFrom, itemsIn, readableBy } from './items'

const { coatAims: ca, coatPlans: cp, dogs: d, people: p } = tables

export async function calendarView(services: Services, actor: Me, span: { from: string; to: string }): Promise<CalendarView> {
  const { db, clock } = services
  refuseSpan(span)
  const today = await clock.today()
  const isStaff = actor.role !== 'apprentice'
  const off = (await offFrom(db, actor, span.from)).filter(({ fromOn }) => fromOn <= span.to)
  return {
    ...span,
    today,
    opening: await openingOf(db),
    off,
    items: readableBy(actor, await itemsIn(db, span)),
    moved: isStaff ? await movedPlans(services, actor) : [],
    overdue: isStaff ? await overdueDogs(services, today) : [],
    people: isStaff
      ? (await db.select().from(p).where(eq(p.active, true)).orderBy(asc(p.givenName))).map((row) => ({ id: row.id, name: fullName(row) }))
      : [],
    dogs: isStaff ? await db.select({ id: d.id, name: d.name }).from(d).orderBy(asc(d.name)) : []
  }
}

function refuseSpan({ from, to }: { from: string; to: string }): void {
  const days = daysBetween(from, to)
  if (days < 0 || days > MOST_CALENDAR_DAYS)
    throw refuse.invalid([{ path: 'to', detail: `Last day is ${to}; it must be at most ${MOST_CALENDAR_DAYS} days after ${from}.` }])
}

async function movedPlans(services: Services, actor: Me): Promise<CalendarView['moved']> {
  const today = await services.clock.today()
  const rows = await services.db
    .select({ dogId: cp.dogId, dog: d.name })
    .from(cp)
    .innerJoin(d, eq(d.id, cp.dogId))
    .where(isNotNull(cp.aimOn))
    .orderBy(asc(cp.aimOn))
  const moved = []
  for (const row of rows) {
    const plan = await keptPlan(services, actor, row.dogId)
    const places = new Set(plan?.moved.map(({ place }) => place)).size
    if (plan && plan.aimOn >= today && places > 0) moved.push({ ...row, places })
  }
  return moved
}

/** Dogs whose next visit was to be by today, that have not come since and are not booked in. */
async function overdueDogs({ db }: Services, today: string): Promise<CalendarView['overdue']> {
  const rows = await db
    .select({ dogId: ca.dogId, dog: d.name, nextOn: ca.nextOn })
    .from(ca)
    .innerJoin(d, eq(d.id, ca.dogId))
    .where(and(isNotNull(ca.nextOn), lte(ca.nextOn, today)))
    .orderBy(asc(ca.nextOn), asc(d.name))
  if (rows.length === 0) return []
  const booked = await bookedFrom(db, rows[0].nextOn!)
  return rows
    .filter(({ dogId, nextOn }) => !(booked.get(dogId) ?? []).some((on) => on >= nextOn!))
    .map(({ dogId, dog, nextOn }) => ({ dogId, dog, dueOn: nextOn!, days: daysBetween(nextOn!, today) }))
}
