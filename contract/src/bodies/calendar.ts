import type { Opening } from '@peen/core/day'
import { newFeedSchema, newOffSchema, openingSchema, type NewFeed, type NewOff } from '../calendar/calendar'
import { takes } from './takes'

export const calendarBodies = {
  keepOpening: takes<Opening>()(openingSchema),
  addOff: takes<NewOff>()(newOffSchema),
  makeFeed: takes<NewFeed>()(newFeedSchema)
}
