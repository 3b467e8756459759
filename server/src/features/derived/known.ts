// Standards and the rack, read once while many sessions are derived.
import type { Standard } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import type { Reader } from '../../db'
import { rackOf, standardOf } from '../school'

export type Known = { readonly standard: (id: string, version: number) => Promise<Standard>; readonly rack: () => Promise<readonly Tool[]> }

export function knownOf(db: Reader): Known {
  const standards = new Map<string, Promise<Standard>>()
  let rack: Promise<readonly Tool[]> | null = null
  return {
    standard: (id, version) => {
      const key = `${id} ${version}`
      if (!standards.has(key)) standards.set(key, standardOf(db, id, version))
      return standards.get(key)!
    },
    rack: () => (rack ??= rackOf(db))
  }
}
