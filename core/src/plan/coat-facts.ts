// What a plan is made from, as the page of a coat has it.
import type { CoatType } from '../advice'
import { dateOf, dayOf, type CoatCase, type CoatEntry, type CoatModel, type CoatPlace, type CoatRules } from '../coat'
import { isOpenOn, type Off, type Opening } from '../day'
import { workFor, type Plan, type Standard } from '../standard'
import { planBack, type Back, type Wanted } from './back'
import { bordersOf, type Borders } from './borders'
import type { SessionBack } from './session'
import { wantedOf } from './wanted'

/** A coat with its book and its trim; lines in the order in which they were written, struck ones among them. */
export type CoatFacts = {
  readonly lines: readonly (CoatEntry & { readonly struck: unknown })[]
  readonly dog: { readonly bornOn: string | null; readonly coatType: CoatType | null }
  readonly today: string
  readonly isWire: boolean
  readonly sproutDays: number
  readonly rules: CoatRules
  readonly standard: Pick<Standard, 'plan'>
  readonly house: Readonly<Record<string, number>>
  readonly aim: { readonly aimOn: string | null }
}

/** The book as a model takes it: without what was struck. */
export const caseOf = ({ lines, dog, today, isWire, sproutDays, rules, standard }: CoatFacts): CoatCase => ({
  entries: lines.filter(({ struck }) => struck === null),
  dog: { bornOn: dog.bornOn, today },
  isWire,
  sproutDays,
  rules,
  keptMm: isWire ? undefined : standard.plan.lengthsMm
})

type Asked = Pick<CoatFacts, 'standard' | 'dog' | 'house' | 'aim'>
/** A trim by this house's rules and for this coat; a coat that is kept for a day is kept as for a show. */
const planFor = ({ standard: { plan }, dog, house, aim }: Asked): Plan => ({
  ...plan,
  work: workFor(plan.work ?? [], { house, coat: dog.coatType ?? undefined, isShow: aim.aimOn !== null })
})
/** What the trim wants of this coat. */
const wantedFor = (asked: Asked): readonly Wanted[] => wantedOf(planFor(asked))
/** Where it clips this coat beside what it strips. */
const bordersFor = (asked: Asked): Borders | null => bordersOf(planFor(asked))

/** A coat as `CoatFacts`, with what its school is open on and the dog can stand. */
export type CoatToPlan = CoatFacts & {
  readonly dog: { readonly canStandMin: number }
  readonly opening: Opening
  readonly off: readonly Off[]
}
/** `noStripping`: the trim strips nothing; `noDay`: no date was set; `over`: it is today or past. */
export type NoPlan = 'noStripping' | 'noDay' | 'over'

/**
 * Back from the day that a coat is kept for, on days that its school is open; or why there is nothing to plan.
 * @param model the coat as its book has it
 * @throws CoreError as `planBack`
 */
export function backFor(given: CoatToPlan, model: CoatModel): Back | NoPlan {
  const { aimOn } = given.aim
  const wanted = wantedFor(given)
  if (wanted.length === 0) return 'noStripping'
  if (aimOn === null) return 'noDay'
  if (aimOn <= given.today) return 'over'
  return planBack({
    ...{ model, aimDay: dayOf(aimOn), wanted, canStandMin: given.dog.canStandMin, borders: bordersFor(given) },
    isOpen: (day) => isOpenOn(dateOf(day), given.opening, given.off)
  })
}

/** A session that was agreed, and as it stands since: `how` and day by place. */
export type Moved = { readonly place: CoatPlace; readonly how: SessionBack['how']; readonly was: number | null; readonly is: number | null }

/**
 * What has moved between the sessions that were agreed and those that follow from the book now, place by place; days as numbers, null where
 * there is no such session. Sessions before `today` are over and do not move.
 */
export function movedOf(agreed: readonly SessionBack[], now: readonly SessionBack[], today: number): readonly Moved[] {
  const daysOf = (sessions: readonly SessionBack[]) => {
    const days = new Map<string, { place: CoatPlace; how: SessionBack['how']; days: number[] }>()
    for (const { day, how, places } of sessions) {
      if (day < today) continue
      for (const place of places) {
        const key = `${place} ${how}`
        const known = days.get(key) ?? { place, how, days: [] }
        known.days.push(day)
        days.set(key, known)
      }
    }
    return days
  }
  const [before, after] = [daysOf(agreed), daysOf(now)]
  const keys = [...new Set([...before.keys(), ...after.keys()])]
  return keys.flatMap((key) => {
    const { place, how } = (after.get(key) ?? before.get(key))!
    const [was, is] = [before, after].map((days) => [...(days.get(key)?.days ?? [])].sort((a, b) => a - b)) as [number[], number[]]
    const gone = was.filter((day) => !is.includes(day))
    const come = is.filter((day) => !was.includes(day))
    return Array.from({ length: Math.max(gone.length, come.length) }, (_, i) => ({
      ...{ place, how, was: gone[i] ?? null, is: come[i] ?? null }
    }))
  })
}
