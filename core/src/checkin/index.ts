export * from './types'
export {
  checkInIssues,
  excusedBy,
  factsFromSkin,
  readyToCut,
  sayFinding,
  sayPlaceOf,
  skinStops,
  standingOf,
  type Ready,
  type Standing
} from './ready'
