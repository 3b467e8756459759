export {
  CHART_DEFAULTS,
  designLearningChart,
  designMonitoringChart,
  jointRisk,
  meanRunLength,
  runCharts,
  runLearning,
  signalWithin,
  type ChartSettings,
  type LearningChart,
  type MonitoringChart
} from './chart'
export {
  chartOf,
  daysBetween,
  STANDING_DEFAULTS,
  STATES,
  standingOf,
  stateOf,
  type Around,
  type AttemptRecord,
  type ChartRow,
  type Standing,
  type StandingFacts,
  type StandingRules,
  type State
} from './standing'
export { type Found } from './found'
export { HELP_WEIGHT } from './help'
export { perWeek, sayHelp, sayJointRisk, sayLearning, sayTimes, sayWatching, timedOf } from './say'
export { fitPower, fitTimes, LEVELS_FROM, recentRatio, timeAt, whenAt, type Timed, type TimeFit, type When } from './times'
export { trendOf, type Trend } from './trend'
export { practiseNext, type Chance, type Need, type Practisable, type Suggestion } from './next'
export { needOf, sayWall, scarce, wordOf, type Person, type Placed, type WallWord } from './wall'
