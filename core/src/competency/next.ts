// What to practise next, on which dog, and why.
import { daysBetween } from './standing'
import type { AttemptRecord, Standing } from './standing'
import { lowerFirst, sayDay, upperFirst } from '../units'

export type Practisable = {
  readonly id: string
  readonly name: string
  /** techniques that come before it */
  readonly after: readonly string[]
  readonly standing: Standing
  readonly attempts: readonly AttemptRecord[]
}

/** What a certificate on the way asks of a technique, in words: "2 of 3 coats". */
export type Need = {
  readonly techniqueId: string
  readonly certificate: string
  readonly lacks: readonly string[]
  readonly openRules: number
}

/** A dog that could be worked on; `onDate` where it is planned to come, and the techniques that its trim plans. */
export type Chance = {
  readonly dogId: string
  readonly name: string
  readonly coat: string
  readonly onDate: string | null
  readonly techniques: ReadonlySet<string>
  readonly canStandMin: number
}

export type Suggestion = {
  readonly techniqueId: string
  readonly name: string
  readonly score: number
  readonly dog: Chance | null
  /** each a short clause: state, gap, coat, day */
  readonly why: readonly string[]
}

/** Chosen: what was good once and is going is mended first; then what is nearest to a signal; new things last. */
const STATE_WORTH: Readonly<Record<Standing['state'], number>> = {
  slipping: 4,
  lapsed: 3,
  practising: 2,
  new: 1,
  ready: 0,
  competent: 0,
  held: 0
}
/** Chosen weights: near to its signal, asked for by a certificate (more where it is nearly met), a new coat, a new dog, soon. */
const WORTH = Object.freeze({ near: 1, asked: 1.2, lacking: 0.8, coat: 0.6, dog: 0.3, coming: 0.5, ageing: 0.5 })
const SOON_DAYS = 14

/**
 * Ranks what to practise. A technique whose forerunners are still new waits for them; one that is held, ready or
 * competent is not offered, except where a certificate still lacks something of it.
 * @param lapseDays the school's days until a technique lapses
 * Source: common practice, no published source; weights chosen (docs/sources.md)
 */
export function practiseNext(
  all: readonly Practisable[],
  needs: readonly Need[],
  chances: readonly Chance[],
  { today, lapseDays }: { readonly today: string; readonly lapseDays: number }
): Suggestion[] {
  const byId = new Map(all.map((one) => [one.id, one]))
  const begun = (id: string) => (byId.get(id)?.standing.state ?? 'competent') !== 'new'
  const suggestions = all.flatMap((one): Suggestion[] => {
    const { state, score, limit, daysSince, because, found } = one.standing
    const own = needs.filter(({ techniqueId }) => techniqueId === one.id)
    const lacking = own.filter(({ lacks }) => lacks.length > 0)
    if (state === 'held' || (STATE_WORTH[state] === 0 && lacking.length === 0)) return []
    if (state === 'new' && (own.length === 0 || !one.after.every(begun))) return []
    const dog = bestDog(one, chances, today)
    const nearest = [...own].sort((a, b) => a.openRules - b.openRules)[0]
    const ageing = daysSince !== null && daysSince > lapseDays / 2 && state !== 'lapsed'
    const worth =
      STATE_WORTH[state] +
      WORTH.near * (score / limit) +
      (nearest ? WORTH.asked / nearest.openRules : 0) +
      (lacking.length > 0 ? WORTH.lacking : 0) +
      (ageing ? WORTH.ageing : 0) +
      (dog?.worth ?? 0)
    const why = [
      found ? found.say : because,
      ...(nearest
        ? [`${upperFirst(lowerFirst(nearest.certificate))} needs it${nearest.lacks.length ? `: ${nearest.lacks.join(', ')} so far` : ''}.`]
        : []),
      ...(ageing ? [`Last done ${daysSince} days ago; it lapses after ${lapseDays} days.`] : []),
      ...(dog ? [dog.say] : [])
    ]
    return [{ techniqueId: one.id, name: one.name, score: worth, dog: dog?.chance ?? null, why }]
  })
  return suggestions.sort((a, b) => b.score - a.score || a.name.localeCompare(b.name))
}

/** The dog whose coat and body teach most: coming soon, of a coat least practised, not worked on before. */
function bestDog(one: Practisable, chances: readonly Chance[], today: string): { chance: Chance; worth: number; say: string } | null {
  const counted = one.attempts.filter(({ counts }) => counts)
  const timesOn = (coat: string) => counted.filter((attempt) => attempt.coat === coat).length
  const known = new Set(counted.map(({ dogId }) => dogId))
  const rated = chances
    .filter(({ techniques }) => techniques.has(one.id))
    .map((chance) => {
      const times = timesOn(chance.coat)
      const inDays = chance.onDate === null ? null : daysBetween(today, chance.onDate)
      const soon = inDays !== null && inDays >= 0 && inDays <= SOON_DAYS
      const worth =
        WORTH.coat / (1 + times) + (known.has(chance.dogId) ? 0 : WORTH.dog) + (soon ? WORTH.coming * (1 - inDays / (2 * SOON_DAYS)) : 0)
      const coat =
        times === 0 ? `a ${chance.coat} coat is new for it` : `${chance.coat} coat, done ${times === 1 ? 'once' : `${times} times`}`
      const when = chance.onDate === null ? 'not planned yet' : inDays === 0 ? 'here today' : `comes on ${sayDay(chance.onDate)}`
      return { chance, worth, say: `${chance.name}: ${coat}; ${when}.` }
    })
    .sort((a, b) => b.worth - a.worth || b.chance.canStandMin - a.chance.canStandMin || a.chance.name.localeCompare(b.chance.name))
  return rated[0] ?? null
}
