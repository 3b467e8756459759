// Tablets that people share: which are enrolled, at which table, and what they show while they are locked.
import type { Enrol, Me, TabletDoor, TabletPerson, TabletRow, TabletsView } from '@peen/contract'
import { and, asc, eq, isNotNull, isNull } from 'drizzle-orm'
import { inTransaction, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { fullName, personName } from '../people'

const { tablets: t, roomTables: r, people: p, signIns: s, visits: v } = tables

/** The enrolment of a tablet by the name that the server knows it under; null where there is none, or not any more. */
export async function enrolledTablet(db: Reader, deviceId: string | null) {
  if (deviceId === null) return null
  const rows = await db
    .select({ tablet: t, number: r.number })
    .from(t)
    .leftJoin(r, and(eq(r.id, t.tableId), isNull(r.removedOn)))
    .where(and(eq(t.id, deviceId), isNull(t.revokedAt)))
  return rows[0] ?? null
}

/** Whose PIN opens this tablet; those who are expected at it today first. Nothing is told to a tablet that is not enrolled. */
export async function tabletDoor({ db, clock }: Services, deviceId: string | null): Promise<TabletDoor> {
  const found = await enrolledTablet(db, deviceId)
  if (!found) return { tablet: null, people: [] }
  const { tablet, number } = found
  const rows = await db
    .select()
    .from(p)
    .where(and(eq(p.active, true), isNotNull(p.pinHash)))
    .orderBy(asc(p.givenName), asc(p.familyName))
  const today = await db
    .select({ apprenticeId: v.apprenticeId, tableId: v.tableId })
    .from(v)
    .where(eq(v.onDate, await clock.today()))
  const here = new Set(today.filter(({ tableId }) => tablet.tableId === null || tableId === tablet.tableId).map((one) => one.apprenticeId))
  const people: readonly TabletPerson[] = rows.map((row) => ({ ...personName(row), near: row.role !== 'apprentice' || here.has(row.id) }))
  return {
    tablet: {
      name: tablet.name,
      tableId: number === null ? null : tablet.tableId,
      tableNumber: number,
      locksAfterMin: tablet.locksAfterMin
    },
    // the apprentice at this table, then staff, then everyone else
    people: [...people].sort((a, b) => rank(a) - rank(b))
  }
}
const rank = ({ near, role }: TabletPerson) => (near && role === 'apprentice' ? 0 : near ? 1 : 2)

export async function tabletsView({ db }: Services, deviceId: string | null): Promise<TabletsView> {
  const rows = await db
    .select({ tablet: t, number: r.number, by: p })
    .from(t)
    .innerJoin(p, eq(p.id, t.enrolledBy))
    .leftJoin(r, and(eq(r.id, t.tableId), isNull(r.removedOn)))
    .where(isNull(t.revokedAt))
    .orderBy(asc(t.name))
  const tablets = rows.map(({ tablet, number, by }): TabletRow => ({
    id: tablet.id,
    name: tablet.name,
    tableNumber: number,
    locksAfterMin: tablet.locksAfterMin,
    enrolledBy: fullName(by),
    enrolledAt: tablet.enrolledAt.toISOString(),
    isThis: tablet.id === deviceId
  }))
  const room = await db.select({ id: r.id, number: r.number }).from(r).where(isNull(r.removedOn)).orderBy(asc(r.number))
  return { tablets, tables: room, thisOne: tablets.find(({ isThis }) => isThis) ?? null }
}

/** Enrols the tablet that asks; one that is enrolled already gets its new name, table and time. */
export async function enrolTablet(services: Services, actor: Me, deviceId: string, body: Enrol): Promise<TabletsView> {
  const { db, clock } = services
  const at = clock.real()
  await inTransaction(db, async (tx) => {
    if (body.tableId !== null) {
      const [table] = await tx
        .select({ id: r.id })
        .from(r)
        .where(and(eq(r.id, body.tableId), isNull(r.removedOn)))
      if (!table) throw refuse.invalid([{ path: 'tableId', detail: 'This table is not in the room. Choose another, or the whole room.' }])
    }
    const set = { ...body, enrolledBy: actor.id, enrolledAt: at, revokedAt: null, revokedBy: null }
    await tx
      .insert(t)
      .values({ id: deviceId, ...set })
      .onDuplicateKeyUpdate({ set })
    await appendAudit(tx, { kind: 'tablet.enrolled', at: at.toISOString(), by: actor.id, ids: { tablet: deviceId } })
  })
  return tabletsView(services, deviceId)
}

/** Ends an enrolment: no PIN opens the tablet any more, and who is in by PIN is out. */
export async function revokeTablet(services: Services, actor: Me, tabletId: string, deviceId: string | null): Promise<TabletsView> {
  const { db, clock } = services
  const at = clock.real()
  await inTransaction(db, async (tx) => {
    const [found] = await tx
      .select({ id: t.id })
      .from(t)
      .where(and(eq(t.id, tabletId), isNull(t.revokedAt)))
      .for('update')
    if (!found) throw refuse.notFound('This tablet')
    await tx.update(t).set({ revokedAt: at, revokedBy: actor.id }).where(eq(t.id, tabletId))
    await tx.delete(s).where(eq(s.pinTablet, tabletId))
    await appendAudit(tx, { kind: 'tablet.revoked', at: at.toISOString(), by: actor.id, ids: { tablet: tabletId } })
  })
  return tabletsView(services, deviceId)
}
