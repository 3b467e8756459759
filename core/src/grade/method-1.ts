// The first method, kept for gradings that were signed by it: their marks and verdicts do not change.
import { normalDraw, quantile } from '../stats'
import type { Section, Standard } from '../standard'
import { sayNumber } from '../units'
import { decidedBefore, failedByCap, type MarkCase, type Marked } from './method'
import { simulateMarks, type Estimate, type LevelDraw } from './total'
import type { Outcome, SectionResult } from './types'

/** Half a level on every answer for itself. Chosen then; replaced in the second method. */
const LEVEL_U = 0.5
const INDEPENDENT: LevelDraw = { begin: () => {}, level: (level, random) => level + LEVEL_U * normalDraw(random) }

/**
 * The mark is the best estimate; its 95 % interval is stretched to hold it; the verdict asks whether the whole interval
 * lies on one side of the pass mark. See decision 0005 for why the second method replaced it.
 */
export function markByMethod1(asked: MarkCase): Marked {
  const { standard, parts, seed, cap } = asked
  const simulated = simulateMarks(standard, parts, seed, INDEPENDENT)
  const estimate = (at: number): Estimate => {
    const values = simulated!.rows.map((row) => row[at])
    const ends = [quantile(values, 0.025), quantile(values, 0.975)]
    const best = simulated!.best[at]
    return { value: best, interval: [Math.min(best, ends[0]), Math.max(best, ends[1])], n: values.length }
  }
  const total = simulated ? capped(estimate(0), cap?.mark ?? Infinity) : null
  const sections = standard.sections.map((section) => {
    const at = simulated ? simulated.sections.indexOf(section) : -1
    return sectionResult(section, at < 0 ? null : estimate(at + 1))
  })
  const decision = decidedBefore(asked, total) ?? decide(standard, total!, sections, cap)
  return { method: 'JCGM 106 conformity, JCGM 101 simulation', total, sections, passChance01: null, ...decision }
}

function capped(estimate: Estimate, cap: number): Estimate {
  const under = (value: number) => Math.min(value, cap)
  return { ...estimate, value: under(estimate.value), interval: [under(estimate.interval[0]), under(estimate.interval[1])] }
}

function sectionResult(section: Section, estimate: Estimate | null): SectionResult {
  if (!estimate) return { section, value: null, interval: null, floor: 'open' }
  const [low, high] = estimate.interval
  const floor = low >= section.floor ? 'met' : high < section.floor ? 'below' : 'cannotTell'
  return { section, value: estimate.value, interval: estimate.interval, floor }
}

function decide(
  standard: Standard,
  total: Estimate,
  sections: readonly SectionResult[],
  cap: MarkCase['cap']
): { outcome: Outcome; because: string } {
  const pass = standard.passMark
  const below = sections.find((section) => section.floor === 'below')
  const byCap = failedByCap(standard, cap)
  if (byCap) return byCap
  if (below)
    return {
      outcome: 'notPassed',
      because: `${below.section.name} stands at ${sayNumber(Math.round(below.value!))}, under its floor of ${below.section.floor}.`
    }
  if (total.interval[1] < pass) return { outcome: 'notPassed', because: `The whole interval lies under the pass mark of ${pass}.` }
  if (total.interval[0] < pass)
    return { outcome: 'secondAssessor', because: `The pass mark of ${pass} lies inside the interval: ask a second assessor.` }
  const unsure = sections.find((section) => section.floor === 'cannotTell')
  if (unsure)
    return {
      outcome: 'secondAssessor',
      because: `${unsure.section.name} may lie either side of its floor of ${unsure.section.floor}: ask a second assessor.`
    }
  return { outcome: 'passed', because: `The whole interval lies at or above the pass mark of ${pass}, and every section clears its floor.` }
}
