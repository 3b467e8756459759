// The people, dogs and tables of Ferrin Quay, an invented school. No real person, dog or place.
import type { DogFact } from '@peen/core/advice'
import type { DogProfileMore } from '@peen/contract'
import type { BurnPlace } from '@peen/core/grade'

export const SEED = 20260414
/** the coats have a stream of their own: what is added to them moves nothing else */
export const COATS_SEED = 20260415
export const CALENDAR_SEED = 20260427
export const MORE_SEED = 20260802
export const OWNERS_SEED = 20260416
export const TODAY = '2026-04-14'
/** 10:42 in the school's own zone */
export const NOW = new Date('2026-04-14T09:42:00.000Z')
export const ZONE = 'Europe/London'
export const PASSWORD = 'porcelain-7F'

export const SCHOOL = { name: 'Ferrin Quay', room: 'grooming room', roomWidthMm: 12000, roomDepthMm: 9200 }

export type Staff = {
  readonly key: string
  readonly given: string
  readonly family: string
  readonly role: 'lead' | 'instructor'
  /** levels and millimetres added to every mark: below nought is severe */ readonly leaning: number
}

export const STAFF: readonly Staff[] = [
  { key: 'ottilie', given: 'Ottilie', family: 'Marsh', role: 'lead', leaning: -0.5 },
  { key: 'anneke', given: 'Anneke', family: 'Voss', role: 'lead', leaning: 0 },
  { key: 'ruben', given: 'Ruben', family: 'Castell', role: 'instructor', leaning: 0.4 },
  { key: 'mira', given: 'Mira', family: 'Dahl', role: 'instructor', leaning: 0 },
  { key: 'hollis', given: 'Hollis', family: 'Brandt', role: 'instructor', leaning: 0.1 }
]

export type Apprentice = {
  readonly key: string
  readonly given: string
  readonly family: string
  readonly cohort: 'Autumn' | 'Spring'
  readonly handed: 'left' | 'right'
  /** share of attempts that are not clean at first and in the end, and the attempts in which it falls by two thirds */
  readonly fails: readonly [start: number, end: number, tau: number]
  readonly lastVisit?: string
  readonly story?: 'plateau' | 'lapsed' | 'held' | 'slips' | 'ready' | 'leftHanded'
}

export const APPRENTICES: readonly Apprentice[] = [
  { key: 'tove', given: 'Tove', family: 'Lind', cohort: 'Autumn', handed: 'right', fails: [0.3, 0.0, 4], story: 'ready' },
  { key: 'bram', given: 'Bram', family: 'Velde', cohort: 'Autumn', handed: 'right', fails: [0.35, 0.04, 7] },
  { key: 'marek', given: 'Marek', family: 'Sosna', cohort: 'Autumn', handed: 'right', fails: [0.4, 0.06, 8], story: 'held' },
  { key: 'pia', given: 'Pia', family: 'Rook', cohort: 'Autumn', handed: 'right', fails: [0.3, 0.03, 5], story: 'slips' },
  { key: 'jun', given: 'Jun', family: 'Hale', cohort: 'Autumn', handed: 'right', fails: [0.3, 0.24, 6], story: 'plateau' },
  {
    key: 'sami',
    given: 'Sami',
    family: 'Toft',
    cohort: 'Autumn',
    handed: 'right',
    fails: [0.35, 0.08, 8],
    lastVisit: '2026-01-30',
    story: 'lapsed'
  },
  { key: 'ines', given: 'Ines', family: 'Okoro', cohort: 'Spring', handed: 'left', fails: [0.35, 0.04, 5], story: 'leftHanded' },
  { key: 'dilys', given: 'Dilys', family: 'Arne', cohort: 'Spring', handed: 'right', fails: [0.45, 0.08, 8] },
  { key: 'noor', given: 'Noor', family: 'Basri', cohort: 'Spring', handed: 'right', fails: [0.35, 0.05, 6] },
  { key: 'kit', given: 'Kit', family: 'Larkin', cohort: 'Spring', handed: 'left', fails: [0.5, 0.1, 9] },
  { key: 'enzo', given: 'Enzo', family: 'Falk', cohort: 'Spring', handed: 'right', fails: [0.4, 0.07, 7] },
  { key: 'ada', given: 'Ada', family: 'Quill', cohort: 'Spring', handed: 'right', fails: [0.3, 0.05, 6] }
]

export const COHORT_START = { Autumn: '2025-08-18', Spring: '2025-10-13' } as const

export type Dog = {
  readonly key: string
  readonly name: string
  /** bearded where it is not said */
  readonly body?: string
  readonly profile?: Partial<DogProfileMore>
  readonly coat: string
  readonly colour: string
  readonly withersMm: number
  readonly canStandMin: number
  readonly temperament: string
  readonly dislikes: string
  readonly burns?: readonly BurnPlace[]
  readonly facts?: readonly DogFact[]
  readonly owner?: string
}

export const DOGS: readonly Dog[] = [
  {
    key: 'flint',
    name: 'Flint',
    coat: 'wire',
    colour: 'pepper',
    withersMm: 340,
    canStandMin: 130,
    temperament: 'steady',
    dislikes: 'the dryer near his ears',
    owner: 'Maren'
  },
  {
    key: 'slate',
    name: 'Slate',
    coat: 'soft wire',
    colour: 'black',
    withersMm: 335,
    canStandMin: 125,
    temperament: 'lively',
    dislikes: 'having the near fore lifted',
    owner: 'Tobias'
  },
  {
    key: 'wren',
    name: 'Wren',
    coat: 'soft wire',
    colour: 'white',
    withersMm: 325,
    canStandMin: 120,
    temperament: 'shy',
    dislikes: 'having the ear leather held',
    facts: ['light', 'pink'],
    owner: 'Ilse'
  },
  {
    key: 'otter',
    name: 'Otter',
    coat: 'wire',
    colour: 'pepper',
    withersMm: 350,
    canStandMin: 140,
    temperament: 'steady',
    dislikes: 'nothing we know of',
    owner: 'Caspar'
  },
  {
    key: 'bracken',
    name: 'Bracken',
    coat: 'wire',
    colour: 'wheaten',
    withersMm: 345,
    canStandMin: 48,
    temperament: 'old, tires early',
    dislikes: 'standing on the off hind',
    owner: 'Henrike'
  },
  {
    key: 'saffron',
    name: 'Saffron',
    coat: 'soft wire',
    colour: 'wheaten',
    withersMm: 330,
    canStandMin: 150,
    temperament: 'easy',
    dislikes: 'nothing we know of',
    owner: 'Jory'
  },
  {
    key: 'biscuit',
    name: 'Biscuit',
    coat: 'soft curly',
    colour: 'white',
    withersMm: 330,
    canStandMin: 135,
    temperament: 'easy',
    dislikes: 'the comb in the skirt',
    facts: ['light', 'pink', 'feetSore'],
    owner: 'Runa'
  },
  {
    key: 'ember',
    name: 'Ember',
    coat: 'wire',
    colour: 'black',
    withersMm: 340,
    canStandMin: 120,
    temperament: 'pulls',
    dislikes: 'nail work',
    burns: [{ region: 'cheek', side: 'left' }],
    owner: 'Aldo'
  },
  {
    key: 'tansy',
    name: 'Tansy',
    coat: 'soft curly',
    colour: 'pepper',
    withersMm: 332,
    canStandMin: 115,
    temperament: 'steady',
    dislikes: 'hands at the tail',
    owner: 'Sunniva'
  },
  {
    key: 'rook',
    name: 'Rook',
    coat: 'wire',
    colour: 'black',
    withersMm: 348,
    canStandMin: 130,
    temperament: 'steady',
    dislikes: 'the clipper sound',
    owner: 'Petra'
  },
  {
    key: 'plum',
    name: 'Plum',
    coat: 'soft wire',
    colour: 'pepper',
    withersMm: 328,
    canStandMin: 125,
    temperament: 'lively',
    dislikes: 'standing still',
    owner: 'Lorcan'
  },
  {
    key: 'ash',
    name: 'Ash',
    coat: 'wire',
    colour: 'pepper',
    withersMm: 342,
    canStandMin: 130,
    temperament: 'steady',
    dislikes: 'nothing we know of',
    owner: 'Willa'
  },
  {
    key: 'nettle',
    name: 'Nettle',
    coat: 'soft curly',
    colour: 'black',
    withersMm: 335,
    canStandMin: 110,
    temperament: 'shy',
    dislikes: 'strangers at the head',
    owner: 'Emre'
  },
  {
    key: 'juniper',
    name: 'Juniper',
    coat: 'wire',
    colour: 'wheaten',
    withersMm: 338,
    canStandMin: 130,
    temperament: 'steady',
    dislikes: 'wet feet',
    owner: 'Odile'
  }
]

/** Dogs that come for another trim; none of them has stood on a table here before today. */
export const POODLES: readonly Dog[] = [
  {
    key: 'fable',
    name: 'Fable',
    body: 'poodle',
    coat: 'soft curly',
    colour: 'apricot',
    withersMm: 430,
    canStandMin: 170,
    temperament: 'steady',
    dislikes: 'hands between the toes',
    owner: 'Brannoc',
    profile: { breed: 'poodle', bornOn: '2021-06-02', weightKg: 11.5, nose: 'brown', skin: 'grey', own: { muzzleMm: 86, backMm: 330 } }
  },
  {
    key: 'inkling',
    name: 'Inkling',
    body: 'poodle',
    coat: 'soft curly',
    colour: 'ink',
    withersMm: 270,
    canStandMin: 120,
    temperament: 'lively',
    dislikes: 'the blade at the throat',
    facts: ['takes40'],
    owner: 'Solvei',
    profile: { breed: 'toy poodle', bornOn: '2023-02-11', weightKg: 4.2, nose: 'black', skin: 'grey' }
  },
  {
    key: 'meringue',
    name: 'Meringue',
    body: 'poodle',
    coat: 'soft curly',
    colour: 'cream',
    withersMm: 380,
    canStandMin: 160,
    temperament: 'easy',
    dislikes: 'nothing we know of',
    facts: ['light'],
    owner: 'Tamsin',
    profile: {
      breed: 'poodle',
      bornOn: '2019-09-20',
      weightKg: 9.1,
      nose: 'pink',
      skin: 'pink',
      flatFootMm: 5,
      earHistory: 'inflamed in 2025, plucked never'
    }
  },
  {
    key: 'thistle',
    name: 'Thistle',
    body: 'highland',
    coat: 'wire',
    colour: 'white',
    withersMm: 280,
    canStandMin: 125,
    temperament: 'bold',
    dislikes: 'the comb at its beard',
    owner: 'Ilva',
    profile: { breed: 'white highland-type terrier', bornOn: '2022-05-11', weightKg: 8.2, nose: 'black', skin: 'pink' }
  }
]

/** Tables where they stand: mm from the room's left wall and from the window wall, turned by degrees. */
export const TABLES = [
  { number: 1, xMm: 480, yMm: 400, turnDeg: 0 },
  { number: 2, xMm: 4260, yMm: 400, turnDeg: 0 },
  { number: 3, xMm: 8010, yMm: 400, turnDeg: 0 },
  { number: 4, xMm: 690, yMm: 3300, turnDeg: -3 },
  { number: 5, xMm: 4420, yMm: 3300, turnDeg: 0 },
  { number: 6, xMm: 8140, yMm: 3300, turnDeg: 3 },
  { number: 7, xMm: 480, yMm: 6200, turnDeg: 0 },
  { number: 8, xMm: 4260, yMm: 6200, turnDeg: 0 }
] as const

export type Today = {
  readonly apprentice: string
  readonly dog: string
  readonly table: number
  readonly startedMinAgo: number
  /** the step that is under way, or comes next */
  readonly at: string
  readonly under: boolean
}

/** The morning of the demo's day: who stands where, how many steps are done, whether the next one is under way. */
/** The day was opened well before the dog that has stood longest came on its table. */
export const OPENED_MIN_AGO = 115

export const TODAYS_TABLES: readonly Today[] = [
  { apprentice: 'bram', dog: 'flint', table: 1, startedMinAgo: 38, at: 'skim-off', under: true },
  { apprentice: 'tove', dog: 'ash', table: 2, startedMinAgo: 71, at: 'rear-leg', under: true },
  { apprentice: 'marek', dog: 'otter', table: 3, startedMinAgo: 57, at: 'ear-leather', under: false },
  { apprentice: 'pia', dog: 'saffron', table: 4, startedMinAgo: 101, at: 'last-look', under: true },
  { apprentice: 'jun', dog: 'biscuit', table: 5, startedMinAgo: 64, at: 'cylinder-leg', under: true },
  { apprentice: 'enzo', dog: 'wren', table: 6, startedMinAgo: 31, at: 'body-clip', under: false },
  { apprentice: 'dilys', dog: 'bracken', table: 7, startedMinAgo: 42, at: 'skim-off', under: true }
]

/** Finished yesterday afternoon, and still to be graded. */
export const UNGRADED = {
  apprentice: 'tove',
  dog: 'thistle',
  table: 3,
  onDate: '2026-04-13',
  standardId: 'flower',
  assessor: 'ottilie'
} as const

/** Planned and not begun. */
export const PLANNED = [
  { apprentice: 'noor', dog: 'fable', table: 8, onDate: TODAY, wishes: 'Ears left long' },
  { apprentice: 'kit', dog: 'meringue', table: 2, onDate: '2026-04-15', wishes: '' }
] as const
