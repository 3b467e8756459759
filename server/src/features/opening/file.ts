// A calendar file taken in: its days replace those of the file before.
import { OFF_ABOUT, type BusyTaken, type Me } from '@peen/contract'
import { and, eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { inTransaction, tables } from '../../db'
import { refuse, type Services } from '../../http'
import { schoolRow } from '../school'
import { busyIn, stretchesOf, type Busy } from './busy'
import { openingOf, refuseUnknown } from './opening'

const { daysOff: o } = tables

export async function takeBusyIn({ db, clock }: Services, actor: Me, about: string, id: string, text: string): Promise<BusyTaken> {
  if (about === 'school' || !(OFF_ABOUT as readonly string[]).includes(about)) throw refuse.notFound(`“${about.slice(0, 20)}”`)
  await refuseUnknown(db, about, id)
  const today = await clock.today()
  const { timeZone } = await schoolRow(db)
  const busy = busyIn(text, { today, opening: await openingOf(db), timeZone })
  if (!busy)
    throw refuse.conflict(
      'notACalendar',
      `This is not a calendar file. It must be an .ics file that begins with BEGIN:VCALENDAR; this one begins with “${text.trim().slice(0, 20)}”. Nothing was changed.`
    )
  const stretches = stretchesOf(busy.days)
  const at = await clock.now()
  await inTransaction(db, async (tx) => {
    await tx.delete(o).where(and(eq(o.aboutId, id), eq(o.isFromFile, true)))
    if (stretches.length > 0)
      await tx.insert(o).values(
        stretches.map((one) => ({
          id: v7(),
          about: about as 'dog' | 'person',
          aboutId: id,
          ...one,
          name: '',
          isFromFile: true,
          by: actor.id,
          at
        }))
      )
  })
  return { days: busy.days.length, stretches: stretches.length, notes: notesOn(busy, timeZone) }
}

function notesOn({ short, endless, tooOften, unknownZones, until }: Busy, timeZone: string): string[] {
  return [
    ...(short > 0
      ? [
          short === 1
            ? 'One entry is shorter than half a school day and was left out.'
            : `${short} entries are shorter than half a school day and were left out.`
        ]
      : []),
    ...(endless > 0
      ? [
          `${endless === 1 ? 'One entry repeats' : `${endless} entries repeat`} without end; ${endless === 1 ? 'it was' : 'they were'} read until ${until}.`
        ]
      : []),
    ...(tooOften > 0 ? [`${tooOften === 1 ? 'One entry repeats' : `${tooOften} entries repeat`} too often to read to the end.`] : []),
    ...unknownZones.map((zone) => `Time zone “${zone.slice(0, 60)}” is not known; its times were read by the school’s clock, ${timeZone}.`)
  ]
}
