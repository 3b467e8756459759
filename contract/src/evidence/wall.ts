// A cohort at a glance: apprentices by techniques, small enough for two hundred by sixty.
import type { ChartRow, StandingRules } from '@peen/core/competency'
import type { Family } from '@peen/core/technique'

/** What one apprentice has done of one technique; what is not here is new. `passedTrimOn` and `liftedOn` make the state with it. */
export type WallCell = ChartRow & { readonly t: number; readonly passedTrimOn: string | null; readonly liftedOn: string | null }
export type WallRow = {
  readonly id: string
  readonly name: string
  readonly cohort: string
  readonly cells: readonly WallCell[]
}
export type WallView = {
  readonly today: string
  readonly rules: StandingRules
  readonly techniques: readonly { readonly id: string; readonly name: string; readonly family: Family }[]
  readonly rows: readonly WallRow[]
}
