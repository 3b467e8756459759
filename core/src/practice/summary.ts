import type { RanOutEnd } from './types'

/** What one visit of the day came to for one apprentice, with the names that are read. */
export type VisitSummary = {
  readonly dog: string
  readonly trim: string
  readonly workedMin: number
  readonly standardMin: number
  readonly attempts: readonly {
    readonly technique: string
    readonly clean: boolean
    readonly counts: boolean
    /** why it is not clean; empty when it is */
    readonly because: string
    readonly faults: readonly { readonly name: string; readonly major: boolean }[]
  }[]
  readonly praises: readonly string[]
  readonly ranOut: RanOutEnd | null
  /** steps of the plan that nobody finished, by name */
  readonly undone: readonly string[]
}

/** An apprentice's day. `figures` is practice on stand-in figures, which is logged apart. */
export type DayFacts = {
  readonly name: string
  readonly absent: boolean
  readonly visits: readonly VisitSummary[]
  readonly figures: readonly { readonly technique: string; readonly minutes: number }[]
}

/** Feedback holds one thing done well and at most three to mend. Source: docs/method.md, A mark. */
const MOST_TO_MEND = 3

const listed = (names: readonly string[]) =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`
const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
const count = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`

/**
 * The day of one apprentice in sentences, ready to be sent: what was worked at, one thing done well, at most three
 * things to mend with the major and the frequent first, what stays undone, and practice on figures apart.
 */
export function daySummary({ name, absent, visits, figures }: DayFacts): string[] {
  if (absent && visits.length === 0 && figures.length === 0) return [`${name} was not here today.`]
  const all = visits.flatMap((visit) => visit.attempts)
  const clean = all.filter((attempt) => attempt.clean && attempt.counts)
  const praise = visits.flatMap((visit) => visit.praises)[0]
  const well = praise
    ? `Done well: ${praise}`
    : clean.length > 0
      ? `Done well: ${listed(clean.map(({ technique }) => lower(technique)).slice(0, 3))}, clean.`
      : ''
  const mend = toMend(all)
  const apart = all.filter((attempt) => !attempt.counts).map(({ technique }) => lower(technique))
  return [
    visits.length + figures.length === 0 ? `${name} had no dog today.` : '',
    ...visits.map(sayVisit),
    well,
    mend.length > 0 ? `To improve: ${mend.join('; ')}.` : '',
    ...visits.flatMap(sayUndone),
    apart.length > 0 ? `Not on the chart, because no one watched or inspected it or it was on a figure: ${listed(apart)}.` : '',
    figures.length > 0
      ? `On figures: ${listed(figures.map(({ technique, minutes }) => `${lower(technique)}, ${count(minutes, 'minute')}`))}. Logged separately.`
      : ''
  ].filter((sentence) => sentence !== '')
}

function sayVisit({ dog, trim, attempts, workedMin, standardMin }: VisitSummary): string {
  const clean = attempts.filter((attempt) => attempt.clean).length
  const steps = attempts.length === 0 ? 'no step was finished' : `${count(attempts.length, 'technique')}, ${clean} clean`
  return `${dog} in ${trim}: ${steps}, in ${workedMin} of ${standardMin} minutes.`
}

function sayUndone({ dog, ranOut, undone }: VisitSummary): string[] {
  if (ranOut === null) return []
  const end = ranOut === 'home' ? 'went home as it was' : 'was finished by the instructor'
  const left = undone.length > 0 ? ` Left to do: ${listed(undone.map(lower))}.` : ''
  return [`${dog} had had enough and ${end}. This costs no marks.${left}`]
}

function toMend(attempts: VisitSummary['attempts']): string[] {
  const faults = new Map<string, { readonly say: string; readonly major: boolean; times: number }>()
  for (const { technique, faults: noted } of attempts)
    for (const { name, major } of noted) {
      const key = `${technique}|${name}`
      const before = faults.get(key)
      if (before) before.times++
      else faults.set(key, { say: `${lower(technique)}, ${lower(name)}`, major, times: 1 })
    }
  const said = [...faults.values()]
    .sort((a, b) => Number(b.major) - Number(a.major) || b.times - a.times)
    .map(({ say, times }) => (times > 1 ? `${say} (${times} times)` : say))
  // what is not clean without a fault that names it: too much help, a safety event
  const other = attempts
    .filter(({ clean, faults: noted }) => !clean && !noted.some(({ major }) => major))
    .map(({ technique, because }) => `${lower(technique)}: ${because}`)
  return [...said, ...other].slice(0, MOST_TO_MEND)
}
