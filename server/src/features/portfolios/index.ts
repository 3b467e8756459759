import { serve, type Route } from '../../http'
import { portfolioPdf } from './file'
import { openPortfolio, portfolioPicture } from './open'
import { choices, makePortfolio, ownPortfolio, portfoliosOf, takeBack } from './portfolios'

export const portfolioRoutes: readonly Route[] = [
  serve('portfolioChoices', ({ services, actor }) => choices(services, actor)),
  serve('portfolios', ({ services, actor }) => portfoliosOf(services, actor)),
  serve('makePortfolio', ({ services, actor, body }) => makePortfolio(services, actor, body)),
  serve('takePortfolioBack', ({ services, actor, params }) => takeBack(services, actor, params.id)),
  serve('portfolioFile', async ({ services, actor, params, response }) => {
    const row = await ownPortfolio(services, actor, params.id)
    response
      .type('application/pdf')
      .attachment('portfolio.pdf')
      .send(await portfolioPdf(services, row, actor.settings.language))
  }),
  serve('openPortfolio', ({ services, ip, body }) => openPortfolio(services, ip, body)),
  serve('portfolioPicture', async ({ services, params, response }) => {
    const bytes = await portfolioPicture(services, params.open, params.picture)
    response.set('cache-control', 'private, no-store').type('image/jpeg').send(bytes)
  })
]
