import type { State } from '../competency'
import { normalCdf } from '../stats'
import { ROUNDS_DEFAULTS, type RoundsRules } from './rounds-rules'

/** A risky step that is coming at a table, in the order of the plan. */
export type ComingStep = {
  readonly hazard: string
  /** minutes until it is expected to start; 0 or less when it may start at any moment */
  readonly inMin: number
  readonly isHold: boolean
  readonly state: State
  readonly attempts: number
  readonly prompts: number
}

/** What the floor knows of one occupied table when it asks where the instructor should look next. */
export type TableFacts = {
  readonly tableNumber: number
  readonly visitId: string
  readonly apprentice: string
  readonly dog: string
  readonly dogFlags: number
  readonly workedMin: number
  readonly standardMin: number
  readonly canStandMin: number
  readonly leftMin: number
  /** minutes since an instructor stood there; null before work begins */
  readonly unseenMin: number | null
  /** minutes since help was asked for, or null */
  readonly askedMin: number | null
  readonly waitingAt: string | null
  readonly coming: readonly ComingStep[]
  readonly stopped: string | null
  /** the dog panics, and nobody has come since */
  readonly panics: boolean
}

export type RankedLook = {
  readonly tableNumber: number
  readonly visitId: string
  /** expected harm before one can be back: mishaps weighted by how bad they are */
  readonly harm: number
  readonly say: string
  readonly why: string
  readonly danger: boolean
}

/** Minutes a dog can still stand from which on it is urgent. Common practice, no published source. */
export const LOW_STAND_MIN = 6
const LOOKS = 3
/** Harm below this is no reason to go. Chosen: what a minute unseen weighs. */
const LEAST_HARM = 0.005

/** P(a step starts within `withinMin`), its start being log-normal about the expected minute. */
export function startsWithin(inMin: number, withinMin: number, spread: number): number {
  // A difference of logs, not the log of a quotient: a minute next to nothing makes the quotient infinite.
  return inMin <= 0 ? 1 : normalCdf((Math.log(withinMin) - Math.log(inMin)) / spread)
}

/**
 * Expected harm at a table before one can be back if one goes elsewhere first: over coming steps, P(it starts by then,
 * and not while the last look still helps) x how bad x P(mishap | where the apprentice stands, the dog's flags).
 */
export function expectedHarm(table: TableFacts, rules: RoundsRules): number {
  return harms(table, rules).reduce((sum, harm) => sum + harm, 0)
}

/** The same step by step. */
function harms(table: TableFacts, rules: RoundsRules): number[] {
  const backMin = LOOKS * rules.lookMin
  const coveredMin = Math.min(backMin, table.unseenMin === null ? 0 : rules.freshMin - table.unseenMin)
  return table.coming.map((step) => {
    const mishap = Math.min(1, rules.mishap[step.state] * rules.perFlag ** table.dogFlags)
    const bad = step.isHold ? rules.holdHarm : rules.cautionHarm
    const covered = coveredMin > 0 ? startsWithin(step.inMin, coveredMin, rules.spread) : 0
    return (startsWithin(step.inMin, backMin, rules.spread) - covered) * mishap * bad
  })
}

/**
 * What cannot wait, most pressing first: stopped work, a dog that panics, help asked for, a step that waits, a dog that
 * has had nearly enough and whose table nobody has just looked at, or that has had enough.
 */
function urgency(t: TableFacts, rules: RoundsRules): number {
  if (t.stopped !== null) return 5
  if (t.panics) return 4
  if (t.askedMin !== null) return 3
  if (t.waitingAt !== null) return 2
  return isTired(t, rules) ? 1 : 0
}

function isTired(t: TableFacts, rules: RoundsRules): boolean {
  if (t.canStandMin > LOW_STAND_MIN) return false
  return t.canStandMin <= 0 || t.unseenMin === null || t.unseenMin >= rules.freshMin
}

/** If one goes to `first` now, can every other table still be reached before the cap? */
function keepsCap(tables: readonly TableFacts[], first: TableFacts, rules: RoundsRules): boolean {
  return tables
    .filter((table) => table !== first && table.unseenMin !== null)
    .sort((a, b) => b.unseenMin! - a.unseenMin!)
    .every((table, k) => table.unseenMin! + (k + 1) * rules.lookMin <= rules.capMin)
}

/**
 * Where to go now: what cannot wait; else the table with the most harm to expect (foreseen, and by the minute unseen)
 * among those whose choice leaves no other table unseen beyond the cap; where no choice does, the one that was left longest. Ties by time unseen, then by table.
 */
export function nextTable(tables: readonly TableFacts[], rules: RoundsRules = ROUNDS_DEFAULTS): TableFacts | null {
  const pressing = tables
    .filter((table) => urgency(table, rules) > 0)
    .sort(
      (a, b) =>
        urgency(b, rules) - urgency(a, rules) || (b.askedMin ?? 0) - (a.askedMin ?? 0) || a.canStandMin - b.canStandMin || byNumber(a, b)
    )
  if (pressing.length > 0) return pressing[0]!
  const longest = [...tables].sort((a, b) => unseen(b) - unseen(a) || byNumber(a, b))
  const free = longest.filter((table) => keepsCap(tables, table, rules))
  const worth = (table: TableFacts) => expectedHarm(table, rules) + unseen(table) * rules.unforeseenPerMin
  return [...free].sort((a, b) => worth(b) - worth(a))[0] ?? longest[0] ?? null
}

const unseen = (table: TableFacts): number => table.unseenMin ?? 0
const byNumber = (a: TableFacts, b: TableFacts): number => a.tableNumber - b.tableNumber

/** The next three looks, one after the other: each is chosen as the room will be when the one before is done. */
export function rankLooks(tables: readonly TableFacts[], rules: RoundsRules = ROUNDS_DEFAULTS): RankedLook[] {
  const looks: RankedLook[] = []
  let left = [...tables]
  while (looks.length < LOOKS && left.length > 0) {
    const table = nextTable(left, rules)!
    const look = sayLook(table, rules, looks.length * rules.lookMin)
    if (look) looks.push(look)
    left = left.filter((other) => other !== table)
    if (look) left = left.map((other) => later(other, rules.lookMin))
  }
  return looks
}

/** The same table some minutes later, if nothing else happens. */
function later(table: TableFacts, minutes: number): TableFacts {
  return {
    ...table,
    unseenMin: table.unseenMin === null ? null : table.unseenMin + minutes,
    coming: table.coming.map((step) => ({ ...step, inMin: step.inMin - minutes }))
  }
}

const sayTimes = ({ attempts, prompts }: ComingStep): string =>
  attempts === 0
    ? 'Never on a live dog so far.'
    : `${attempts} on a live dog so far${prompts > 0 ? `, ${prompts} ${prompts === 1 ? 'prompt' : 'prompts'}` : ''}.`

const STANDS: Readonly<Partial<Record<State, string>>> = {
  held: 'On hold for it.',
  lapsed: 'Not done for a long time.',
  slipping: 'Slipping at it.'
}

function sayUnseen(t: TableFacts, aheadMin: number): string {
  const minutes = Math.round((t.unseenMin ?? 0) - aheadMin)
  return minutes >= 5 ? ` No one has looked for ${minutes} minutes.` : ''
}

// eslint-disable-next-line max-lines-per-function -- one case beside the other: apart, none would show that they are all
function sayLook(t: TableFacts, rules: RoundsRules, aheadMin: number): RankedLook | null {
  const harm = expectedHarm(t, rules)
  const base = { tableNumber: t.tableNumber, visitId: t.visitId, harm }
  const who = `**${t.apprentice}, table ${t.tableNumber}**`
  const [next] = t.coming
  const each = harms(t, rules)
  const worst = t.coming[each.indexOf(Math.max(...each))]
  if (t.stopped !== null)
    return { ...base, danger: true, say: `Go to ${who}: the work was stopped.`, why: t.stopped || 'No reason given yet.' }
  if (t.panics)
    return {
      ...base,
      danger: true,
      say: `Go to ${who}: ${t.dog} is panicking.`,
      why: 'Stop, hold it gently, let it calm down. It may go home as it is.'
    }
  if (t.askedMin !== null)
    return {
      ...base,
      danger: true,
      say: `Go to ${who}, who needs you.`,
      why: t.askedMin < 1 ? 'Just now.' : `${Math.round(t.askedMin)} ${Math.round(t.askedMin) === 1 ? 'minute' : 'minutes'} ago.`
    }
  if (t.waitingAt !== null)
    return { ...base, danger: true, say: `Go to ${who}, who is waiting for you: ${t.waitingAt}.`, why: next ? sayTimes(next) : '' }
  if (isTired(t, rules)) {
    return {
      ...base,
      danger: true,
      say: `${who}: ${Math.max(0, t.canStandMin)} min left for ${t.dog}.`,
      why: `${t.leftMin} minutes of work remain: agree what goes home unfinished. It costs no marks.`
    }
  }
  if (worst && harm >= LEAST_HARM) {
    const inMin = Math.round(worst.inMin + aheadMin)
    const when = inMin <= 0 ? 'now' : `in about ${inMin} ${inMin === 1 ? 'minute' : 'minutes'}`
    const flags = t.dogFlags > 0 ? ` ${t.dog} needs care today.` : ''
    const why = `${sayTimes(worst)}${STANDS[worst.state] ? ` ${STANDS[worst.state]}` : ''}${flags}${sayUnseen(t, aheadMin)}`
    return { ...base, danger: false, say: `${who}, ${when}, before the ${worst.hazard}.`, why }
  }
  // who stood there just now has seen to the rest
  if (t.unseenMin !== null && t.unseenMin - aheadMin < rules.freshMin) return null
  const over = t.workedMin - t.standardMin
  if (over > 0)
    return {
      ...base,
      danger: false,
      say: `${who} is ${over} minutes over.`,
      why: `${t.canStandMin} min left for ${t.dog}, which is fine: let them finish.${sayUnseen(t, aheadMin)}`
    }
  if (t.leftMin > t.canStandMin)
    return {
      ...base,
      danger: false,
      say: `${who}: ${t.leftMin} minutes of work, ${t.canStandMin} min left for ${t.dog}.`,
      why: `Decide with them what to leave out.${sayUnseen(t, aheadMin)}`
    }
  const unseenMin = Math.round((t.unseenMin ?? 0) - aheadMin)
  if (unseenMin >= rules.capMin / 2)
    return {
      ...base,
      danger: false,
      say: `${who}, for a moment.`,
      why: `No one has looked for ${unseenMin} minutes; the limit is ${rules.capMin}.`
    }
  return null
}
