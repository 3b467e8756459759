// Standards, dogs and the rack, read once while many visits are derived.
import type { CoatType } from '@peen/core/advice'
import type { Standard } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import { eq } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { dogView } from '../people'
import { rackOf, standardOf } from '../school'

export type Known = {
  readonly standard: (id: string, version: number) => Promise<Standard>
  readonly rack: () => Promise<readonly Tool[]>
  readonly coat: (dogId: string) => Promise<CoatType>
}

export function knownOf(db: Reader): Known {
  const standards = new Map<string, Promise<Standard>>()
  const coats = new Map<string, Promise<CoatType>>()
  let rack: Promise<readonly Tool[]> | null = null
  return {
    standard: (id, version) => {
      const key = `${id} ${version}`
      if (!standards.has(key)) standards.set(key, standardOf(db, id, version))
      return standards.get(key)!
    },
    coat: (dogId) => {
      if (!coats.has(dogId)) coats.set(dogId, coatOf(db, dogId))
      return coats.get(dogId)!
    },
    rack: () => (rack ??= rackOf(db))
  }
}

async function coatOf(db: Reader, dogId: string): Promise<CoatType> {
  const [dog] = await db.select().from(tables.dogs).where(eq(tables.dogs.id, dogId))
  return dogView(dog).coatType
}
