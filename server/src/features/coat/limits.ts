// What the school has set for coats: its limits, and its side in how long pulled hair takes to show.
import { COAT_RULES, SPROUT_DAYS, type CoatRules } from '@peen/core/coat'
import type { Reader } from '../../db'
import { houseOf, schoolRow } from '../school'

export async function coatRulesOf(db: Reader): Promise<CoatRules> {
  return { ...COAT_RULES, ...(await schoolRow(db)).coat }
}

/** Days until pulled hair shows, by the school's side of the house rule. */
export async function sproutDaysOf(db: Reader): Promise<number> {
  return SPROUT_DAYS[(await houseOf(db))['sprout-weeks']] ?? SPROUT_DAYS[0]
}
