// The coats of the demo: a stripped terrier out of step, one rolled every two weeks, one clipped along an unstripped border, one pet.
import { standards } from '@peen/content'
import type { CoatAim, Me } from '@peen/contract'
import type { CoatAct, CoatEntry, CoatPlace } from '@peen/core/coat'
import type { RegionId } from '@peen/core/regions'
import type { Side } from '@peen/core/practice'
import { keepAim, planVisit, recordEvents, tables, writeEntries, type Services, type SettableClock } from '@peen/server'
import { COATS_SEED, NOW, type Dog } from './cast'
import { chanceFrom, type Chance } from './random'
import { tapeFor, type Ids } from './tape'

export const COAT_DOGS: readonly Dog[] = [
  {
    ...{ key: 'sedge', name: 'Sedge', body: 'terrier', coat: 'wire', colour: 'saddle', withersMm: 375, canStandMin: 70 },
    ...{ temperament: 'keen', dislikes: 'long standing', owner: 'Ffion' },
    profile: { breed: 'small hand-stripped terrier', bornOn: '2021-09-14', weightKg: 8.4, nose: 'black', skin: 'grey' }
  },
  {
    ...{ key: 'sorrel', name: 'Sorrel', body: 'terrier', coat: 'wire', colour: 'grizzle', withersMm: 360, canStandMin: 130 },
    ...{ temperament: 'steady', dislikes: 'nothing we know of', owner: 'Ivor' },
    profile: { breed: 'small hand-stripped terrier', bornOn: '2020-02-03', weightKg: 7.9, nose: 'black', skin: 'grey' }
  },
  {
    ...{ key: 'larch', name: 'Larch', body: 'longlegged', coat: 'wire', colour: 'grizzle', withersMm: 560, canStandMin: 140 },
    ...{ temperament: 'proud', dislikes: 'hands under the tail', owner: 'Nesta' },
    profile: { breed: 'long-legged terrier', bornOn: '2020-11-21', weightKg: 22, nose: 'black', skin: 'grey' }
  },
  {
    ...{ key: 'teasel', name: 'Teasel', body: 'companion', coat: 'soft curly', colour: 'cream', withersMm: 300, canStandMin: 120 },
    ...{ temperament: 'easy', dislikes: 'the comb behind his ears', owner: 'Gwil' },
    profile: { breed: 'curly mix', bornOn: '2022-07-30', weightKg: 6.8, nose: 'black', skin: 'pink' }
  }
]

type Work = {
  readonly technique: string
  readonly regions: readonly RegionId[]
  readonly side?: Side
  readonly tool?: string
  readonly minutes: number
}
type CoatDay = {
  readonly dog: string
  readonly on: string
  readonly apprentice: string
  readonly instructor: string
  readonly standard: string
  readonly works: readonly Work[]
  /** the dog could stand no longer, and went home as it was */
  readonly ranOut?: boolean
}

const BODY = ['back', 'ribs', 'loin'] as const
const PULLED = [...BODY, 'shoulder', 'neckTop', 'foreleg'] as const
const roll = (dog: string, on: string, apprentice: string): CoatDay => ({
  ...{ dog, on, apprentice, instructor: 'mira', standard: 'jacket-show' },
  works: [
    { technique: 'strip-order', regions: ['back'], tool: 'comb-grey', minutes: 5 },
    { technique: 'pull', regions: [...BODY, 'foreleg'], minutes: 30 },
    { technique: 'layback', regions: ['shoulder'], tool: 'stone', minutes: 6 },
    { technique: 'strip-shapes', regions: ['neckTop'], minutes: 6 },
    { technique: 'last-look', regions: ['back'], tool: 'comb-grey', minutes: 4 }
  ]
})
const winter = (on: string): CoatDay => ({
  ...{ dog: 'larch', on, apprentice: 'enzo', instructor: 'hollis', standard: 'winter-show' },
  works: [
    { technique: 'winter-clip', regions: ['cheek', 'underTail', 'throat', 'earOutside'], tool: 'blade-10', minutes: 13 },
    { technique: 'roll-coat', regions: BODY, minutes: 26 },
    { technique: 'cylinder-leg', regions: ['foreleg'], tool: 'scissors-straight', minutes: 14 }
  ]
})
const companion = (on: string): CoatDay => ({
  ...{ dog: 'teasel', on, apprentice: 'ada', instructor: 'ruben', standard: 'companion' },
  works: [
    { technique: 'comb-clip', regions: ['back', 'ribs', 'loin', 'shoulder', 'croup'], tool: 'comb-0', minutes: 24 },
    { technique: 'cylinder-leg', regions: ['foreleg'], tool: 'scissors-straight', minutes: 10 },
    { technique: 'round-head', regions: ['skull', 'cheek', 'brow', 'beard', 'earOutside'], tool: 'scissors-curved', minutes: 15 }
  ]
})

/** Every two weeks from one day to another. */
function everyTwoWeeks(from: string, until: string): string[] {
  const found: string[] = []
  for (let at = Date.parse(from); at <= Date.parse(until); at += 14 * 86400000) found.push(new Date(at).toISOString().slice(0, 10))
  return found
}

const DAYS: readonly CoatDay[] = [
  // Sedge stood no longer when its right side was done: the left came eleven days later
  {
    ...{ dog: 'sedge', on: '2025-11-10', apprentice: 'noor', instructor: 'mira', standard: 'jacket-pet', ranOut: true },
    works: [
      { technique: 'pull', regions: ['shoulder', 'neckTop', 'foreleg'], minutes: 26 },
      { technique: 'pull', regions: BODY, side: 'right', minutes: 31 }
    ]
  },
  {
    ...{ dog: 'sedge', on: '2025-11-21', apprentice: 'noor', instructor: 'mira', standard: 'jacket-pet' },
    works: [{ technique: 'pull', regions: BODY, side: 'left', minutes: 33 }]
  },
  roll('sedge', '2026-03-23', 'noor'),
  roll('sedge', '2026-04-07', 'noor'),
  ...everyTwoWeeks('2025-12-15', '2026-04-06').map((on) => roll('sorrel', on, 'enzo')),
  winter('2026-02-09'),
  winter('2026-03-09'),
  winter('2026-04-06'),
  companion('2026-01-19'),
  companion('2026-02-23'),
  companion('2026-03-30')
]

type Line = {
  readonly dog: string
  readonly on: string
  readonly place: CoatPlace
  readonly side: CoatEntry['side']
  readonly act: CoatAct
  readonly hands: string | null
}
const lines = (dog: string, on: string, places: readonly CoatPlace[], act: CoatAct, hands: string | null = null): Line[] =>
  places.map((place) => ({ dog, on, place, side: 'both' as const, act, hands }))
const length = (on: string, side: 'left' | 'right', mm: number): Line => ({
  dog: 'sedge',
  on,
  place: 'ribs',
  side,
  act: { kind: 'length', mm, uMm: 0.7 },
  hands: 'mira'
})

const LINES: readonly Line[] = [
  ...lines('sorrel', '2025-10-06', PULLED, { kind: 'pulled', how: 'all' }),
  length('2026-01-19', 'right', 12.4),
  length('2026-01-19', 'left', 9.3),
  length('2026-01-25', 'right', 14.3),
  ...lines('sedge', '2026-01-26', PULLED, { kind: 'pulled', how: 'half' }, 'noor'),
  ...lines('larch', '2025-11-24', [...BODY, 'neckSide', 'thigh', 'tail'], { kind: 'pulled', how: 'all' }, 'hollis'),
  ...lines('larch', '2026-03-09', ['neckSide', 'thigh', 'tail'], { kind: 'pulled', how: 'lightRoll' }, 'enzo'),
  ...lines('larch', '2026-02-09', ['stripThroat', 'stripRidge', 'stripThigh', 'stripTail'], { kind: 'pulled', how: 'all' }, 'enzo'),
  {
    dog: 'sedge',
    on: '2026-04-07',
    place: 'ribs',
    side: 'right',
    act: { kind: 'gap', mm: 23.5, olderOn: '2025-11-10', newerOn: '2026-01-26' },
    hands: 'mira'
  }
]

const AIMS: readonly (CoatAim & { readonly dog: string })[] = [
  { dog: 'sedge', aimOn: '2026-05-30', aim: 'Spring show', nextOn: '2026-04-21', everyDays: 14, brushing: 'never' },
  { dog: 'sorrel', aimOn: '2026-05-30', aim: 'Spring show', nextOn: '2026-04-20', everyDays: 14, brushing: 'never' },
  { dog: 'teasel', aimOn: null, aim: '', nextOn: '2026-05-04', everyDays: 35, brushing: 'weekly' }
]

/** Plays the coat books through the use cases: visits as they were, lines as they were written, in their time. */
export async function playCoats(
  services: Services,
  ids: Ids,
  actors: ReadonlyMap<string, Me>
): Promise<{ visits: number; events: number }> {
  const chance = chanceFrom(COATS_SEED)
  const clock = services.clock as SettableClock
  let events = 0
  for (const day of DAYS) events += await playDay(services, clock, day, ids, actors, chance)
  for (const { dog, hands, ...entry } of LINES) {
    clock.set(new Date(`${entry.on}T16:00:00.000Z`))
    const line = { ...entry, id: chance.id(new Date(`${entry.on}T16:00:00.000Z`)), hands: hands ? ids.person.get(hands)! : null }
    await writeEntries(services, actors.get('mira')!, ids.dog.get(dog)!, { entries: [line] })
  }
  clock.set(NOW)
  for (const { dog, ...aim } of AIMS) await keepAim(services, ids.dog.get(dog)!, aim)
  await planVisit(services, {
    ...{ id: chance.id(NOW), apprenticeId: ids.person.get('noor')!, dogId: ids.dog.get('sedge')!, tableId: ids.table.get(8)! },
    ...{ standardId: 'jacket-show', weeksSince: 2, wishes: '', onDate: '2026-04-21' }
  })
  return { visits: DAYS.length, events }
}

async function playDay(
  services: Services,
  clock: SettableClock,
  day: CoatDay,
  ids: Ids,
  actors: ReadonlyMap<string, Me>,
  chance: Chance
): Promise<number> {
  const opened = new Date(`${day.on}T13:10:00.000Z`)
  const id = chance.id(opened)
  const actor = actors.get(day.instructor)!
  const tape = tapeFor(id, actor.id, 'tablet-2', opened, chance)
  tape.add('visitOpened', {})
  for (const { technique, regions, side = 'both', tool = 'fingers', minutes } of day.works) {
    const attemptId = chance.id(tape.now())
    const direction = tool.startsWith('blade') ? ('with' as const) : null
    tape.add('attemptStarted', {
      attemptId,
      techniqueId: technique,
      regions,
      side,
      toolId: tool,
      direction,
      hands: 'apprentice',
      setting: 'live'
    })
    tape.pass(minutes)
    tape.add('attemptEnded', { attemptId, minutes, help: 'alone', witness: 'watched' })
  }
  if (day.ranOut) tape.add('ranOut', { how: 'home' })
  tape.add('visitClosed', {})
  clock.set(tape.now())
  await services.db.insert(tables.visits).values({
    ...{
      id,
      standardId: day.standard,
      standardVersion: standards.find((one) => one.id === day.standard)!.version,
      onDate: day.on,
      found: null
    },
    apprenticeId: ids.person.get(day.apprentice)!,
    dogId: ids.dog.get(day.dog)!,
    tableId: ids.table.get(8)!,
    checkIn: { weeksSince: 2, wishes: '', excused: [] }
  })
  const { answers } = await recordEvents(services, actor, id, tape.events)
  const refused = answers.find((answer) => answer.status !== 'stored')
  if (refused) throw new Error(`The coat of ${day.dog} was not stored on ${day.on}: ${refused.detail}`)
  return tape.events.length
}
