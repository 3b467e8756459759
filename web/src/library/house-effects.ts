// What the side that a school takes in a house rule changes, in sentences: in the trims, in the walk, in the advice, at the step.
import { adviceRules, techniqueName, type HouseRule } from '@peen/content'
import type { StandardHead } from '@peen/contract'
import { regionName } from '@peen/core/regions'
import { sayPass } from '@peen/core/setup'
import type { HouseSide, Pass, PlacePlan } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import { lowerFirst, upperFirst } from '@peen/core/units'
import { t } from '../words'

type School = { readonly standards: readonly StandardHead[]; readonly tools: readonly Tool[] }

/** Rules whose side moves steps of the walk, or is read in a computation, with what it does. */
const COMPUTED: Readonly<Record<string, readonly string[]>> = {
  'sprout-weeks': [t('library.coatBooksDatesWarningsAllow'), t('library.coatBooksDatesWarningsAllow2')],
  'nails-when': [t('library.nailsComeWhereTrimHas'), t('library.nailsComeAfterLastWork')],
  'feet-bath': [t('library.cleanFeetClippedOnceOver'), t('library.cleanFeetClippedOnceAfter')],
  'comb-base': [t('library.everyCombGoesOver30'), t('library.everyCombGoesOver10')],
  order: ['A stripped dog is worked in the order of its trim.', t('library.strippedDogHeadTransitionsCome')],
  'round-head': [
    'A round head is worked in the order of its trim.',
    t('library.roundHeadVisorComesFirst'),
    t('library.roundHeadFringeJawStrip'),
    t('library.roundHeadEyesCrownCome')
  ],
  knives: [t('library.noKnifeOfferedPulling'), 'A blunted knife may be taken for pulling.'],
  chalk: [t('library.chalkListThingsLayOut'), t('library.chalkListThingsLayOut')],
  fingers: [t('library.fingerCotsListThingsLay'), t('library.fingerCotsNotListThings')],
  product: [t('library.sprayLaidOutLongCoats'), t('library.sprayLaidOutEveryDog')],
  'adjustable-blade': [t('library.adjustableBladesOfferedAfterBlades'), t('library.noAdjustableBladeOfferedNicks')],
  'feet-light': ['A light foot on a dog new to the school gets a 15.', 'A light foot on a dog new to the school gets a 30.'],
  'ear-hair': ['A step is added: hair that comes by itself is pulled from the ear.', t('library.noHairPulledFromHealthy')],
  'tail-band': [t('library.bandMeasuredFromPinBones'), t('library.bandMeasured2Comb50')]
}

/** What the side of a rule changes; never empty: one that computes nothing says that it is shown at its steps. */
export function effectsOf(rule: HouseRule, side: number, school: School): readonly string[] {
  const trims = school.standards.filter(({ id, retired }, i, all) => !retired && all.findIndex((other) => other.id === id) === i)
  const variants = trims.flatMap(({ name, variants: own }) =>
    own
      .filter((one) => one.rule === rule.id && one.side === side)
      .map(({ says }) => t('library.changesNameSays', { name, says: lowerFirst(says) }))
  )
  const advice = adviceRules
    .filter(({ when }) => when.house?.id === rule.id && when.house.side === side)
    .map(({ say }) => t('library.changesAdviceSay', { say }))
  const shown = rule.shownAt?.map((id) => lowerFirst(techniqueName(id))).join(', ')
  return [
    ...[COMPUTED[rule.id]?.[side] ?? []].flat(),
    ...variants,
    ...workSentences(rule.id, side, trims, school.tools),
    ...advice,
    ...(shown ? [t('library.informsShownStepShown', { informs: rule.informs ? t('library.changesNoLengthNoTool') : '', shown })] : [])
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
  if (is(row.house))
    return [row.does === 'leave' ? t('library.leftAlone') : row.passes.map((pass) => inWords(pass, rack)).join(t('library.then'))]
  return row.passes.filter(({ house }) => is(house)).map((pass) => inWords(pass, rack))
}

function inWords(pass: Pass, rack: readonly Tool[]): string {
  const tool = rack.find(({ id }) => id === pass.tools[0])
  const choice = tool ? { tool, direction: null, lengthMm: null } : null
  const where = pass.where ?? null
  return `${sayPass({ ...pass, choice, overBlade: '30', share: pass.share ?? null, where })}${where ? `, ${where}` : ''}`
}

const MOST = 3
const some = (names: readonly string[]) =>
  names.length <= MOST ? names.map((name) => `“${name}”`).join(', ') : t('library.nTrims', { n: names.length })
