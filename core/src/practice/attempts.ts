import { HELP_WEIGHT } from '../competency'
import { OTHER_FAULT, type Attempt, type HelpLevel, type VisitState } from './types'

/** What one visit adds to the record of one technique: technique x dog x visit is one attempt (four feet are one). */
export type CountedAttempt = {
  readonly techniqueId: string
  readonly clean: boolean
  /** false for practice figures and for work that no instructor watched or inspected: logged apart, never on the chart */
  readonly counts: boolean
  readonly setting: 'live' | 'figure'
  readonly minutes: number
  readonly prompts: number
  readonly help: HelpLevel
  /** the dog's own sides that were worked */
  readonly sides: 'left' | 'right' | 'both'
  readonly majorFaults: readonly string[]
  readonly faults: readonly string[]
  readonly safetyEvents: number
  readonly seriousSafety: boolean
  /** why it is not clean, in words; empty when it is */
  readonly because: string
}

export type MajorFaults = ReadonlySet<string>

const MOST_PROMPTS = 1

/**
 * The attempts of a visit, one per technique and setting, by the apprentice's own hands and ended.
 * Clean = no safety event, no major fault, at most one prompt (talked through, guided or shown are more than one).
 * Parts done by the instructor's hands are left out. Source: docs/method.md, What counts as an attempt.
 */
export function countedAttempts(state: VisitState, major: MajorFaults): CountedAttempt[] {
  const groups = new Map<string, Attempt[]>()
  for (const attempt of state.attempts) {
    if (attempt.hands !== 'apprentice' || !attempt.ended || attempt.cutShort) continue
    const key = `${attempt.techniqueId}|${attempt.setting}`
    groups.set(key, [...(groups.get(key) ?? []), attempt])
  }
  return [...groups.values()].map((group) => merge(group, major))
}

/** Help of which nobody has said how counts as talked through: more than a prompt, and no more than that. */
const saidHelp = (help: HelpLevel | null): HelpLevel => help ?? 'talkedThrough'

/** The most help of several. */
export function mostHelp(all: readonly HelpLevel[]): HelpLevel {
  return all.reduce((a, b) => (HELP_WEIGHT[b] > HELP_WEIGHT[a] ? b : a), 'alone')
}

/** The help that an attempt had by what was tapped: the most of it, prompts among it. */
export function tappedHelp({ prompts, helps }: Pick<Attempt, 'prompts' | 'helps'>): HelpLevel {
  const prompted: HelpLevel = prompts === 0 ? 'alone' : prompts === 1 ? 'onePrompt' : 'talkedThrough'
  return mostHelp([prompted, ...helps.map(saidHelp)])
}

function sidesOf(group: readonly Attempt[]): CountedAttempt['sides'] {
  const sides = new Set(group.map(({ side }) => side))
  return sides.has('both') || (sides.has('left') && sides.has('right')) ? 'both' : sides.has('left') ? 'left' : 'right'
}

function merge(group: readonly Attempt[], major: MajorFaults): CountedAttempt {
  const [first] = group
  // a fault that no list knows is told by its own words
  const faults = group.flatMap((attempt) =>
    attempt.faults.flatMap(({ faultId, words }) => (faultId === OTHER_FAULT && words ? words : (faultId ?? [])))
  )
  const majorFaults = faults.filter((fault) => major.has(fault))
  const safety = group.flatMap((attempt) => attempt.safety)
  const prompts = group.reduce((sum, attempt) => sum + attempt.prompts, 0)
  // what was confirmed at the end of the table stands; before that, the most help that was tapped
  const help = mostHelp(group.flatMap((attempt) => [attempt.ended!.help, ...(attempt.confirmed ? [] : attempt.helps.map(saidHelp))]))
  const reasons = [
    safety.length > 0 ? 'a safety event' : '',
    majorFaults.length > 0 ? 'a major fault' : '',
    Math.max(prompts, HELP_WEIGHT[help]) > MOST_PROMPTS ? 'more than one prompt' : ''
  ].filter((reason) => reason !== '')
  return {
    techniqueId: first!.techniqueId,
    clean: reasons.length === 0,
    counts: first!.setting === 'live' && group.every((attempt) => attempt.ended!.witness !== 'self'),
    setting: first!.setting,
    minutes: group.reduce((sum, attempt) => sum + attempt.ended!.minutes, 0),
    prompts,
    help,
    sides: sidesOf(group),
    majorFaults,
    faults,
    safetyEvents: safety.length,
    seriousSafety: safety.some((event) => event.severity === 'serious'),
    because: reasons.join(', ')
  }
}
