// The visits to ask for, as a programme that a solver reads.
import { kindOf, needsIn, serves, type CoverCase, type Need } from './serves'

/** An apprentice who gets there weighs more than all needs together, a need that is not met as one, a visit so little that none is asked for without use. */
const VISIT_WEIGHT = 0.01

/** A column `x<l>_<o>` for every visit that serves something. */
type VisitColumn = { readonly name: string; readonly learner: number; readonly offer: number }
export type Programme = {
  /** in the LP format of CPLEX, which HiGHS and others read */
  readonly lp: string
  readonly needs: readonly Need[]
  readonly visits: readonly VisitColumn[]
}

/** A sum over lines that every reader of the format takes: it may be broken between terms. */
const sum = (terms: readonly string[], between = ' + '): string =>
  terms.map((term, i) => (i === 0 ? term : `${i % TERMS_A_LINE === 0 ? '\n  ' : ''}${between}${term}`)).join('')
const TERMS_A_LINE = 16
const namesOf = (visits: readonly VisitColumn[]): readonly string[] => visits.map(({ name }) => name)

/** The programme whose best solution gets most apprentices there, among those leaves fewest needs open, and among those asks for fewest visits. */
export function programmeOf(given: CoverCase): Programme {
  const { learners, offers } = given
  const needs = needsIn(learners)
  const isOf = (need: (typeof needs)[number], l: number, o: number) =>
    need.learner === l && serves(offers[o]!, learners[l]!, need, need.trims)
  const visits = learners.flatMap((_, learner) =>
    offers.flatMap((_offer, offer) =>
      needs.some((need) => isOf(need, learner, offer)) ? [{ name: `x${learner}_${offer}`, learner, offer }] : []
    )
  )
  const own = (n: number) => visits.filter(({ learner, offer }) => isOf(needs[n]!, learner, offer))
  const { rows, kinds } = needRows(given, needs, own)
  // who is there has nothing left open
  const there = learners.flatMap(({ canFinish }, l) => (canFinish && needs.some(({ learner }) => learner === l) ? [l] : []))
  for (const l of there)
    needs.forEach(({ learner, count }, n) => {
      if (learner === l) rows.push(`f${l}_${n}: u${n} + ${count} f${l} <= ${count}`)
    })
  rows.push(...limitRows(given, visits))
  const worth = 1 + needs.reduce((all, { count }) => all + count, 0)
  const goal = [...needs.map((_, n) => `u${n}`), ...visits.map(({ name }) => `${VISIT_WEIGHT} ${name}`)]
  const bonus = there.map((l) => ` - ${worth} f${l}`).join('')
  const finished = there.map((l) => `f${l}`)
  const lp = [
    'Minimize',
    ` ${goal.length > 0 ? sum(goal) : '0 nothing'}${bonus}`,
    'Subject To',
    ...(rows.length > 0 ? rows.map((row) => ` ${row}`) : [' none: nothing <= 0']),
    ...(kinds.length > 0 ? ['Bounds', ...kinds.map((name) => ` 0 <= ${name} <= 1`)] : []),
    ...(finished.length > 0 ? ['Binary', ` ${sum(finished, ' ')}`] : []),
    ...(visits.length > 0 ? ['General', ` ${sum(namesOf(visits), ' ')}`] : []),
    'End',
    ''
  ].join('\n')
  return { lp, needs, visits }
}

/** Each need is met by its visits, or left open by `u`; what is counted once has a column of its own. */
function needRows(
  { offers }: CoverCase,
  needs: readonly Need[],
  own: (n: number) => readonly VisitColumn[]
): { readonly rows: string[]; readonly kinds: readonly string[] } {
  const [rows, once, kinds]: [string[], string[], string[]] = [[], [], []]
  needs.forEach((need, n) => {
    const visits = own(n)
    if (need.what === 'tries' || need.what === 'trims') {
      rows.push(`n${n}: ${sum([...namesOf(visits), `u${n}`])} >= ${need.count}`)
      return
    }
    // a coat or a dog is new once, however often it comes
    const kindsOf = [...new Set(visits.map(({ offer }) => kindOf(need, offers[offer]!)))]
    const columns = kindsOf.map((kind, c) => {
      const there = visits.filter(({ offer }) => kindOf(need, offers[offer]!) === kind)
      once.push(`c${n}_${c}: v${n}_${c} - ${sum(namesOf(there), ' - ')} <= 0`)
      return `v${n}_${c}`
    })
    kinds.push(...columns)
    rows.push(`n${n}: ${sum([...columns, `u${n}`])} >= ${need.count}`)
  })
  return { rows: [...rows, ...once], kinds }
}

/** No one takes more days than they have, no dog comes more often than it can, no more tables than there are. */
function limitRows({ learners, offers, dogVisits, most }: CoverCase, visits: readonly VisitColumn[]): readonly string[] {
  const row = (name: string, own: readonly VisitColumn[], limit: number) =>
    own.length > 0 ? [`${name}: ${sum(namesOf(own))} <= ${limit}`] : []
  return [
    ...learners.flatMap(({ days }, l) =>
      row(
        `d${l}`,
        visits.filter(({ learner }) => learner === l),
        days
      )
    ),
    ...[...dogVisits].flatMap(([dogId, times], d) =>
      row(
        `g${d}`,
        visits.filter(({ offer }) => offers[offer]!.dogId === dogId),
        times
      )
    ),
    ...row('t', visits, most)
  ]
}
