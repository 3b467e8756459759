// Questions in which practitioners differ, with the sides a school may take.
import houseRuleData from './house-rules.json'

/** A question in which practitioners differ; `because` says for each side why one works so. */
export type HouseRule = {
  readonly id: string
  readonly question: string
  readonly sides: readonly string[]
  readonly because: readonly string[]
  readonly chosen: number
  /** steps at which the side that is taken is said, in the words of `atStep` */
  readonly shownAt?: readonly string[]
  readonly atStep?: readonly string[]
  /** it computes nothing: the words at the step are all it does */
  readonly informs?: boolean
}

export const houseRules = houseRuleData as readonly HouseRule[]

/** What the house says at a step, each with the reason for its side. */
export type HouseWords = { readonly rule: string; readonly question: string; readonly say: string; readonly because: string }
export function houseWordsAt(technique: string, house: Readonly<Record<string, number>>): readonly HouseWords[] {
  return houseRules.flatMap(({ id, question, shownAt, atStep, because, chosen }): HouseWords[] => {
    const side = house[id] ?? chosen
    const say = shownAt?.includes(technique) ? atStep?.[side] : undefined
    return say === undefined ? [] : [{ rule: id, question, say, because: because[side] }]
  })
}
