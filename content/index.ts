// What Peen ships as data. Types come from core; contract validates the shapes when they enter the database.
export type { Family, Hazard, Technique, TechniqueFault } from '@peen/core/technique'
export { houseRules, houseWordsAt, type HouseRule, type HouseWords } from './house'
export { rack } from './rack'
export { adviceRules, trimFits } from './advice'
export {
  techniques,
  questions,
  retiredTechniques,
  techniqueById,
  techniqueName,
  techniqueWaits,
  cutRegionsOf,
  closingSteps,
  SKIN_FAULTS
} from './techniques'
export { standards, pullTechniques } from './standards'
export { certificates } from './certificates'
export { bodies, bodyById, colourNames, colourName, colouringOf } from './bodies'
export { coats, coatFor, type DrawnCoat } from './coats'
export { drawnFaults, faultOf, type DrawnFault } from './faults'
export { knownWith } from './known'
