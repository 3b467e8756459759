// How many dogs of which coat apprentices still need before a day.
import type { Limit, NeedCause, Unmet } from '@peen/core/supply'

export type SupplyNeed = {
  readonly techniqueId: string
  readonly name: string
  /** tries until it is there, four times in five; null where it is not reached at this rate, or is on hold */
  readonly tries: number | null
  /** of them in visits that are planned until the day */
  readonly planned: number
  readonly because: NeedCause
  readonly isHeld: boolean
  readonly newDogs: number
  readonly newCoats: number
}

export type SupplyApprentice = {
  readonly id: string
  readonly name: string
  /** `held`: the certificate is held; `ready`: every rule is met */
  readonly status: 'held' | 'ready' | 'open'
  readonly needs: readonly SupplyNeed[]
  /** finished trims to be graded; null where not enough of them pass */
  readonly trims: number | null
  readonly newDogs: number
  readonly newCoats: number
  /** rules that no visit settles, by their names */
  readonly others: readonly string[]
  /** everything that visits can settle is settled by the day, by what is planned and what is asked for */
  readonly isThere: boolean
}

/** A visit to ask for. `serves`: needs of this apprentice that one such visit serves. */
export type SupplyVisit = {
  readonly apprenticeId: string
  readonly apprentice: string
  readonly dogId: string
  readonly dog: string
  readonly coat: string
  readonly trimId: string
  readonly trim: string
  readonly times: number
  readonly serves: number
  /** the techniques among them */
  readonly techniques: readonly string[]
}

export type SupplyUnmet = {
  readonly apprentice: string
  readonly what: Unmet['what']
  /** the technique, of tries */
  readonly name: string | null
  readonly count: number
  readonly binds: Limit
}

export type SupplyView = {
  readonly today: string
  readonly by: string
  readonly cohort: string
  readonly cohorts: readonly string[]
  readonly certificate: { readonly id: string; readonly name: string }
  readonly certificates: readonly { readonly id: string; readonly name: string }[]
  /** open days after today, until the day */
  readonly openDays: number
  readonly weeks: number
  readonly apprentices: readonly SupplyApprentice[]
  /** the one that serves most first */
  readonly asked: readonly SupplyVisit[]
  /** what is missing beyond what is planned, in all and a week */
  readonly byTechnique: readonly { readonly name: string; readonly tries: number; readonly perWeek: number }[]
  readonly byCoat: readonly { readonly coat: string; readonly visits: number; readonly perWeek: number }[]
  readonly unmet: readonly SupplyUnmet[]
  /** false where no fewer visits were proven to do: time ran out */
  readonly isProven: boolean
}
