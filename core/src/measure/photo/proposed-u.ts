// How surely a proposed point lies where it belongs, once a person has agreed to it without moving it.
import { PLACE_IDS, PLACES, type PhotoPlace } from './places'

/**
 * Standard uncertainty of a proposed point either way, mm. Eyes and nose lie on dark spots of the picture; what lies on the outline is known
 * across it and less along it; a leg's hair ends where no landmark is. Measured on drawn dogs whose bodies differ from their plan
 * (`npm run proposed`, docs/robustness-proposed.md); where the skirt begins and ends is chosen: a fault in it moves both.
 */
const BY_PLACE: Readonly<Partial<Record<PhotoPlace, number>>> = {
  ...{ eyeLeft: 0.4, eyeRight: 0.4, nose: 0.6 },
  ...{ jawLeft: 4, jawRight: 4, earLeftIn: 2.5, earLeftOut: 2.5, earRightIn: 2.5, earRightOut: 2.5 },
  ...{ withers: 2, headTop: 2, tailSet: 5, tailEnd: 5.5, elbow: 5, tuckUp: 5, table: 5 }
}
/** What belongs to a leg, and everything else, mm: the same dogs. */
const ELSE = Object.freeze({ leg: 6.5, other: 3.5 })

export const PROPOSED_U_MM: Readonly<Record<PhotoPlace, number>> = Object.fromEntries(
  PLACE_IDS.map((id) => [id, BY_PLACE[id] ?? (PLACES[id].depth === 'leg' ? ELSE.leg : ELSE.other)])
) as Record<PhotoPlace, number>
