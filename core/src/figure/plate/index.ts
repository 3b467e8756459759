export { departures, rimOf, type Departure, type RimPlace } from './departure'
export { leadersCross, placeNotes, RULE_BELOW_TOP_PX, type Covered, type NoteFrame, type NoteTarget, type PlacedNote } from './notes'
export { silhouetteOf, type Silhouette } from './silhouette'
export { regionShapes, type RegionShape } from './touch'
