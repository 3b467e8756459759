// A backup is proven by restoring it: into a database of its own, brought to the present shape, its trail walked, everything derived again.
import { join } from 'node:path'
import { bringUp } from '../bring-up'
import { connect, tables, type Database, type DatabaseSettings } from '../db'
import { checkAudit } from '../features/audit'
import { derivedAgain } from '../features/derived'
import { inThrowAway, pourFrom } from './database'
import { readManifest } from './manifest'
import { unpack, type Opener } from './pack'

/** What restoring came to. `trail`: entries of the trail, and whether all fit. `derived`: same as stored; null where older code had derived it. */
export type Proof = {
  readonly provenAt: string
  readonly rows: {
    readonly people: number
    readonly visits: number
    readonly events: number
    readonly gradings: number
    readonly pictures: number
  }
  readonly trail: { readonly entries: number; readonly whole: boolean }
  readonly derived: 'same' | 'other' | 'older'
}

export const isProven = ({ trail, derived }: Proof): boolean => trail.whole && derived !== 'other'

/** `settings.database`: the throw-away that is made and dropped. `work`: an empty folder. */
export async function prove(
  file: string,
  {
    opener,
    settings,
    work,
    say,
    now
  }: {
    readonly opener: Opener
    readonly settings: DatabaseSettings
    readonly work: string
    readonly say: (line: string) => void
    readonly now: () => Date
  }
): Promise<Proof> {
  say('Proof: opening the backup.')
  await unpack(file, work, opener)
  await readManifest(join(work, 'school'))
  return inThrowAway(settings, async (own) => {
    say('Proof: restoring it into a separate database.')
    await pourFrom(join(work, 'school', 'database.sql'), own)
    return proofOf(own, say, now)
  })
}

/** Looks at a database that was restored: migrates it, walks its trail, derives everything again and compares. */
export async function proofOf(own: DatabaseSettings, say: (line: string) => void, now: () => Date): Promise<Proof> {
  const { db, close } = connect(own)
  try {
    let derived: Proof['derived'] = 'same'
    await bringUp(db, now(), {
      derive: async () => {
        say('Proof: recalculating everything from the records.')
        derived = await derivedAgain(db)
      }
    })
    say('Proof: checking the audit trail.')
    const { entries, whole } = await checkAudit(db)
    return { provenAt: now().toISOString(), rows: await rowsOf(db), trail: { entries, whole }, derived }
  } finally {
    await close()
  }
}

async function rowsOf(db: Database): Promise<Proof['rows']> {
  const count = async (table: Parameters<Database['$count']>[0]) => db.$count(table)
  const { people, visits, events, gradings, pictures } = tables
  return {
    people: await count(people),
    visits: await count(visits),
    events: await count(events),
    gradings: await count(gradings),
    pictures: await count(pictures)
  }
}
