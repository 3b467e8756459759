// Valid examples of the functions whose arguments are long, or are functions: built here as the application builds them.
import {
  adviceRules,
  bodyById,
  certificates,
  coatFor,
  cutRegionsOf,
  houseRules,
  questions,
  rack,
  retiredTechniques,
  standards,
  techniqueName,
  techniqueWaits,
  techniques,
  trimFits
} from '@peen/content'
import type { AccountEvent } from '../src/certify'
import { NOTHING_FOUND } from '../src/checkin'
import { growthOf, type TrimPart } from '../src/coat'
import { newRaster } from '../src/figure'
import { answersAtTarget, gradeResult } from '../src/grade'
import { frameOf, NO_CORRECTIONS, plannedView, proposePlaces, toPx, type PhotoPoint, type Reading } from '../src/measure'
import { foldVisit } from '../src/practice'
import { at, ended, started } from '../src/practice/testing'
import { agreedTargets, sheetCaseOf, sheetOf } from '../src/setup'
import { randomFrom } from '../src/stats'
import { plan, supply, type Examples } from './planned'
import { board } from './board'

const [standard] = standards
const { steps } = standard.plan

// a table at which one step was ended and one runs
const state = foldVisit([started('a', {}, 2), ended('a', { minutes: 8 }, 10), started('b', {}, 12)])
const now = at(42)
const practice: Examples = {
  attemptMinutes: () => [state.attempts[0], state, now],
  countedAttempts: () => [state, () => []],
  notGradable: () => [state, NOTHING_FOUND, steps, { apprentice: 'Ada', cuts: () => true }],
  proposeAttempts: () => [state, now],
  staffHands: () => [[started('a', { hands: 'instructor' }, 2)], 'abe'],
  runningAttempt: () => [state],
  stepProgress: () => [steps, state],
  stillOpen: () => [state],
  undoneSteps: () => [steps, state],
  unworkedRegions: () => [state, steps, cutRegionsOf],
  workedMinutes: () => [state, now]
}

// a check-in of a dog that was burned on its left cheek
const burns = [{ region: 'cheek', side: 'left', by: { blade: '7F', direction: 'with', leftMm: 3.2 } }] as const
const visit = {
  ...{ standard, found: NOTHING_FOUND, known: true, house: {}, rack, excused: [], chosen: {} },
  dog: { facts: [], nose: null, skin: null, coatType: 'wire' as const, burns }
}
const shipped = {
  houseRules: houseRules.map((rule) => ({ ...rule, sides: rule.sides.map(String) })),
  regionsOf: cutRegionsOf,
  nameOf: techniqueName,
  waits: techniqueWaits
}
const asked = () => sheetCaseOf(visit, shipped)
const sheet = () => sheetOf(adviceRules, asked())
const work = () => standard.plan.work!
const ofWork: Examples = {
  isCut: () => ['clip'],
  newPass: () => ['clip', 'body-clip', rack],
  passAs: () => [work()[0].passes[0], 'scissor', rack],
  rowAs: () => [work()[0], 'leave', 'body-clip', rack],
  standardWithWork: () => [standard, work()],
  withTool: () => [work().find(({ passes }) => passes.length > 0)!.passes[0], rack[6]],
  placesTaken: () => [work(), 'body-clip'],
  lengthOfPlace: () => [work()[0]],
  lengthsOfWork: () => [work(), { house: {} }],
  planWithLength: () => [standard.plan, 'back', 3.2],
  settingPass: () => [work()[0]],
  standardAsWished: () => [standards[0], [{ work: 'skirtOff' }]],
  unsaidWork: () => [{ back: 3.2 }],
  workFor: () => [work(), { house: {} }],
  workSettled: () => [work(), { brows: 1 }],
  workWishesFor: () => [standards[0]],
  workWithLength: () => [work(), 'back', 3.2]
}
const accounts: AccountEvent[] = [
  { kind: 'founded', personId: 'lars', by: null, at: '2026-04-14T08:00:00.000Z' },
  { kind: 'made', personId: 'nel', by: 'lena', at: '2026-04-14T09:00:00.000Z' },
  { kind: 'welcomed', personId: 'nel', by: null, at: '2026-04-14T10:00:00.000Z' }
]
const ofAccounts: Examples = {
  mayConfirm: () => ['lars', 'nel', accounts, new Date('2026-04-14T11:00:00.000Z')],
  maySaySame: () => ['lars', { personId: 'nel', otherId: 'nell', same: true }, accounts, new Date('2026-04-14T11:00:00.000Z')],
  sameAccounts: () => [accounts],
  signingRight: () => ['nel', accounts, new Date('2026-04-14T11:00:00.000Z')]
}
const setup: Examples = {
  adviceInPlan: () => [adviceRules, work(), { region: 'back', coat: 'wire', facts: new Set(), house: {}, rack }, 3.2],
  agreedTargets: () => [sheet()],
  cameInLengths: () => [standard.plan, 6, { house: {} }],
  usualGrowthMm: () => [],
  factsAt: () => ['cheek', 'left', { facts: new Set(), burns }],
  factsToday: () => [visit.dog, NOTHING_FOUND, true],
  fitOf: () => [trimFits, standard.id, 'wire'],
  gateStep: () => [steps, techniqueWaits],
  groupLines: () => [sheet().lines],
  layOut: () => [sheet(), rack],
  minutesOfWalk: () => [steps],
  orderedSteps: () => [steps, { 'nails-when': 1, order: 1 }],
  sayTarget: () => [agreedTargets(sheet())[0], (mm: number) => `${mm} mm`],
  sayPass: () => [sheet().lines.find(({ passes }) => passes.length > 0)!.passes[0]],
  sayTool: () => [sheet().lines[0]],
  sheetCaseOf: () => [visit, shipped],
  sheetOf: () => [adviceRules, asked()],
  stepsByTargets: () => [steps, agreedTargets(sheet()), rack, { nameOf: techniqueName, regionsOf: cutRegionsOf }]
}

// a clipped coat
const growing = () => growthOf([{ mmPerDay: 0.3, uMmPerDay: 0.05 }])
const parts: readonly TrimPart[] = [{ region: 'back', targetMm: 3.2, grownOutMm: 12 }]
const coat: Examples = {
  entriesOfWork: () => [
    { attemptId: 'a', techniqueId: 'body-clip', regions: ['back'], side: 'both', toolId: 'blade-7f', direction: 'with', hands: 'b' },
    { visitId: 's', on: '2026-03-02', lengthsMm: { back: 3.2 }, rack, work: work(), pulls: new Set(), cutsAt: cutRegionsOf }
  ],
  mending: () => [[], 10],
  lengthsThen: () => [parts, 4, growing],
  trimInterval: () => [parts, 'wire', 'weekly', growing]
}

const right = answersAtTarget(standard)
const mark = () => gradeResult(standard, { answers: right, critical: [], burns: [], seedText: 'an example' })

// the plan of a dog as it would be read off a picture of it
const drawn = coatFor('highland', 'flower')
const planned = plannedView({ body: bodyById('highland'), withersMm: 275, coat: drawn, lengths: drawn.lengths }, 'left')
const frame = frameOf(
  'left',
  { widthPx: 1600, heightPx: 1200 },
  {
    ...{ what: 'board', upright: true, lengthMm: 100, behindMm: 0, behindUMm: 2, cameraMm: 2000, endUPx: 0.5, check: null },
    ends: [
      [1500, 300],
      [1500, 600]
    ]
  }
)
const reading: Reading = {
  ...{ frame, depths: planned.depths, places: {}, lines: {} },
  outline: planned.outline.map(([x, y]) => toPx(frame, [x - 60, y + 140], planned.depths.edge.mm)),
  edgeUPx: planned.outline.map(() => 0.5)
}
const { laid } = proposePlaces(reading.frame, reading.outline, planned)
const ring: readonly PhotoPoint[] = Array.from({ length: 24 }, (_, i) => [100 + 80 * Math.cos(i / 3.82), 100 + 80 * Math.sin(i / 3.82)])
/** A dark round on a light ground, 200 px wide. */
const picture = () => {
  const rgba = new Uint8ClampedArray(200 * 200 * 4)
  for (let i = 0; i < 200 * 200; i++) {
    const value = Math.hypot((i % 200) - 100, Math.floor(i / 200) - 100) < 80 ? 30 : 220
    rgba.set([value, value, value, 255], 4 * i)
  }
  return { width: 200, height: 200, rgba }
}
const measure: Examples = {
  ...board,
  asSeen: () => [planned, frame],
  averageOf: () => [[{ value: 4, u: 1, common: 0.2 }]],
  averaged: () => [
    [{ id: 'topline', side: 'whole', unit: 'mm', value: 4, u: 1, common: 0.2 }],
    [[{ id: 'topline', side: 'whole', unit: 'mm', value: 5, u: 1, common: 0.2 }]]
  ],
  cutOff: () => [
    [{ region: 'back', byMm: 3, overSkinMm: 40, uMm: 2, n: 30 }],
    [{ region: 'back', byMm: 1, overSkinMm: 18, uMm: 2, n: 30 }],
    'left'
  ],
  grownLike: () => [reading, () => planned],
  grownView: () => [{ body: bodyById('highland'), withersMm: 275, coat: { ...coatFor('highland', 'flower') }, lengths: {} }, 'left', 20],
  departuresFrom: () => [reading, planned, laid],
  drawnTrace: () => [reading, randomFrom(1)],
  evenly: () => [ring, 5],
  layOutline: () => [ring, ring, true],
  measuringPlaneMm: () => [bodyById('highland'), 275, 'rear'],
  sideSeen: () => ['left'],
  shapeTouches: () => ['left'],
  shapeHere: () => [
    reading.frame,
    planned,
    [
      [100, 100],
      [300, 120]
    ]
  ],
  otherOver: () => [reading, reading, planned],
  sidesCompared: () => [
    [{ region: 'skirt', byMm: 3, overSkinMm: 20, uMm: 2, n: 30 }],
    [{ region: 'skirt', byMm: 1, overSkinMm: 18, uMm: 2, n: 30 }]
  ],
  onto: () => [ring, [100, 0], 'above'],
  overlap01: () => [ring, ring],
  taubin: () => [ring],
  toPlane: () => [
    [1, 0, 0, 0, 1, 0, 0, 0, 1],
    [3, 4]
  ],
  perimeter: () => [ring],
  uncrossedRing: () => [ring],
  radiusAt: () => [ring, [100, 100], 3],
  reachAt: () => [ring, [100, 100], 3, 0.5],
  findBesideRuler: () => [picture(), 'head', { backdrop: [], strokes: [], anchors: [] }, 1, null],
  findOutline: () => [picture(), 'head'],
  laidRigid: () => [reading, planned, laid],
  onDarkSpots: () => [picture(), { eye: [100, 100] }],
  plannedInPicture: () => [reading, planned, laid],
  plannedTrace: () => [planned, 'left'],
  proposePlaces: () => [reading.frame, reading.outline, planned],
  disagreementsOf: () => [reading.frame, reading.outline, planned, laid, NO_CORRECTIONS],
  readingOf: () => [{ ...reading, places: {} }, frame, planned.depths],
  regionDepartures: () => [reading, planned, laid],
  simulate: () => [{ back: 3 }, () => ({ back: 3 }), { seed: 1 }]
}

/** By subject and function: the arguments of a call that works, made afresh at each call. */
export const WRITTEN: Readonly<Record<string, Examples>> = {
  ...{ practice, setup, coat, measure, plan, supply, standard: ofWork },
  advice: { coatTypeOf: () => ['hard wire coat'] },
  certify: {
    ...ofAccounts,
    missingSigners: () => [[{ id: 'a', name: 'Ada', role: 'lead' }], { candidateId: 'b', markedBy: null, workedOnDog: new Set() }],
    sayRule: () => [certificates[0].rules[0], { technique: techniqueName, criterion: String, certificate: String, question: String }]
  },
  changes: {
    changesBetween: () => [{ lengthMm: 3 }, { lengthMm: 6 }],
    memberId: () => [{ id: 'skirt' }],
    putTogether: () => [{ lengthMm: 3 }, { lengthMm: 6 }, { lengthMm: 3 }]
  },
  checkin: { readyToCut: () => [NOTHING_FOUND] },
  figure: {
    silhouetteOf: () => [[ring], 5],
    standingWide: () => [bodyById('highland'), 275, { foreleg: 30 }],
    isInside: () => [ring, 100, 100],
    paintPolygon: () => [newRaster(8, 8), Float32Array.from([1, 1, 6, 1, 6, 6]), [0, 0, 0], 1]
  },
  grade: {
    differencesOf: () => [mark(), mark()],
    isPairRead: () => [standard, right, 'none'],
    pictureReport: () => [reading, planned, standard, ['footLine'], 1]
  },
  regions: { isRegionId: () => ['back'], regionName: () => ['back'], regionOf: () => ['back'] },
  stats: { normalDraw: () => [randomFrom(1)] },
  technique: {
    answersStanding: () => [[{ questionId: 'why-pull', right: true, onDate: '2026-03-02' }]],
    nowCalled: () => ['ear-straight-up', retiredTechniques],
    questionIssues: () => [questions, techniques, retiredTechniques],
    retirementIssues: () => [retiredTechniques, techniques],
    successorOf: () => ['set-shape', retiredTechniques],
    successorsOf: () => [['set-shape', 'pads'], retiredTechniques],
    upToDate: () => [techniques[0], techniques[0], retiredTechniques],
    waitsForGate: () => [techniques[0]],
    catalogueIssues: () => [techniques, new Set(rack.map(({ id }) => id))],
    comesBefore: () => [techniques, 'skirt-line']
  },
  tools: { bladeOf: () => [rack[0]], lengthLeft: () => [rack[0], 'with'], toolById: () => [rack, rack[0].id] },
  units: {
    inchFromMm: () => [25.4],
    mmFromInch: () => [1],
    mmOfFraction: () => ['1/2'],
    mmOfText: () => ['14 in', 'mm'],
    lengthsIn: () => ['3 mm', 'in'],
    sayLength: () => [3.2, 'mm'],
    giveOrTake: () => [0.7],
    sayNumber: () => [3.25],
    sayDay: () => ['2026-04-14'],
    sayAgo: () => [9],
    upperFirst: () => ['back'],
    lowerFirst: () => ['Back']
  }
}
