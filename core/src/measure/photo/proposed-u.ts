// How surely a proposed point lies where it belongs, once a person has agreed to it without moving it.
import { PLACE_IDS, PLACES, type PhotoPlace } from './places'

/** The same for a place on the dog's left and on its right. */
function both(...places: readonly (readonly [stem: string, end: string, mm: number])[]): Partial<Record<PhotoPlace, number>> {
  return Object.fromEntries(
    places.flatMap(([stem, end, mm]) => [
      [`${stem}Left${end}`, mm],
      [`${stem}Right${end}`, mm]
    ])
  )
}

/**
 * Standard uncertainty of a proposed point either way, mm. Eyes and nose lie on dark spots of the picture; what lies on the outline is known
 * across it and less along it; a leg's hair ends where no landmark is. Measured on drawn dogs whose bodies differ from their plan
 * (`npm run proposed`, docs/robustness-proposed.md; `npm run around`, docs/robustness-around.md); where the skirt begins and ends is chosen: a fault in it moves both.
 */
const BY_PLACE: Readonly<Partial<Record<PhotoPlace, number>>> = {
  ...{ eyeLeft: 0.4, eyeRight: 0.4, nose: 0.6 },
  ...{ jawLeft: 4, jawRight: 4, earLeftIn: 2.5, earLeftOut: 2.5, earRightIn: 2.5, earRightOut: 2.5 },
  ...{ withers: 2, headTop: 2, tailSet: 5, tailEnd: 5.5, elbow: 5, tuckUp: 5, table: 5 },
  // of a dog seen whole: outer edges lie on the outline, what another leg or an ear hides does not
  ...both(['fore', 'Out', 2.2], ['fore', 'In', 4.5], ['fore', 'Top', 6], ['elbow', '', 3.5], ['foot', '', 2], ['neck', '', 2.8]),
  ...both(
    ['hind', 'Out', 4],
    ['hind', 'In', 5],
    ['hind', 'Top', 6],
    ['hock', '', 6.5],
    ['hindFoot', '', 5],
    ['breech', '', 6],
    ['band', '', 9]
  ),
  ...both(['nape', '', 9], ['shoulder', '', 7])
}
/** What belongs to a leg, and everything else, mm: the same dogs. */
const ELSE = Object.freeze({ leg: 6.5, other: 3.5 })

export const PROPOSED_U_MM: Readonly<Record<PhotoPlace, number>> = Object.fromEntries(
  PLACE_IDS.map((id) => [id, BY_PLACE[id] ?? (PLACES[id].depth === 'leg' ? ELSE.leg : ELSE.other)])
) as Record<PhotoPlace, number>
