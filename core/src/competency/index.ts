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
  daysBetween,
  STANDING_DEFAULTS,
  STATES,
  standingOf,
  type AttemptRecord,
  type Standing,
  type StandingFacts,
  type StandingRules,
  type State
} from './standing'
