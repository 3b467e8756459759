// Techniques as the school has them: what Peen ships, and versions of its own.
import { retiredTechniques, techniques } from '@peen/content'
import type { Me, NewTechnique, TechniquePage } from '@peen/contract'
import { catalogueIssues, versionIssues } from '@peen/core/technique'
import { desc, eq } from 'drizzle-orm'
import { inTransaction, orTaken, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { fullName } from '../people'
import { rackOf, techniquesOf } from '../school'

export async function techniquePage({ db }: Services, id: string): Promise<TechniquePage> {
  const shipped = techniques.find((technique) => technique.id === id)
  if (!shipped) throw refuse.notFound(`The technique ${id.slice(0, 60)}`)
  const { schoolTechniques: t } = tables
  const own = await db.select().from(t).where(eq(t.id, id)).orderBy(desc(t.version))
  const names = new Map((await db.select().from(tables.people)).map((person) => [person.id, fullName(person)]))
  return {
    technique: (await techniquesOf(db)).find((technique) => technique.id === id)!,
    versions: [
      ...own.map(({ version, by, at, body }) => ({ version, by: names.get(by) ?? null, at: at.toISOString(), body })),
      { version: 1, by: null, at: null, body: shipped }
    ]
  }
}

/** Keeps the school's next version. Refuses one that loses a fault, a caution or a hold point, or that somebody overtook. */
export async function keepTechnique(services: Services, actor: Me, id: string, { version, body }: NewTechnique): Promise<TechniquePage> {
  const { db, clock } = services
  const at = await clock.now()
  await inTransaction(db, async (tx) => {
    const all = await techniquesOf(tx)
    const before = all.find((technique) => technique.id === id)
    if (!before) throw refuse.notFound(`The technique ${id.slice(0, 60)}`)
    if (before.version !== version)
      throw refuse.conflict('overtaken', `Version ${before.version} has been saved since. Read it, then make your changes again.`)
    const tools = new Set([...(await rackOf(tx)).map((tool) => tool.id), ...before.tools])
    const others = all.filter((technique) => technique.id !== id)
    const circle = catalogueIssues([...others, body], new Set([...tools, ...others.flatMap((one) => one.tools)]))
    const issues = [
      ...versionIssues(before, body),
      ...circle.filter(({ path }) => path.startsWith(`techniques.${id}.`) && /\.(tools|after)$/.test(path))
    ]
    if (issues.length > 0)
      throw refuse.invalid(issues.map(({ path, got, limit }) => ({ path, detail: `${path} is ${String(got)}; it must be ${limit}.` })))
    const row = tx.insert(tables.schoolTechniques).values({ id, version: version + 1, body, by: actor.id, at })
    await orTaken(row, refuse.conflict('overtaken', 'Another device has saved a version since. Nothing was changed.'))
  })
  return techniquePage(services, id)
}

/** The faults that are major in the school's version, and every one that ever was. */
export async function majorFaults(db: Reader): Promise<ReadonlySet<string>> {
  return new Set(
    [...(await techniquesOf(db)), ...retiredTechniques].flatMap(({ faults }) => faults.filter(({ major }) => major).map(({ id }) => id))
  )
}
