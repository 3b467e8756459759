// What the school's calendar holds: visits, sessions of coats, days that count, certificates that run out.
import type { CalendarItem, Me } from '@peen/contract'
import { dateOf } from '@peen/core/coat'
import { shiftDay } from '@peen/core/day'
import { and, asc, eq, gte, isNotNull, lte } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { certificatesOf } from '../certificates'
import { fullName } from '../people'
import { newestStandards } from '../school'

const { visits: v, people: p, dogs: d, roomTables: rt, coatPlans: cp, coatAims: ca, assessmentDays: ad, findings: f } = tables

/** Whose entry it is, for what an apprentice may read; null for what is the staff's, `all` for what is everybody's. */
export type Held = { readonly item: CalendarItem; readonly whose: string | null | 'all' }
type Span = { readonly from: string; readonly to: string }

/** Everything in a stretch of days, by day. */
export async function itemsIn(db: Reader, span: Span): Promise<readonly Held[]> {
  const items = [...(await visitsIn(db, span)), ...(await coatsIn(db, span)), ...(await daysIn(db, span)), ...(await endsIn(db, span))]
  return items.sort((a, b) => orderOf(a.item).localeCompare(orderOf(b.item)))
}
const orderOf = (item: CalendarItem) => `${item.onDate} ${item.kind === 'visit' ? (item.comesAt ?? '24') : '25'} ${item.id}`

/** What this person may read: staff everything, an apprentice their own and what is for all. */
export const readableBy = ({ id, role }: Pick<Me, 'id' | 'role'>, held: readonly Held[]): readonly CalendarItem[] =>
  held.filter(({ whose }) => role !== 'apprentice' || whose === 'all' || whose === id).map(({ item }) => item)

async function visitsIn(db: Reader, { from, to }: Span): Promise<Held[]> {
  const trims = new Map((await newestStandards(db, true)).map(({ id, body }) => [id, body]))
  const rows = await db
    .select({ visit: v, person: p, dog: d, table: rt })
    .from(v)
    .innerJoin(p, eq(p.id, v.apprenticeId))
    .innerJoin(d, eq(d.id, v.dogId))
    .innerJoin(rt, eq(rt.id, v.tableId))
    .where(and(gte(v.onDate, from), lte(v.onDate, to)))
    .orderBy(asc(v.onDate))
  return rows.map(({ visit, person, dog, table }) => {
    const trim = trims.get(visit.standardId)
    const item: CalendarItem = {
      ...{ kind: 'visit', id: visit.id, onDate: visit.onDate, comesAt: visit.comesAt, minutes: trim?.standardMin ?? 0 },
      ...{ dogId: dog.id, dog: dog.name, apprentice: fullName(person), table: table.number, trim: trim?.name ?? visit.standardId }
    }
    return { item, whose: person.id }
  })
}

async function coatsIn(db: Reader, { from, to }: Span): Promise<Held[]> {
  const dogs = new Map((await db.select({ id: d.id, name: d.name }).from(d)).map(({ id, name }) => [id, name]))
  const aims = await db.select().from(ca)
  const aimOf = new Map(aims.map((one) => [one.dogId, one]))
  const held: CalendarItem[] = []
  for (const { dogId, sessions } of await db.select().from(cp).where(gte(cp.aimOn, from))) {
    const count = new Map<string, number>()
    for (const { day, ...session } of sessions) {
      // the first of its kind stays the first when its day moves: another calendar knows it by that
      const nth = count.get(session.how) ?? 0
      count.set(session.how, nth + 1)
      const onDate = dateOf(day)
      if (onDate < from || onDate > to) continue
      const own = { dogId, dog: dogs.get(dogId)!, aim: aimOf.get(dogId)?.aim ?? '' }
      held.push({ kind: 'session', id: `${dogId}-${session.how}-${nth}`, onDate, ...session, ...own })
    }
  }
  const booked = await bookedFrom(db, shiftDay(from, -SOONER_DAYS))
  for (const { dogId, aimOn, aim, nextOn } of aims) {
    const dog = dogs.get(dogId)!
    if (aimOn !== null && aimOn >= from && aimOn <= to) held.push({ kind: 'aim', id: dogId, onDate: aimOn, dogId, dog, aim })
    const comes = nextOn !== null && (booked.get(dogId) ?? []).some((on) => on >= shiftDay(nextOn, -SOONER_DAYS))
    if (nextOn !== null && nextOn >= from && nextOn <= to && !comes) held.push({ kind: 'due', id: dogId, onDate: nextOn, dogId, dog })
  }
  return held.map((item) => ({ item, whose: null }))
}

/** A dog that is booked in so many days sooner is not due any more. Chosen. */
const SOONER_DAYS = 7

/** Days on which each dog is booked in, from a day on. */
export async function bookedFrom(db: Reader, from: string): Promise<ReadonlyMap<string, readonly string[]>> {
  const booked = new Map<string, string[]>()
  const rows = await db.select({ dogId: v.dogId, onDate: v.onDate }).from(v).where(gte(v.onDate, from))
  for (const { dogId, onDate } of rows) booked.set(dogId, [...(booked.get(dogId) ?? []), onDate])
  return booked
}

async function daysIn(db: Reader, { from, to }: Span): Promise<Held[]> {
  const rows = await db
    .select()
    .from(ad)
    .where(and(gte(ad.onDate, from), lte(ad.onDate, to)))
  return rows.map(({ onDate }) => ({ item: { kind: 'assessmentDay', id: onDate, onDate }, whose: 'all' as const }))
}

async function endsIn(db: Reader, { from, to }: Span): Promise<Held[]> {
  const rows = await db
    .select({ finding: f, person: p })
    .from(f)
    .innerJoin(p, eq(p.id, f.apprenticeId))
    .where(and(eq(f.status, 'issued'), isNotNull(f.validUntil), gte(f.validUntil, from), lte(f.validUntil, to)))
  if (rows.length === 0) return []
  // what has been renewed runs out, and nothing is to be done about it
  const renewed = new Set((await db.select({ id: f.renews }).from(f).where(eq(f.status, 'issued'))).flatMap(({ id }) => id ?? []))
  const names = new Map((await certificatesOf(db, true)).map(({ id, name }) => [id, name]))
  return rows
    .filter(({ finding, person }) => !renewed.has(finding.id) && person.erasedOn === null)
    .map(({ finding, person }) => ({
      item: {
        ...{ kind: 'expires' as const, id: finding.id, onDate: finding.validUntil!, findingId: finding.id, apprentice: fullName(person) },
        certificate: names.get(finding.certificateId) ?? finding.certificateId
      },
      whose: person.id
    }))
}
