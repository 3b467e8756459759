// The borders of a stripped coat with what is clipped: a strip is pulled along each before the blade comes.
import { HAIR, STRIPS, type CoatPlace } from '../coat'
import type { Plan } from '../standard'
import type { SessionBack } from './session'

/** Strips along a trim's borders, and what is clipped behind them; minutes are those of the trim's own steps, both sides. */
export type Borders = {
  readonly strips: readonly CoatPlace[]
  readonly stripMinutes: number
  readonly clipped: readonly CoatPlace[]
  readonly clipMinutes: number
}

/** Where a trim has no step for its strips, one takes so many minutes, both sides. Chosen. */
const STRIP_MINUTES = 3

/** The borders along which a trim clips beside what it strips; null where there is none. */
export function bordersOf({ work = [], steps }: Pick<Plan, 'work' | 'steps'>): Borders | null {
  const passes = work.flatMap(({ place, part, passes: own }) => own.map((pass) => ({ place: place as CoatPlace, part, pass })))
  const pulled = new Set(passes.filter(({ pass }) => pass.kind === 'pull' && pass.share !== 'strip').map(({ place }) => place))
  const clips = passes.filter(({ pass }) => pass.kind === 'clip')
  const found = STRIPS.filter(({ clipped, beside }) => pulled.has(beside) && clips.some(({ place }) => place === clipped))
  if (found.length === 0) return null
  const minutesOf = (techniques: ReadonlySet<string>) =>
    steps.reduce((sum, { technique, minutes }) => (techniques.has(technique) ? sum + minutes : sum), 0)
  const stripped = new Set(passes.flatMap(({ pass }) => (pass.share === 'strip' ? [pass.technique] : [])))
  const along = new Set(clips.flatMap(({ place, pass }) => (found.some(({ clipped }) => clipped === place) ? [pass.technique] : [])))
  return {
    strips: found.map(({ id }) => id),
    stripMinutes: minutesOf(stripped) || STRIP_MINUTES * found.length,
    // an edge of a thigh or a tail is no clipped thigh
    clipped: [...new Set(clips.flatMap(({ place, part, pass }) => (along.has(pass.technique) && !part ? [place] : [])))],
    clipMinutes: minutesOf(along)
  }
}

export type BorderDays = {
  readonly sessions: readonly SessionBack[]
  /** strips that find no open day before the date */
  readonly noDay: readonly CoatPlace[]
}

type Around = {
  readonly today: number
  readonly aimDay: number
  readonly canStandMin: number
  /** sessions that are planned anyhow: a strip is pulled in one of them where it can be */
  readonly sessions: readonly SessionBack[]
  readonly isOpen: (day: number) => boolean
}

/**
 * The blade comes on the last open day before the date; the strips as long before it as they still count as fresh, so that new hard coat
 * shows along the border, in a session that is planned anyhow where the dog can stand it. Where only one day is left, strips first.
 */
export function borderDays({ strips, stripMinutes, clipped, clipMinutes }: Borders, around: Around): BorderDays {
  const { today, aimDay, canStandMin, sessions, isOpen } = around
  let clipOn = aimDay - 1
  while (clipOn >= today && !isOpen(clipOn)) clipOn--
  if (clipOn < today) return { sessions: [], noDay: strips }
  const first = Math.max(today, clipOn - HAIR.stripFreshDays)
  const days = Array.from({ length: clipOn - first + 1 }, (_, i) => first + i).filter(isOpen)
  const minutesOn = (day: number) =>
    sessions.reduce((sum, one) => (one.day === day ? sum + one.minutes : sum), day === clipOn ? clipMinutes : 0)
  const fits = (day: number) => minutesOn(day) + stripMinutes <= canStandMin
  const planned = days.filter((day) => sessions.some((one) => one.day === day))
  const stripOn = planned.find(fits) ?? days.find(fits) ?? days[0]!
  return {
    sessions: [
      { day: stripOn, how: 'strip', places: strips, minutes: Math.round(stripMinutes) },
      { day: clipOn, how: 'clip', places: clipped, minutes: Math.round(clipMinutes) }
    ],
    noDay: []
  }
}
