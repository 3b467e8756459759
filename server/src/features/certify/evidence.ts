import { findingOf, type Certificate, type Finding } from '@peen/core/certify'
import { group } from 'd3-array'
import { and, eq, inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { signedTrims, standingsOfAll } from '../standings'

type Asked = { readonly certificate: Certificate; readonly apprenticeId: string }

/** Gathers the facts for one certificate and one apprentice, then asks core to decide. */
export async function findingFor(db: Reader, certificate: Certificate, apprenticeId: string, today: string): Promise<Finding> {
  return (await findingsFor(db, [{ certificate, apprenticeId }], today))[0]
}

/** The same for many certificates and apprentices: what is known of an apprentice is read once. Answers stand as they were asked. */
export async function findingsFor(db: Reader, asked: readonly Asked[], today: string): Promise<Finding[]> {
  const ids = [...new Set(asked.map(({ apprenticeId }) => apprenticeId))]
  if (ids.length === 0) return []
  const standings = await standingsOfAll(db, ids, today)
  const { attempts: a, dogs: d } = tables
  const rows = await db
    .select({ row: a, dog: { id: d.id, name: d.name, coat: d.coat } })
    .from(a)
    .innerJoin(d, eq(d.id, a.dogId))
    .where(and(inArray(a.apprenticeId, ids), eq(a.setting, 'live')))
  const trims = group(await signedTrims(db, ids), (trim) => trim.apprenticeId)
  const live = group(rows, ({ row }) => row.apprenticeId)
  return asked.map(({ certificate, apprenticeId }) => {
    const own = live.get(apprenticeId) ?? []
    const counted = own.filter(({ row }) => row.body.counts)
    const wanted = new Set(certificate.rules.flatMap((rule) => (rule.kind === 'techniques' ? rule.techniques : [])))
    const dogs = new Map(counted.filter(({ row }) => wanted.has(row.techniqueId)).map(({ dog }) => [dog.id, dog]))
    const records = [...standings.get(apprenticeId)!]
    return findingOf(certificate, {
      today,
      standings: new Map(records.map(([id, record]) => [id, record.standing])),
      techniqueNames: new Map(records.map(([id, { technique }]) => [id, technique.name])),
      trims: (trims.get(apprenticeId) ?? []).filter((trim) => trim.standardId === certificate.standardId && trim.blind),
      dogs: [...dogs.values()].sort((x, y) => x.name.localeCompare(y.name)),
      lastSafetyOn: latest(own.filter(({ row }) => row.body.safetyEvents > 0).map(({ row }) => row.onDate)),
      lastWorkOn: latest(counted.map(({ row }) => row.onDate))
    })
  })
}

const latest = (dates: readonly string[]) => [...dates].sort().at(-1) ?? null
