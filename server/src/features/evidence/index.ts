export { findingFor, findingsFor, handsOn } from './evidence'
