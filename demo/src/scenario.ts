import { techniqueById, type Technique } from '@peen/content'
import type { CheckIn, Excusal } from '@peen/contract'
import { excusedBy, NOTHING_FOUND, type Found } from '@peen/core/checkin'
import type { HelpLevel, PracticeEvent } from '@peen/core/practice'
import type { PlanStep, Standard } from '@peen/core/standard'
import {
  APPRENTICES,
  COATS_SEED,
  COHORT_START,
  MORE_SEED,
  DOGS,
  NOW,
  POODLES,
  SEED,
  STAFF,
  TABLES,
  TODAY,
  TODAYS_TABLES,
  type Apprentice
} from './cast'
import { COAT_DOGS } from './coats'
import { tapeFor, type Ids, type Tape } from './tape'
import { chanceFrom, type Chance } from './random'

export type DemoVisit = {
  readonly id: string
  readonly apprentice: string
  readonly dog: string
  readonly table: number
  readonly onDate: string
  readonly instructor: string
  readonly checkIn: CheckIn
  readonly found: Found | null
  readonly events: readonly PracticeEvent[]
  /** set on visits whose finished trim was graded: who marked it */
  readonly gradedBy: readonly string[]
  readonly sure01: number
  readonly closedAt: Date | null
}

/** `more` draws for steps that came later than the stories. */
type Chances = { readonly chance: Chance; readonly more: Chance }

export type Scenario = { readonly ids: Ids; readonly visits: readonly DemoVisit[]; readonly chance: Chance }

const DAY_MS = 86400000
const MINUTE_MS = 60000
/** What is hard to learn takes longer and keeps failing more often. */
const HARDNESS: Readonly<Record<string, number>> = {
  'leg-control': 0.6,
  nails: 0.7,
  pads: 0.7,
  'body-clip': 0.9,
  'skim-off': 1.3,
  'bearded-head': 1.6,
  'ear-leather': 1.5,
  'round-foot': 1.3,
  'cylinder-leg': 2,
  'rear-leg': 1.8,
  'skirt-line': 1.5,
  'brows-beard': 2.2,
  blend: 1.7
}

/** The order in which this school has always gone through its pattern; what the walk has besides follows its neighbour. */
const PRACTISED =
  'pads nails body-clip skim-off bearded-head ear-leather round-foot cylinder-leg rear-leg skirt-line brows-beard blend last-look'.split(
    ' '
  )
const FOLLOWS: Readonly<Record<string, readonly string[]>> = {
  pads: ['sanitary'],
  'skim-off': ['terrier-rear'],
  'ear-leather': ['eye-corners', 'bearded-head-scissors'],
  'skirt-line': ['chest-front', 'tail-shape'],
  blend: ['blow-shake']
}
const BEFORE = ['brush-out', 'bath', 'dry']
/** Steps with a draw of chance of their own, so that a longer walk changes no story. */
type Practised = { readonly step: PlanStep; readonly isMore: boolean }

function practised({ plan }: Standard, k: number | null): readonly Practised[] {
  const step = (technique: string) => plan.steps.find((one) => one.technique === technique)!
  const held = (i: number) => k === null || (i + k) % 3 !== 0
  const more = (ids: readonly string[] = []): Practised[] => ids.map((id) => ({ step: step(id), isMore: true }))
  const own = PRACTISED.flatMap((id, i) => (held(i) ? [{ step: step(id), isMore: false }, ...more(FOLLOWS[id])] : []))
  return [...more(BEFORE), ...own]
}

/** Handling is watched on every dog, beside the steps of the trim. */
const HANDLING: readonly PlanStep[] = [
  { technique: 'leg-control', label: 'Leg control', toolId: null, direction: null, minutes: 3 },
  { technique: 'chin-hold', label: 'Chin hold', toolId: null, direction: null, minutes: 3 }
]
const START_OF_TIME = new Date('2025-08-01T08:00:00.000Z')

/** The whole demo as inputs: who, which dogs, eight months of visits with their taps, and this morning's room. */
export function scenario(standard: Standard): Scenario {
  const chance = chanceFrom(SEED)
  const named = <K>(keys: readonly K[]) => new Map(keys.map((key) => [key, chance.id(START_OF_TIME)]))
  const ids: Ids = {
    person: named([...STAFF.map((person) => person.key), ...APPRENTICES.map((person) => person.key)]),
    dog: named([...DOGS, ...POODLES].map((dog) => dog.key)),
    table: named(TABLES.map((table) => table.number))
  }
  const coats = chanceFrom(COATS_SEED)
  const withCoats: Ids = { ...ids, dog: new Map([...ids.dog, ...COAT_DOGS.map((dog) => [dog.key, coats.id(START_OF_TIME)] as const)]) }
  const chances = { chance, more: chanceFrom(MORE_SEED) }
  const visits = APPRENTICES.flatMap((apprentice, i) => pastVisits(apprentice, i, standard, ids, chances))
  visits.push(...TODAYS_TABLES.map((today) => todaysVisit(today, standard, ids, chances)))
  return { ids: withCoats, visits: visits.sort((a, b) => (a.onDate < b.onDate ? -1 : a.onDate > b.onDate ? 1 : 0)), chance }
}

function pastVisits(apprentice: Apprentice, index: number, standard: Standard, ids: Ids, chances: Chances): DemoVisit[] {
  const dates = visitDates(apprentice, index)
  const tries = new Map<string, number>()
  const found: DemoVisit[] = []
  dates.forEach((onDate, k) => {
    const sure01 = Math.min(0.9, 0.12 + k / 34) * (apprentice.story === 'plateau' ? 0.6 : 1)
    const isGraded = k >= 8 && (k % 9 === 8 || k === dates.length - 1)
    // a graded trim is a whole trim; an ordinary day holds the steps of its stage
    const steps = [...HANDLING.map((step) => ({ step, isMore: false })), ...practised(standard, isGraded || k > 20 ? null : k)]
    const dog = DOGS[(index * 5 + k * 3) % DOGS.length].key
    found.push(oneVisit({ apprentice, onDate, k, steps, dog, sure01, isGraded, last: k === dates.length - 1 }, tries, ids, chances))
  })
  return found
}

function visitDates(apprentice: Apprentice, index: number): string[] {
  const first = Date.parse(COHORT_START[apprentice.cohort]) + (index % 5) * DAY_MS
  const end = Date.parse(apprentice.lastVisit ?? TODAY) - (apprentice.lastVisit ? 0 : 3 * DAY_MS)
  const dates: string[] = []
  for (let at = first, k = 0; at <= end; at += (k++ % 3 === 2 ? 9 : 7) * DAY_MS) dates.push(new Date(at).toISOString().slice(0, 10))
  return dates
}

type VisitPlan = {
  readonly apprentice: Apprentice
  readonly onDate: string
  readonly k: number
  readonly steps: readonly Practised[]
  readonly dog: string
  readonly sure01: number
  readonly isGraded: boolean
  readonly last: boolean
}

function oneVisit(plan: VisitPlan, tries: Map<string, number>, ids: Ids, { chance, more }: Chances): DemoVisit {
  const { apprentice, onDate, k, steps, dog, sure01, isGraded, last } = plan
  const opened = new Date(`${onDate}T08:${String(5 + (k % 4) * 5).padStart(2, '0')}:00.000Z`)
  const id = chance.id(opened)
  const instructor = STAFF[(k + apprentice.key.length) % STAFF.length].key
  const tape = tapeFor(id, ids.person.get(instructor)!, `tablet-${(k % 3) + 1}`, opened, chance)
  tape.add('visitOpened', {})
  for (const { step, isMore } of steps) {
    const drawn = isMore ? more : chance
    const technique = techniqueById(step.technique)!
    const n = tries.get(technique.id) ?? 0
    tries.set(technique.id, n + 1)
    const isFigure = !isMore && n === 0 && technique.family === 'scissoring'
    attempt(
      tape,
      technique,
      step,
      {
        misses: !isMore && missesNow(apprentice, technique, n, last, drawn),
        isFigure,
        serious: isSerious(apprentice, technique, onDate),
        hard: n < 6
      },
      drawn
    )
  }
  if (chance.happens(0.3))
    tape.add('praised', {
      attemptId: null,
      text: chance.pick(['Kept the leg low all the way.', 'Looked from the other side before cutting.', 'Stopped at the first fussing.'])
    })
  tape.add('visitClosed', {})
  const excused: Excusal[] = k % 11 === 5 ? [{ region: 'ribs', side: 'left', reason: 'a mat cut out by the last groomer' }] : []
  const assessors = isGraded
    ? [STAFF[(k + 2) % 3].key, ...(k % 2 === 0 && !last ? [STAFF[(k + 3) % 3].key] : [])].filter((key, i, all) => all.indexOf(key) === i)
    : []
  return {
    id,
    apprentice: apprentice.key,
    dog,
    table: (k % 8) + 1,
    onDate,
    instructor,
    found: {
      ...NOTHING_FOUND,
      gate: { dry: true, combed: true, by: ids.person.get(instructor)!, at: opened.toISOString(), house: {} },
      coat: excused.map(({ region, side }) => ({ kind: 'matCut', region, side, widthMm: 30 })),
      wishes: k % 4 === 0 ? [{ what: 'Brows a little longer', askedBy: 'the owner', length: null, rule: null }] : []
    },
    checkIn: { weeksSince: 5 + (k % 3), wishes: k % 4 === 0 ? 'Brows a little longer, asked for by the owner.' : '', excused },
    events: tape.events,
    gradedBy: apprentice.story === 'ready' && last ? ['ruben'] : assessors,
    sure01: apprentice.story === 'ready' ? 1.2 : sure01,
    closedAt: tape.now()
  }
}

function missesNow(apprentice: Apprentice, technique: Technique, n: number, last: boolean, chance: Chance): boolean {
  const [start, end, tau] = apprentice.fails
  if (apprentice.story === 'ready' && n >= 5) return false
  // Pia had the skirt line, and has lost it since
  if (apprentice.story === 'slips' && technique.id === 'skirt-line' && n >= 1) return n >= 16 && (n % 2 === 0 || last)
  const hard = HARDNESS[technique.id] ?? 1
  return chance.happens(Math.min(0.6, end * hard + (start - end) * Math.exp(-n / (tau * hard))))
}

function isSerious(apprentice: Apprentice, technique: Technique, onDate: string): boolean {
  return apprentice.story === 'held' && technique.id === 'ear-leather' && onDate >= '2026-03-20' && onDate < '2026-03-29'
}

type Manner = { readonly misses: boolean; readonly isFigure: boolean; readonly serious: boolean; readonly hard: boolean }

function attempt(tape: Tape, technique: Technique, step: PlanStep, manner: Manner, chance: Chance): void {
  const attemptId = chance.id(tape.now())
  tape.add(
    'attemptStarted',
    {
      attemptId,
      techniqueId: technique.id,
      regions: technique.regions,
      side: 'both',
      toolId: step.toolId,
      direction: step.direction,
      hands: 'apprentice',
      setting: manner.isFigure ? 'figure' : 'live'
    },
    chance
  )
  const minutes = Math.max(2, Math.round(chance.about(step.minutes * (manner.hard ? 1.4 : 1.05), step.minutes * 0.12)))
  tape.pass(minutes)
  if (manner.serious)
    tape.add('safetyNoted', { attemptId, hazardId: technique.hazards[0].id, severity: 'serious', region: technique.regions[0] }, chance)
  let help: HelpLevel = 'alone'
  if (manner.misses) {
    const major = technique.faults.filter((fault) => fault.major)
    const how = chance.share()
    if (how < 0.5 && major.length > 0)
      tape.add(
        'faultNoted',
        {
          attemptId,
          faultId: chance.pick(major).id,
          region: technique.regions[0],
          side: chance.pick(['left', 'right'])
        },
        chance
      )
    else if (how < 0.8) for (let i = 0; i < 2; i++) tape.add('promptGiven', { attemptId }, chance)
    else help = chance.pick(['talkedThrough', 'handsGuided'])
  } else if (chance.happens(0.25)) {
    tape.add('promptGiven', { attemptId }, chance)
    help = 'onePrompt'
  }
  const minor = technique.faults.filter((fault) => !fault.major)
  if (minor.length > 0 && chance.happens(0.2))
    tape.add(
      'faultNoted',
      {
        attemptId,
        faultId: chance.pick(minor).id,
        region: technique.regions[0],
        side: chance.pick(['left', 'right'])
      },
      chance
    )
  tape.add('attemptEnded', { attemptId, minutes, help, witness: chance.happens(0.8) ? 'watched' : 'inspected' }, chance)
}

/** Every step of a trim done in turn, as a visit's events. */
export function wholeTrim(visitId: string, by: string, from: Date, steps: readonly PlanStep[], chance: Chance): readonly PracticeEvent[] {
  const tape = tapeFor(visitId, by, 'tablet-1', from, chance)
  tape.add('visitOpened', {})
  for (const step of steps)
    attempt(tape, techniqueById(step.technique)!, step, { misses: false, isFigure: false, serious: false, hard: false }, chance)
  tape.add('visitClosed', {})
  return tape.events
}

function todaysVisit(today: (typeof TODAYS_TABLES)[number], standard: Standard, ids: Ids, { chance, more }: Chances): DemoVisit {
  const opened = new Date(NOW.getTime() - today.startedMinAgo * MINUTE_MS)
  const id = chance.id(opened)
  const tape = tapeFor(id, ids.person.get('ruben')!, 'tablet-1', opened, chance)
  tape.add('visitOpened', {})
  const { steps } = standard.plan
  const done = steps.findIndex(({ technique }) => technique === today.at)
  const planned = steps.slice(0, done).reduce((sum, step) => sum + step.minutes, 0)
  const pace = Math.min(1, (today.startedMinAgo - 3) / Math.max(1, planned))
  steps.slice(0, done + (today.under ? 1 : 0)).forEach((step, i) => {
    const drawn = PRACTISED.includes(step.technique) ? chance : more
    const technique = techniqueById(step.technique)!
    const attemptId = drawn.id(tape.now())
    const started = { toolId: step.toolId, direction: step.direction, hands: 'apprentice', setting: 'live' } as const
    tape.add('attemptStarted', { attemptId, techniqueId: technique.id, regions: technique.regions, side: 'both', ...started }, drawn)
    if (i >= done) return
    const minutes = Math.max(1, Math.floor(step.minutes * pace))
    tape.pass(minutes)
    tape.add('attemptEnded', { attemptId, minutes, help: 'alone', witness: 'watched' }, drawn)
  })
  const found = foundToday(today.dog, ids.person.get('ruben')!, opened)
  return {
    found,
    id,
    apprentice: today.apprentice,
    dog: today.dog,
    table: today.table,
    onDate: TODAY,
    instructor: 'ruben',
    checkIn: {
      weeksSince: 6,
      wishes: found.wishes.map(({ what, askedBy }) => `${what}, asked for by ${askedBy}.`).join(' '),
      excused: excusedBy(found.coat)
    },
    events: tape.events,
    gradedBy: [],
    sure01: 0,
    closedAt: null
  }
}

/** What came in this morning: every dog at a table was looked at, dried and combed before anyone cut. */
function foundToday(dog: string, by: string, opened: Date): Found {
  const gate = { dry: true, combed: true, by, at: opened.toISOString(), house: {} }
  const found: Found = { ...NOTHING_FOUND, gate }
  if (dog === 'flint')
    return {
      ...found,
      coat: [{ kind: 'matCut', region: 'ribs', side: 'left', widthMm: 40 }],
      wishes: [
        { what: 'Beard as it is', askedBy: 'the owner', length: null, rule: null },
        { what: 'Brows a little longer', askedBy: 'the owner', length: { region: 'brow', mm: 34 }, rule: null }
      ]
    }
  if (dog === 'biscuit')
    return {
      ...found,
      skin: [{ kind: 'stained', region: 'foreFoot', side: 'both' }],
      wishes: [{ what: 'Eyebrows off', askedBy: 'the owner', length: null, rule: { id: 'brows', side: 1 } }]
    }
  if (dog === 'bracken') return { ...found, nailsOwed: ['rightRear'] }
  return found
}
