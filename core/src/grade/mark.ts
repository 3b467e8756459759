// The mark and its verdict: the median of the draws, its interval as it falls, and one joint chance.
import { normalDraw, quantile, type Random } from '../stats'
import type { Section, Standard } from '../standard'
import { decidedBefore, failedByCap, type GradeRules, type MarkCase, type Marked } from './method'
import { simulateMarks, type Estimate, type LevelDraw, type SimulatedMarks } from './total'
import type { Outcome, SectionResult } from './types'

/**
 * A level is a step of words: who says 3 says that the work lies between 2.5 and 3.5, nowhere in particular. So a level is
 * drawn evenly over its own step (u = 1/sqrt 12 = 0.29 of a level; JCGM 101:2008, 6.4.2), and all levels of one sheet are
 * moved together by how severe its assessor is.
 */
const HALF_STEP = 0.5

function leaning(severityLevels: number): LevelDraw {
  let severity = 0
  return {
    begin: (random: Random) => (severity = severityLevels * normalDraw(random)),
    level: (level, random) => level + severity + HALF_STEP * (2 * random() - 1)
  }
}

/**
 * The mark is the median of the joint draws with their 2.5 to 97.5 % range, not stretched. The verdict asks for the chance
 * that the mark reaches the pass mark and every section its floor in one and the same draw: at `passAt01` and more it
 * passes, at `failAt01` and less it does not, between them it cannot be told. Sources: JCGM 101:2008 (drawing, 7.7 for the
 * interval), JCGM 106:2012, 8.3 (deciding).
 */
export function markOf(asked: MarkCase, rules: GradeRules): Marked {
  const { standard, parts, seed, cap } = asked
  const simulated = simulateMarks(standard, parts, seed, leaning(rules.severityLevels))
  const top = cap?.mark ?? Infinity
  const total = simulated ? estimateOf(simulated.rows.map((row) => Math.min(row[0]!, top))) : null
  const sections = standard.sections.map((section) => sectionResult(simulated, section, rules))
  const passChance01 = simulated ? jointChance(standard, simulated, top) : null
  const decision = decidedBefore(asked, total) ?? failedByCap(standard, cap) ?? decide(standard, simulated!, passChance01!, top, rules)
  return { method: 'JCGM 106 joint decision, JCGM 101 median of draws', total, sections, passChance01, ...decision }
}

function estimateOf(values: readonly number[]): Estimate {
  return { value: quantile(values, 0.5), interval: [quantile(values, 0.025), quantile(values, 0.975)], n: values.length }
}

const shareOf = <T>(items: readonly T[], holds: (item: T) => boolean) => items.filter(holds).length / items.length

function sectionResult(simulated: SimulatedMarks | null, section: Section, rules: GradeRules): SectionResult {
  const at = simulated ? simulated.sections.indexOf(section) + 1 : 0
  if (!simulated || at === 0) return { section, value: null, interval: null, floor: 'open' }
  const { value, interval } = estimateOf(simulated.rows.map((row) => row[at]!))
  const chance = shareOf(simulated.rows, (row) => row[at]! >= section.floor)
  return { section, value, interval, floor: chance >= rules.passAt01 ? 'met' : chance <= rules.failAt01 ? 'below' : 'cannotTell' }
}

function jointChance({ passMark }: Standard, { rows, sections }: SimulatedMarks, top: number): number {
  return shareOf(rows, (row) => Math.min(row[0]!, top) >= passMark && sections.every(({ floor }, s) => row[s + 1]! >= floor))
}

/** The pass mark and every floor, each with its own chance, as it is named in a sentence. */
function limitsOf({ passMark }: Standard, { rows, sections }: SimulatedMarks, top: number) {
  const median = (at: number) =>
    Math.round(quantile(at === 0 ? rows.map((row) => Math.min(row[0]!, top)) : rows.map((row) => row[at]!), 0.5))
  return [
    {
      chance: shareOf(rows, (row) => Math.min(row[0]!, top) >= passMark),
      name: `The mark of ${median(0)}`,
      limit: `the pass mark of ${passMark}`
    },
    ...sections.map(({ name, floor }, s) => ({
      chance: shareOf(rows, (row) => row[s + 1]! >= floor),
      name: `${name}, at ${median(s + 1)},`,
      limit: `its minimum of ${floor}`
    }))
  ]
}

function decide(
  standard: Standard,
  simulated: SimulatedMarks,
  chance: number,
  top: number,
  { passAt01, failAt01 }: GradeRules
): { outcome: Outcome; because: string } {
  if (chance >= passAt01)
    return {
      outcome: 'passed',
      because: `The mark is above the pass mark of ${standard.passMark}, and every section is above its minimum.`
    }
  const limits = limitsOf(standard, simulated, top).sort((a, b) => a.chance - b.chance)
  const outcome = chance <= failAt01 ? 'notPassed' : 'secondAssessor'
  const clear = limits.filter((limit) => limit.chance <= failAt01)
  if (outcome === 'notPassed' && clear.length > 0)
    return { outcome, because: `${clear.map(({ name, limit }) => `${name} is below ${limit}`).join('. ')}.` }
  // no limit is missed for certain, but together they are hardly ever reached
  const unsure = limits.filter((limit, i) => i === 0 || limit.chance < passAt01)
  const may = unsure.map(({ name, limit }) => `${name} may be above or below ${limit}`).join('. ')
  return { outcome, because: outcome === 'notPassed' ? `${may}. It rarely reaches all of them at once.` : `${may}.` }
}
