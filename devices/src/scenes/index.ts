export { harder, type Harder } from './harder'
export { drawsFrom, sceneOf, SHOWS, type Scene } from './scene'
export { MENDS, type MendKind } from './mends'
export { mendsOf, overlapWith, seenIn, type MendRow } from './trial'
