import { dateIn, serve, type Route } from '../../http'
import { calendarFile, feedsOf, makeFeed, readFeed, withdrawFeed } from './feeds'
import { calendarView } from './view'
import { weekPdf } from './week'

const CALENDAR = 'text/calendar; charset=utf-8'

export const calendarRoutes: readonly Route[] = [
  serve('calendar', ({ services, actor, params }) =>
    calendarView(services, actor, { from: dateIn('First day', 'from', params.from), to: dateIn('Last day', 'to', params.to) })
  ),
  serve('weekPlan', async ({ services, actor, params, response }) => {
    const on = dateIn('Day', 'on', params.on)
    response
      .type('application/pdf')
      .attachment(`week-${on}.pdf`)
      .send(await weekPdf(services, actor, on))
  }),
  serve('calendarFile', async ({ services, actor, response }) => {
    const { id, role, settings } = actor
    const text = await calendarFile(services, { id, role, language: settings.language })
    response.type(CALENDAR).attachment('peen.ics').send(text)
  }),
  serve('feeds', ({ services, actor }) => feedsOf(services, actor)),
  serve('makeFeed', ({ services, actor, body }) => makeFeed(services, actor, body)),
  serve('withdrawFeed', ({ services, actor, params }) => withdrawFeed(services, actor, params.id)),
  serve('feed', async ({ services, params, ip, response }) => {
    const text = await readFeed(services, ip, params.feed, params.secret)
    response.set('cache-control', 'private, no-store').type(CALENDAR).send(text)
  })
]
