export { cohortStates, techniquesNow, type ChartState, type TechniqueNow } from './cohort'
export { standingsOf, standingsOfAll, type TechniqueRecord } from './records'
export { visitsBeingMarked, signedTrims, type SignedTrim } from './trims'
