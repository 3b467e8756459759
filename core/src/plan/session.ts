// A session of a plan that works back from a day.
import type { CoatPlace, CoatSession } from '../coat'

/** `strip`: 25 mm along the border with what is clipped. `clip`: the blade behind it. The others pull. */
export type SessionBack = {
  readonly day: number
  readonly how: 'all' | 'half' | 'lightRoll' | 'strip' | 'clip'
  readonly places: readonly CoatPlace[]
  readonly minutes: number
}

/** What of a plan's sessions is pulled, as a coat takes it; what is clipped is drawn as the trim has it. */
export const pulledIn = (sessions: readonly SessionBack[]): readonly CoatSession[] =>
  sessions.flatMap(({ day, how, places }): CoatSession[] =>
    how === 'clip' ? [] : [{ day, how: how === 'strip' ? 'all' : how, side: 'both', places }]
  )
