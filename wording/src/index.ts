export { PSEUDO, pseudoWords } from './pseudo'
export type { Said } from './said'
export { sayIn, type MessageKey, type Parsed, type Say, type Words } from './say'
