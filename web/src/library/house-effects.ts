// What the side that a school takes in a house rule changes, in sentences: in the trims, in the walk, in the advice, at the step.
import { adviceRules, techniqueName, type HouseRule } from '@peen/content'
import type { StandardHead } from '@peen/contract'
import { regionName } from '@peen/core/regions'
import { sayPass } from '@peen/core/setup'
import type { HouseSide, Pass, PlacePlan } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import { lowerFirst, upperFirst } from '@peen/core/units'

type School = { readonly standards: readonly StandardHead[]; readonly tools: readonly Tool[] }

/** Rules whose side moves steps of the walk, or is read in a computation, with what it does. */
const COMPUTED: Readonly<Record<string, readonly string[]>> = {
  'sprout-weeks': [
    'Coat books, dates and warnings count 4 weeks from a pull to new hair.',
    'Coat books, dates and warnings count 6 weeks from a pull to new hair.'
  ],
  'nails-when': [
    'Nails come where the trim has them: after drying, before anything is cut.',
    'Nails come after the last work at the feet.'
  ],
  'feet-bath': [
    'Clean feet are clipped once over before the bath, and once more after it.',
    'Clean feet are clipped once, after the bath.'
  ],
  'comb-base': ['Every comb is put over a 30.', 'Every comb is put over a 10.'],
  order: ['A stripped dog is worked in the order of its trim.', 'On a stripped dog head and transitions come before the body.'],
  'round-head': [
    'A round head is worked in the order of its trim.',
    'On a round head the visor comes first.',
    'On a round head fringe and jaw strip come first.',
    'On a round head eyes and crown come first.'
  ],
  knives: ['No knife is offered for pulling.', 'A blunted knife may be taken for pulling.'],
  chalk: ['Chalk is on the list of what is laid out.', 'Chalk is on the list of what is laid out.'],
  fingers: ['Finger cots are on the list of what is laid out.', 'Finger cots are not on the list of what is laid out.'],
  product: ['Spray is laid out for long coats only.', 'Spray is laid out for every dog.'],
  'adjustable-blade': [
    'Adjustable blades are offered after the blades of one length. Nicks and burns are counted for each tool in the rack.',
    'No adjustable blade is offered. Nicks and burns are counted for each tool in the rack.'
  ],
  'feet-light': ['A light foot on a dog new to the school gets a 15.', 'A light foot on a dog new to the school gets a 30.'],
  'ear-hair': ['A step is added: hair that comes by itself is pulled from the ear.', 'No hair is pulled from a healthy ear.'],
  'tail-band': ['The band is measured by the pin bones.', 'The band is measured by the 2 in comb, 50.8 mm.']
}

/** What the side of a rule changes; never empty: one that computes nothing says that it is shown at its steps. */
export function effectsOf(rule: HouseRule, side: number, school: School): readonly string[] {
  const trims = school.standards.filter(({ id, retired }, i, all) => !retired && all.findIndex((other) => other.id === id) === i)
  const variants = trims.flatMap(({ name, variants: own }) =>
    own.filter((one) => one.rule === rule.id && one.side === side).map(({ says }) => `Changes “${name}”: ${lowerFirst(says)}.`)
  )
  const advice = adviceRules
    .filter(({ when }) => when.house?.id === rule.id && when.house.side === side)
    .map(({ say }) => `Changes the advice: ${say}`)
  const shown = rule.shownAt?.map((id) => lowerFirst(techniqueName(id))).join(', ')
  return [
    ...[COMPUTED[rule.id]?.[side] ?? []].flat(),
    ...variants,
    ...workSentences(rule.id, side, trims, school.tools),
    ...advice,
    ...(shown ? [`${rule.informs ? 'Changes no length and no tool. ' : ''}It is said at the step: ${shown}.`] : [])
  ]
}

/** "Eye corner: small face scissors (14 trims)." */
function workSentences(id: string, side: number, trims: readonly StandardHead[], rack: readonly Tool[]): readonly string[] {
  const is = (by: HouseSide | undefined) => by?.id === id && by.side === side
  const found = new Map<string, { places: Set<string>; trims: Set<string> }>()
  for (const { name, plan } of trims)
    for (const row of plan.work ?? [])
      for (const words of wordsOf(row, is, rack)) {
        const one = found.get(words) ?? { places: new Set(), trims: new Set() }
        one.places.add(lowerFirst(regionName(row.place)))
        one.trims.add(name)
        found.set(words, one)
      }
  return [...found].map(([words, { places, trims: names }]) => `${upperFirst([...places].join(', '))}: ${words} (${some([...names])}).`)
}

function wordsOf(row: PlacePlan, is: (by: HouseSide | undefined) => boolean, rack: readonly Tool[]): readonly string[] {
  if (is(row.house)) return [row.does === 'leave' ? 'left alone' : row.passes.map((pass) => inWords(pass, rack)).join(', then ')]
  return row.passes.filter(({ house }) => is(house)).map((pass) => inWords(pass, rack))
}

function inWords(pass: Pass, rack: readonly Tool[]): string {
  const tool = rack.find(({ id }) => id === pass.tools[0])
  const choice = tool ? { tool, direction: null, lengthMm: null } : null
  const where = pass.where ?? null
  return `${sayPass({ ...pass, choice, overBlade: '30', share: pass.share ?? null, where })}${where ? `, ${where}` : ''}`
}

const MOST = 3
const some = (names: readonly string[]) => (names.length <= MOST ? names.map((name) => `“${name}”`).join(', ') : `${names.length} trims`)
