export { cohortStates, techniquesNow, type ChartState, type TechniqueNow } from './cohort'
export { standingsOf, standingsOfAll, type TechniqueRecord } from './records'
export { sessionsBeingMarked, signedTrims, type SignedTrim } from './trims'
