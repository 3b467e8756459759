// The few words that several subjects share and none of them owns: so that two subjects never import each other.
export { HELP_LEVELS, SIDES, type HelpLevel, type Side } from './practice'
export { MEASURE_IDS, type MeasureId } from './measures'
export { isDate } from './days'
