import { findingOf, type Certificate, type Finding } from '@peen/core/certify'
import { and, eq } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { signedTrims, standingsOf } from '../standings'

/** Gathers the facts for one certificate and one apprentice, then asks core to decide. */
export async function findingFor(db: Reader, certificate: Certificate, apprenticeId: string, today: string): Promise<Finding> {
  const standings = await standingsOf(db, apprenticeId, today)
  const trims = await signedTrims(db, apprenticeId)
  const { attempts: a, dogs: d } = tables
  const rows = await db
    .select({ row: a, dog: { id: d.id, name: d.name, coat: d.coat } })
    .from(a)
    .innerJoin(d, eq(d.id, a.dogId))
    .where(and(eq(a.apprenticeId, apprenticeId), eq(a.setting, 'live')))
  const counted = rows.filter(({ row }) => row.body.counts)
  const wanted = new Set(certificate.rules.flatMap((rule) => (rule.kind === 'techniques' ? rule.techniques : [])))
  const dogs = new Map(counted.filter(({ row }) => wanted.has(row.techniqueId)).map(({ dog }) => [dog.id, dog]))
  const latest = (dates: readonly string[]) => [...dates].sort().at(-1) ?? null
  return findingOf(certificate, {
    today,
    standings: new Map([...standings].map(([id, record]) => [id, record.standing])),
    techniqueNames: new Map([...standings].map(([id, { technique }]) => [id, technique.name])),
    trims: trims.filter((trim) => trim.standardId === certificate.standardId && trim.blind),
    dogs: [...dogs.values()].sort((x, y) => x.name.localeCompare(y.name)),
    lastSafetyOn: latest(rows.filter(({ row }) => row.body.safetyEvents > 0).map(({ row }) => row.onDate)),
    lastWorkOn: latest(counted.map(({ row }) => row.onDate))
  })
}
