// A cohort at a glance: who needs somebody first, and what nobody can do yet.
import type { ChartRow, State } from './standing'

export type Placed = Pick<ChartRow, 'found'> & { readonly state: State }

/** Chosen: what is unsafe first, then what was good and goes, then who is stuck, then what is old or waits to be assessed. */
const STATE_NEED: Readonly<Record<State, number>> = { held: 8, slipping: 5, lapsed: 2, ready: 1, practising: 0, new: 0, competent: 0 }
const FOUND_NEED = Object.freeze({ slipping: 3, relapse: 3, plateau: 3 })

/** How much somebody needs an instructor: the sum over techniques. A wall is sorted by it, the largest first. */
export const needOf = (cells: readonly Placed[]): number =>
  cells.reduce(
    (sum, { state, found }) => sum + STATE_NEED[state] + (found && state !== 'held' && state !== 'lapsed' ? FOUND_NEED[found.kind] : 0),
    0
  )

export type WallWord = 'held' | 'slipping' | 'lapsed' | 'plateau' | 'relapse' | 'ready'

/** What somebody would say of one cell of a wall; null where there is nothing to say. */
export function wordOf({ state, found }: Placed): WallWord | null {
  if (state === 'held' || state === 'slipping' || state === 'lapsed') return state
  if (found) return found.kind
  return state === 'ready' ? state : null
}

export type Person = { readonly name: string; readonly cells: readonly (Placed & { readonly t: number })[] }

/** Techniques in which nobody, or one alone, is competent, the rarest first; by how many. */
export function scarce(people: readonly Person[], techniques: number): { readonly t: number; readonly competent: number }[] {
  const counts = Array.from({ length: techniques }, () => 0)
  for (const { cells } of people) for (const { t, state } of cells) if (state === 'competent') counts[t]!++
  return counts
    .map((competent, t) => ({ t, competent }))
    .filter(({ competent }) => competent <= 1)
    .sort((a, b) => a.competent - b.competent || a.t - b.t)
}

const WORDS: readonly (readonly [WallWord, string, string])[] = [
  ['held', 'technique is on hold', 'techniques are on hold'],
  ['slipping', 'slips', 'slip'],
  ['relapse', 'fell back', 'fell back'],
  ['plateau', 'is stuck', 'are stuck'],
  ['lapsed', 'lapsed', 'lapsed'],
  ['ready', 'is ready to be assessed', 'are ready to be assessed']
]

/** The sentence above a wall; people come sorted by need. */
export function sayWall(people: readonly Person[], names: readonly string[]): string {
  const words = people.flatMap(({ cells }) => cells.flatMap((cell) => wordOf(cell) ?? []))
  const told = WORDS.flatMap(([word, one, more]) => {
    const n = words.filter((own) => own === word).length
    return n === 0 ? [] : [`**${n}** ${n === 1 ? one : more}`]
  })
  const first = people[0] && needOf(people[0].cells) > 0 ? ` ${people[0].name} needs help first.` : ''
  const rare = scarce(people, names.length)
  const nobody = rare.filter(({ competent }) => competent === 0)
  const few = nobody.length > 0 ? nobody : rare
  const list = few.slice(0, 3).map(({ t }) => names[t]!.toLowerCase())
  const more = few.length > 3 ? ` and ${few.length - 3} more` : ''
  const scarceSay = few.length === 0 ? '' : ` ${nobody.length > 0 ? 'No one is' : 'Only one is'} competent in ${list.join(', ')}${more}.`
  return `${told.length > 0 ? `${told.join(', ')}.` : 'Nothing is on hold, slipping or lapsed.'}${first}${scarceSay}`
}
