export { factsFor, findingFor, findingsFor, handsOn } from './evidence'
