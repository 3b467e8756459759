// What an assessor finds on a finished trim: lengths and levels that follow from how well the apprentice works.
import type { Answer, Answers, GlobalRating } from '@peen/core/grade'
import { follows, sidesOf } from '@peen/core/grade'
import type { Excusal } from '@peen/contract'
import { howOnSide, type Standard } from '@peen/core/standard'
import type { Chance } from './random'

export type Skill = {
  /** 0 a beginner, 1 sure */
  readonly sure01: number
  readonly longerRightMm: number
  readonly leaning: number
}

const tenth = (value: number) => Math.max(0, Math.round(value * 10) / 10)

/** A complete grade sheet. Readings scatter by a quarter of a millimetre, as a gauge does in a soft coat. */
export function gradedAnswers(standard: Standard, skill: Skill, excused: readonly Excusal[], chance: Chance): Answers {
  const answers: Record<string, Answer> = {}
  for (const criterion of standard.criteria) {
    const { id, region } = criterion
    if (criterion.how.kind === 'difference' || follows(criterion)) continue
    const answer: Record<string, Answer[keyof Answer]> = {}
    for (const side of sidesOf(criterion.how)) {
      const how = howOnSide(criterion.how, side)
      const cameSo = excused.find((item) => item.region === region && (side === 'whole' || item.side === 'both' || item.side === side))
      if (cameSo) answer[side] = { kind: 'excused', reason: cameSo.reason }
      else if (how.kind === 'judged') answer[side] = { kind: 'level', level: levelFor(skill, chance) }
      else if (how.kind === 'computed') {
        const spread = Math.max(0.3, 2.4 - 2 * skill.sure01)
        answer[side] = {
          kind: 'inputs',
          values: Object.fromEntries(
            Object.entries(how.typical).map(([name, mm]) => [name, name === 'bands' ? mm : tenth(chance.about(mm, spread))])
          )
        }
      } else {
        const room = how.kind === 'length' ? (how.band[1] ?? how.targetMm) - how.targetMm : (how.band[1] ?? 4)
        const spread = room * Math.max(0.15, 1.6 - 1.2 * skill.sure01)
        const bias = how.kind === 'length' && side === 'right' && room > 2 ? skill.longerRightMm : 0
        const found =
          how.kind === 'length'
            ? how.targetMm + chance.about(0.3 * room * Math.max(0, 1 - skill.sure01), spread) + bias
            : Math.abs(chance.about(room * 0.2, spread))
        answer[side] = { kind: 'readings', mm: [0, 1, 2].map(() => tenth(chance.about(found, room > 2 ? 0.4 : 0.15))) }
      }
    }
    answers[id] = answer
  }
  return answers
}

function levelFor({ sure01, leaning }: Skill, chance: Chance): number {
  const felt = chance.about(1.1 + 2.35 * sure01 + leaning, 0.6)
  return Math.min(4, Math.max(0, Math.round(felt)))
}

/** How an assessor calls the trim before seeing the total. */
export function ratingFor({ sure01, leaning }: Skill): GlobalRating {
  const felt = sure01 + leaning * 0.2
  if (felt > 0.92) return 'outstanding'
  if (felt > 0.75) return 'good'
  if (felt > 0.5) return 'pass'
  return felt > 0.3 ? 'borderline' : 'clearFail'
}
