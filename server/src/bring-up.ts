// A school as it was left, by whichever Peen, brought to what this one expects. At every start, in the proof of a backup, in tests of upgrades.
import { migrateUp, type Database } from './db'
import { beginSeals } from './features/audit'
import { deriveWhereOld } from './features/derived'
import { keepGradedWith } from './features/grading'
import { loadContent } from './features/school'

/** `fill`: what a school that is new gets after its shape, before anything is derived. `derive`: how it is derived where other code had done it. */
export async function bringUp(
  db: Database,
  now: Date,
  {
    fill = async () => undefined,
    derive = deriveWhereOld
  }: { readonly fill?: () => Promise<void>; readonly derive?: (db: Database) => Promise<void> } = {}
): Promise<void> {
  await migrateUp(db)
  await loadContent(db)
  await keepGradedWith(db, now)
  await fill()
  await derive(db)
  await beginSeals(db, now)
}
