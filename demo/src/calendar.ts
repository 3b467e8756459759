// The weeks ahead: visits that are booked, dogs that should have come back, days on which the school is closed.
import type { Me } from '@peen/contract'
import { addOff, keepAim, keepOpening, keepPlan, planVisit, type Services, type SettableClock } from '@peen/server'
import { CALENDAR_SEED, NOW } from './cast'
import { chanceFrom } from './random'
import type { Ids } from './tape'

/** Booked for the next weeks. */
const AHEAD = [
  { on: '2026-04-15', apprentice: 'ines', dog: 'slate', table: 1, comesAt: '09:00' },
  { on: '2026-04-16', apprentice: 'tove', dog: 'plum', table: 2, comesAt: '09:30' },
  { on: '2026-04-16', apprentice: 'ada', dog: 'nettle', table: 3, comesAt: '10:00' },
  { on: '2026-04-17', apprentice: 'bram', dog: 'juniper', table: 4, comesAt: '09:00' },
  { on: '2026-04-20', apprentice: 'marek', dog: 'ember', table: 1, comesAt: '09:00' },
  { on: '2026-04-20', apprentice: 'noor', dog: 'tansy', table: 2, comesAt: '10:30' },
  { on: '2026-04-22', apprentice: 'jun', dog: 'flint', table: 5, comesAt: '09:00' },
  { on: '2026-04-23', apprentice: 'tove', dog: 'bracken', table: 1, comesAt: null },
  { on: '2026-05-06', apprentice: 'bram', dog: 'otter', table: 3, comesAt: '09:15' }
] as const

/** Dogs that were to be back by now, and who said so when. */
const DUE = [
  { dog: 'rook', nextOn: '2026-04-06', everyDays: 42, saidOn: '2026-03-02' },
  { dog: 'biscuit', nextOn: '2026-04-10', everyDays: 35, saidOn: '2026-03-06' },
  { dog: 'wren', nextOn: '2026-05-12', everyDays: 42, saidOn: '2026-04-13' }
] as const

/** Fills the calendar through the use cases, as a lead would. */
export async function playCalendar(services: Services, ids: Ids, lead: Me): Promise<void> {
  const clock = services.clock as SettableClock
  const chance = chanceFrom(CALENDAR_SEED)
  for (const { dog, saidOn, ...due } of DUE) {
    clock.set(new Date(`${saidOn}T15:00:00.000Z`))
    await keepAim(services, ids.dog.get(dog)!, { aimOn: null, aim: '', brushing: 'weekly', ...due })
  }
  clock.set(NOW)
  await keepOpening(services, { weekdays: [1, 2, 3, 4, 5], from: '08:30', until: '16:30' })
  const off = {
    id: chance.id(NOW),
    about: 'school',
    aboutId: null,
    fromOn: '2026-05-25',
    toOn: '2026-05-27',
    name: 'Spring break'
  } as const
  await addOff(services, lead, off)
  const away = { about: 'dog', aboutId: ids.dog.get('sedge')!, fromOn: '2026-04-27', toOn: '2026-05-01', name: '' } as const
  await addOff(services, lead, { id: chance.id(NOW), ...away })
  for (const { on, apprentice, dog, table, comesAt } of AHEAD)
    await planVisit(services, {
      ...{ id: chance.id(NOW), apprenticeId: ids.person.get(apprentice)!, dogId: ids.dog.get(dog)!, tableId: ids.table.get(table)! },
      ...{ standardId: 'bearded-pet', weeksSince: 6, wishes: '', onDate: on, comesAt }
    })
  await keepPlan(services, lead, ids.dog.get('sedge')!)
}
