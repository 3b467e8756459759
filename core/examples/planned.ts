// Valid examples of what plans ahead: a coat back from its day, and the dogs that a cohort still needs.
import { standards } from '@peen/content'
import { COAT_RULES, coatModel } from '../src/coat'
import { USUAL_OPENING } from '../src/day'

export type Examples = Readonly<Record<string, () => readonly unknown[]>>
const [standard] = standards

// a stripped coat, four months before a show
const stripped = () =>
  coatModel({ entries: [], dog: { bornOn: null, today: '2026-04-14' }, isWire: true, sproutDays: 28, rules: COAT_RULES })
const hair = { growth: { mmPerDay: 0.3, u: 0.05 }, sproutDays: 28, terminalMm: 55 }
const coatFacts = {
  lines: [{ id: 'l', on: '2026-01-10', place: 'chest', side: 'both', act: { kind: 'pulled', how: 'all' }, hands: null, struck: null }],
  dog: { bornOn: null, coatType: 'wire', canStandMin: 60 },
  ...{
    today: '2026-04-14',
    isWire: true,
    sproutDays: 28,
    rules: COAT_RULES,
    standard,
    house: {},
    aim: { aimOn: '2026-05-30' },
    opening: USUAL_OPENING,
    off: []
  }
}
export const plan: Examples = {
  chanceReady: () => [9, 60, hair],
  daysNeeded: () => [9, hair],
  surelyMm: () => [60, hair],
  planBack: () => [
    { model: stripped(), aimDay: stripped().today + 120, wanted: [{ place: 'chest', mm: 9, minutes: 10 }], canStandMin: 60 }
  ],
  wantedOf: () => [standard.plan],
  growOut: () => [{ model: stripped(), lengthsMm: { foreleg: 30 }, everyDays: 42 }],
  bordersOf: () => [standard.plan],
  pulledIn: () => [[{ day: 20600, how: 'strip', places: ['stripThroat'], minutes: 10 }]],
  caseOf: () => [coatFacts],
  backFor: () => [coatFacts, stripped()],
  movedOf: () => [
    [{ day: 20600, how: 'all', places: ['chest'], minutes: 10 }],
    [{ day: 20603, how: 'all', places: ['chest'], minutes: 10 }],
    20590
  ]
}

const learner = {
  id: 'tove',
  tries: [{ techniqueId: 'pads', tries: 2 }],
  trims: [],
  newCoats: 0,
  knownCoats: ['wire'],
  newDogs: 0,
  knownDogs: ['ash']
}
const cover = {
  learners: [{ ...learner, days: 9, canFinish: true }],
  offers: [{ id: 'ash pet', dogId: 'ash', coat: 'wire', trimId: 'bearded-pet', techniques: ['pads'] }],
  dogVisits: new Map([['ash', 2]]),
  most: 20
}
const need = { techniqueId: 'pads', tries: 3, because: 'signal', isHeld: false, newDogs: 0, newCoats: 0 }
const lately = { clean: 9, faulty: 1 }
export const supply: Examples = {
  beliefFrom: () => [lately, 0.05],
  chanceWithin: () => [20, { score: 4, limit: 14, k: 6 }, lately, lately],
  triesNeeded: () => [{ score: 4, limit: 14, k: 6 }, lately, lately],
  latelyOf: () => [[1, 2], (one: number) => one > 1],
  needsOf: () => [
    [{ kind: 'techniques', name: 'All', techniques: ['pads'] }],
    [false],
    {
      ...{ today: '2026-04-14', attempts: new Map(), trims: [], dogs: [], chart: { k: 6, limit: 14 }, charts: new Map() },
      ...{ beliefs: new Map(), usualBelief: lately }
    }
  ],
  together: () => [[{ techniques: [need], trims: 0, newDogs: 0, newCoats: 0, others: [] }]],
  programmeOf: () => [cover],
  greedyCover: () => [cover],
  coverFrom: () => [cover, () => 0]
}
