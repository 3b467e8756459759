// What is known of the school, and how a person and a trim are named.
import type { Standard, Variant } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import type { TechniqueVersion } from '../library/techniques'
import type { Role } from './auth'

export type SchoolView = {
  readonly name: string
  readonly room: string
  readonly timeZone: string
  /** the server's one clock, UTC */
  readonly now: string
  /** false where that clock stands */
  readonly clockRuns: boolean
  readonly isDemo: boolean
  /** the backup that the school was last brought back from, and when that was made; null: never */
  readonly restored: { readonly id: string; readonly madeAt: string } | null
  readonly tools: readonly Tool[]
  /** every version, without its criteria */
  readonly standards: readonly StandardHead[]
  /** the school's own version of each technique, else what Peen ships */
  readonly techniques: readonly TechniqueVersion[]
  readonly houseRules: Readonly<Record<string, number>>
}

/** What a screen needs to name a trim, plan it and draw it. */
export type StandardHead = Pick<Standard, 'id' | 'version' | 'name' | 'bodyType' | 'standardMin' | 'plan'> & {
  readonly retired: boolean
  readonly variants: readonly Pick<Variant, 'rule' | 'side' | 'says'>[]
}

export type PersonName = { readonly id: string; readonly givenName: string; readonly familyName: string; readonly role: Role }
