import { STATES, type State } from '../competency'

/** What the school may set about rounds. Every number is our own choice; only what they put before what matters. */
export type RoundsRules = {
  /** minutes from one look to the next, with the walk */
  readonly lookMin: number
  /** no table is left longer than this, min */
  readonly capMin: number
  /** harm that no plan foresees, for each minute that nobody looks */
  readonly unforeseenPerMin: number
  /** how long a look helps: a step that begins later is begun unseen, min */
  readonly freshMin: number
  /** how uncertain the start of a step is: standard deviation of its logarithm */
  readonly spread: number
  /** chance of a mishap in a risky step, 0..1, by where the apprentice stands in it */
  readonly mishap: Readonly<Record<State, number>>
  /** what each flag of the dog (limited, found at check-in, nervous) multiplies that chance by */
  readonly perFlag: number
  /** harm of a mishap where an instructor should stand, and of one that only has a caution; 0..1 */
  readonly holdHarm: number
  readonly cautionHarm: number
}

export const ROUNDS_DEFAULTS: RoundsRules = Object.freeze({
  lookMin: 2,
  capMin: 25,
  unforeseenPerMin: 0.005,
  freshMin: 8,
  spread: 0.35,
  mishap: Object.freeze({ new: 0.15, held: 0.15, lapsed: 0.1, slipping: 0.08, practising: 0.06, ready: 0.02, competent: 0.01 }),
  perFlag: 1.4,
  holdHarm: 1,
  cautionHarm: 0.3
})

/** One number of the rounds as a school reads and sets it. */
export type RoundsField = {
  /** where it stands in `RoundsRules` */
  readonly path: string
  readonly label: string
  readonly unit: string
  readonly low: number
  readonly high: number
  readonly read: (rules: RoundsRules) => number
  readonly write: (rules: RoundsRules, value: number) => RoundsRules
}

type Plain = Exclude<keyof RoundsRules, 'mishap'>
const plain = (path: Plain, label: string, unit: string, low: number, high: number): RoundsField => ({
  ...{ path, label, unit, low, high },
  read: (rules) => rules[path],
  write: (rules, value) => ({ ...rules, [path]: value })
})
const mishap = (state: State): RoundsField => ({
  path: `mishap.${state}`,
  label: state,
  unit: 'of 1',
  low: 0,
  high: 1,
  read: (rules) => rules.mishap[state],
  write: (rules, value) => ({ ...rules, mishap: { ...rules.mishap, [state]: value } })
})

/** Everything that may be set, with what is allowed. */
export const ROUNDS_FIELDS: readonly RoundsField[] = [
  plain('lookMin', 'Time between looks', 'min', 1, 15),
  plain('capMin', 'No table waits longer than', 'min', 5, 90),
  plain('freshMin', 'A look helps for', 'min', 1, 30),
  plain('holdHarm', 'How bad a mishap is at a hold point', 'of 1', 0, 1),
  plain('cautionHarm', 'How bad where there is a caution', 'of 1', 0, 1),
  plain('unforeseenPerMin', 'Unplanned trouble, for each minute unseen', 'of 1', 0, 0.1),
  plain('perFlag', 'A dog that needs care multiplies by', 'times', 1, 5),
  plain('spread', 'How uncertain start times are', 'log', 0.05, 2),
  ...[...STATES].reverse().map(mishap)
]
