// An apprentice's portfolio: chosen by them, read by those they give the link to.
import type { PortfolioChoices, PortfolioMade, PortfolioRow, PortfolioView } from '../evidence/portfolios'
import { ANYONE, APPRENTICE, get, post } from './endpoint'

export const portfolioEndpoints = {
  portfolioChoices: get('/portfolios/choices', APPRENTICE, 'What an apprentice may show outside the school.'),
  portfolios: get('/portfolios', APPRENTICE, 'An apprentice’s own portfolios, with who opened them.'),
  makePortfolio: post('/portfolios', APPRENTICE, 'Makes a portfolio; its link is told once.'),
  takePortfolioBack: post('/portfolios/:id/take-back', APPRENTICE, 'Ends a link at once.'),
  portfolioFile: get('/portfolios/:id/file', APPRENTICE, 'A portfolio as a file.', { gives: 'pdf' }),
  openPortfolio: post('/portfolio', ANYONE, 'Opens a portfolio by its link; its apprentice is told by whom and when.', {
    problems: ['tooManyTries', 'linkEnded']
  }),
  portfolioPicture: get('/portfolio/:open/pictures/:picture', ANYONE, 'A photograph of an open portfolio.', { gives: 'jpeg' })
}

export type PortfolioReplies = {
  readonly portfolioChoices: PortfolioChoices
  readonly portfolios: readonly PortfolioRow[]
  readonly makePortfolio: PortfolioMade
  readonly takePortfolioBack: readonly PortfolioRow[]
  readonly portfolioFile: never
  readonly openPortfolio: PortfolioView
  readonly portfolioPicture: never
}
