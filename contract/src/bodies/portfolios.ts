import { newPortfolioSchema, openPortfolioSchema, type NewPortfolio, type OpenPortfolio } from '../evidence/portfolios'
import { takes } from './takes'

export const portfolioBodies = {
  makePortfolio: takes<NewPortfolio>()(newPortfolioSchema),
  openPortfolio: takes<OpenPortfolio>()(openPortfolioSchema)
}
