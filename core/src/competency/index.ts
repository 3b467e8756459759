import { date, door, items } from '../error'
import * as chartPart from './chart'
import * as standingPart from './standing'
import * as sayPart from './say'
import * as timesPart from './times'
import * as trendPart from './trend'
import * as nextPart from './next'
import * as wallPart from './wall'

export { CHART_DEFAULTS, type ChartSettings, type LearningChart, type MonitoringChart } from './chart'
export {
  STANDING_DEFAULTS,
  STATES,
  type Around,
  type AttemptRecord,
  type ChartRow,
  type Standing,
  type StandingFacts,
  type StandingRules,
  type State
} from './standing'
export type { ChartPattern } from './found'
export { HELP_WEIGHT } from './help'
export { LEVELS_FROM, type Timed, type TimeFit, type When } from './times'
export type { Trend } from './trend'
export type { Chance, Need, Practisable, Suggestion } from './next'
export type { Person, Placed, WallWord } from './wall'

export const { designLearningChart, designMonitoringChart, jointRisk, meanRunLength, runCharts, runLearning, signalWithin } =
  door(chartPart)
export const { chartOf, daysBetween, standingOf, stateOf } = door(standingPart, { daysBetween: [date, date] })
export const { perWeek, sayHelp, sayJointRisk, sayLearning, sayTimes, sayWatching, timedOf } = door(sayPart)
export const { fitPower, fitTimes, recentRatio, timeAt, whenAt } = door(timesPart, { fitPower: [items(2), items(2), items(2, 2)] })
export const { trendOf } = door(trendPart)
export const { practiseNext } = door(nextPart)
export const { needOf, sayWall, scarce, wordOf } = door(wallPart)
