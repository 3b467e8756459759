export { PSEUDO, pseudoWords } from './pseudo'
export { sayIn, type MessageKey, type Parsed, type Said, type Say, type Words } from './say'
