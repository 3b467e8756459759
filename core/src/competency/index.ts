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
export { fitPower, fitTimes, LEVELS_FROM, recentRatio, timeAt, whenAt, type Timed, type TimeFit, type When } from './times'
export { trendOf, type Trend } from './trend'
