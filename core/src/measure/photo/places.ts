// The named places and lines that somebody puts on a photograph, and where each may be found first.
import type { PhotoView } from './frame'

/**
 * `onEdge`: a place of the outline; it is put on the nearest edge above, below, before or behind. `depth`: it lies before the plane
 * of the scale, on the near leg, the nose or the back, or on the outline of the neck. `middle`: what tells one side from the other,
 * so that only a hand puts it: put by an outline it would make both sides alike.
 */
type PlaceSpec = {
  readonly name: string
  readonly view: PhotoView
  readonly onEdge?: 'above' | 'below' | 'before' | 'behind'
  readonly depth?: 'leg' | 'nose' | 'neck' | 'back'
  readonly middle?: true
}

const PLACES_OF = {
  eyeLeft: { name: 'Middle of the left eye', view: 'head' },
  eyeRight: { name: 'Middle of the right eye', view: 'head' },
  nose: { name: 'Middle of the nose', view: 'head', depth: 'nose' },
  earLeftIn: { name: 'Left ear, inner edge at the head’s outline', view: 'head' },
  earLeftOut: { name: 'Left ear, outer edge at the head’s outline', view: 'head' },
  earRightIn: { name: 'Right ear, inner edge at the head’s outline', view: 'head' },
  earRightOut: { name: 'Right ear, outer edge at the head’s outline', view: 'head' },
  jawLeft: { name: 'Left jaw, where the cheek ends', view: 'head' },
  jawRight: { name: 'Right jaw, where the cheek ends', view: 'head' },
  earLeftRoot: { name: 'Left ear, where it begins at the skull', view: 'head' },
  earRightRoot: { name: 'Right ear, where it begins at the skull', view: 'head' },
  earLeftEnd: { name: 'Left ear, lower end of its hair', view: 'head' },
  earRightEnd: { name: 'Right ear, lower end of its hair', view: 'head' },
  browLeft: { name: 'End of the left brow', view: 'head' },
  browRight: { name: 'End of the right brow', view: 'head' },
  muzzleLeft: { name: 'Left side of the muzzle, widest', view: 'head' },
  muzzleRight: { name: 'Right side of the muzzle, widest', view: 'head' },
  groinFront: { name: 'Groin hair, front end', view: 'profile' },
  groinBack: { name: 'Groin hair, back end', view: 'profile' },
  withers: { name: 'Withers', view: 'profile', onEdge: 'above' },
  tailSet: { name: 'Tail set', view: 'profile', onEdge: 'above' },
  elbow: { name: 'Elbow, where the skirt begins', view: 'profile', onEdge: 'below' },
  tuckUp: { name: 'Tuck-up, where the skirt ends', view: 'profile', onEdge: 'below' },
  breast: { name: 'Breastbone', view: 'profile', onEdge: 'before' },
  rump: { name: 'Rump', view: 'profile', onEdge: 'behind' },
  table: { name: 'Table under the fore foot', view: 'profile' },
  headTop: { name: 'Top of the head', view: 'profile', onEdge: 'above' },
  tailEnd: { name: 'End of the tail', view: 'profile', onEdge: 'above' },
  noseTip: { name: 'Tip of the nose', view: 'profile', onEdge: 'before' },
  stop: { name: 'Stop', view: 'profile' },
  brow: { name: 'Brow', view: 'profile', onEdge: 'above' },
  occiput: { name: 'Base of the skull, felt through the coat', view: 'profile' },
  ruffBack: { name: 'Back of the ruff', view: 'profile', onEdge: 'behind' },
  throat: { name: 'Throat', view: 'profile' },
  neckPoint: { name: 'Lowest point of the clipped neck', view: 'profile' },
  ankle: { name: 'Ankle, bend of the near fore foot', view: 'profile', depth: 'leg' },
  pointShoulder: { name: 'Point of shoulder', view: 'profile' },
  elbowJoint: { name: 'Elbow joint', view: 'profile' },
  tailRootAbove: { name: 'Tail’s root, upper edge', view: 'profile' },
  tailRootBelow: { name: 'Tail’s root, lower edge', view: 'profile' },
  tailTipAbove: { name: 'Near the tail’s tip, upper edge', view: 'profile' },
  tailTipBelow: { name: 'Near the tail’s tip, lower edge', view: 'profile' },
  bandEnd: { name: 'End of the bare band on the tail', view: 'profile' },
  tailRoot: { name: 'Root of the tail', view: 'profile' },
  pinBones: { name: 'Level of the pin bones', view: 'profile' },
  plumeEnd: { name: 'End of the plume, held down', view: 'profile' },
  foreEndFront: { name: 'End of the foreleg’s hair, front edge', view: 'profile', depth: 'leg' },
  foreEndBack: { name: 'End of the foreleg’s hair, back edge', view: 'profile', depth: 'leg' },
  foreMidFront: { name: 'Middle of the foreleg’s hair, front edge', view: 'profile', depth: 'leg' },
  foreMidBack: { name: 'Middle of the foreleg’s hair, back edge', view: 'profile', depth: 'leg' },
  rearEndFront: { name: 'End of the rear leg’s hair, front edge', view: 'profile', depth: 'leg' },
  rearEndBack: { name: 'End of the rear leg’s hair, back edge', view: 'profile', depth: 'leg' },
  rearMidFront: { name: 'Middle of the rear leg’s hair, front edge', view: 'profile', depth: 'leg' },
  rearMidBack: { name: 'Middle of the rear leg’s hair, back edge', view: 'profile', depth: 'leg' },
  foreTopHigh: { name: 'Fore bracelet, top bevel, upper end', view: 'profile', depth: 'leg' },
  foreTopLow: { name: 'Fore bracelet, top bevel, lower end', view: 'profile', depth: 'leg' },
  foreBottomHigh: { name: 'Fore bracelet, bottom bevel, upper end', view: 'profile', depth: 'leg' },
  foreBottomLow: { name: 'Fore bracelet, bottom bevel, lower end', view: 'profile', depth: 'leg' },
  rearTopHigh: { name: 'Rear bracelet, top bevel, upper end', view: 'profile', depth: 'leg' },
  rearTopLow: { name: 'Rear bracelet, top bevel, lower end', view: 'profile', depth: 'leg' },
  rearBottomHigh: { name: 'Rear bracelet, bottom bevel, upper end', view: 'profile', depth: 'leg' },
  rearBottomLow: { name: 'Rear bracelet, bottom bevel, lower end', view: 'profile', depth: 'leg' },
  foreLeftOut: { name: 'Left foreleg or bracelet, outer edge half way up', view: 'front' },
  foreLeftIn: { name: 'Left foreleg or bracelet, inner edge half way up', view: 'front' },
  foreRightIn: { name: 'Right foreleg or bracelet, inner edge half way up', view: 'front' },
  foreRightOut: { name: 'Right foreleg or bracelet, outer edge half way up', view: 'front' },
  foreLeftTop: { name: 'Left front bracelet, upper edge', view: 'front' },
  foreRightTop: { name: 'Right front bracelet, upper edge', view: 'front' },
  elbowLeft: { name: 'Left elbow, outer edge of the coat', view: 'front' },
  elbowRight: { name: 'Right elbow, outer edge of the coat', view: 'front' },
  footLeft: { name: 'Left foreleg, outer edge above the foot', view: 'front' },
  footRight: { name: 'Right foreleg, outer edge above the foot', view: 'front' },
  neckLeft: { name: 'Left side, where the neck meets the shoulder', view: 'front' },
  neckRight: { name: 'Right side, where the neck meets the shoulder', view: 'front' },
  hindLeftOut: { name: 'Left hind leg or bracelet, outer edge below the hock', view: 'rear' },
  hindLeftIn: { name: 'Left hind leg or bracelet, inner edge below the hock', view: 'rear' },
  hindRightIn: { name: 'Right hind leg or bracelet, inner edge below the hock', view: 'rear' },
  hindRightOut: { name: 'Right hind leg or bracelet, outer edge below the hock', view: 'rear' },
  hindLeftTop: { name: 'Left rear bracelet, upper edge', view: 'rear' },
  hindRightTop: { name: 'Right rear bracelet, upper edge', view: 'rear' },
  hockLeft: { name: 'Left hock, outer edge', view: 'rear' },
  hockRight: { name: 'Right hock, outer edge', view: 'rear' },
  hindFootLeft: { name: 'Left hind leg, outer edge above the foot', view: 'rear' },
  hindFootRight: { name: 'Right hind leg, outer edge above the foot', view: 'rear' },
  breechLeft: { name: 'Left thigh, widest', view: 'rear' },
  breechRight: { name: 'Right thigh, widest', view: 'rear' },
  tailRootBehind: { name: 'Root of the tail, in the middle', view: 'rear', depth: 'back', middle: true },
  bandLeft: { name: 'End of the bare band on the tail, left edge', view: 'rear' },
  bandRight: { name: 'End of the bare band on the tail, right edge', view: 'rear' },
  napeLeft: { name: 'Left side of the neck, behind the ear', view: 'above', depth: 'neck' },
  napeRight: { name: 'Right side of the neck, behind the ear', view: 'above', depth: 'neck' },
  shoulderLeft: { name: 'Left shoulder, where the neck ends', view: 'above', depth: 'neck' },
  shoulderRight: { name: 'Right shoulder, where the neck ends', view: 'above', depth: 'neck' },
  spineWithers: { name: 'Spine at the withers, felt through the coat', view: 'above', depth: 'back', middle: true },
  spineRib: { name: 'Spine over the last rib, felt through the coat', view: 'above', depth: 'back', middle: true },
  spineTail: { name: 'Spine at the tail, felt through the coat', view: 'above', depth: 'back', middle: true }
} as const satisfies Record<string, PlaceSpec>

export type PhotoPlace = keyof typeof PLACES_OF
export const PLACES: Readonly<Record<PhotoPlace, PlaceSpec>> = PLACES_OF
export const PLACE_IDS = Object.keys(PLACES_OF) as readonly PhotoPlace[]

type LineSpec = { readonly name: string; readonly view: PhotoView; readonly depth?: 'leg' | 'back'; readonly closed?: boolean }

const LINES_OF = {
  visor: { name: 'Visor, from outer corner to outer corner', view: 'head' },
  eyeLeftRound: { name: 'What is seen of the left eye', view: 'head', closed: true },
  eyeRightRound: { name: 'What is seen of the right eye', view: 'head', closed: true },
  beardEdge: { name: 'Lower edge of the beard', view: 'head' },
  headSideLeft: { name: 'Left side of the head, cheek to beard', view: 'head' },
  headSideRight: { name: 'Right side of the head, cheek to beard', view: 'head' },
  foreFront: { name: 'Near foreleg, front edge', view: 'profile', depth: 'leg' },
  foreBack: { name: 'Near foreleg, back edge', view: 'profile', depth: 'leg' },
  thighFront: { name: 'Near thigh, front edge', view: 'profile', depth: 'leg' },
  thighBack: { name: 'Near thigh, back edge', view: 'profile', depth: 'leg' },
  pasternFront: { name: 'Near rear pastern, front edge', view: 'profile', depth: 'leg' },
  hockBack: { name: 'Near rear pastern, back edge', view: 'profile', depth: 'leg' },
  footEdge: { name: 'Foot line of the near fore foot', view: 'profile', depth: 'leg' },
  shoulderEdge: { name: 'Shoulder line, withers to point of shoulder', view: 'profile' },
  eyeEar: { name: 'Line from outer eye corner to ear', view: 'profile' },
  face: { name: 'Face line, eye corner to mouth corner', view: 'profile' },
  stripInner: { name: 'Inner edge of the border strip', view: 'profile' },
  stripOuter: { name: 'Outer edge of the border strip', view: 'profile' },
  backPart: { name: 'Part along the back, withers to tail', view: 'above', depth: 'back' }
} as const satisfies Record<string, LineSpec>

export type LineId = keyof typeof LINES_OF
export const LINES: Readonly<Record<LineId, LineSpec>> = LINES_OF
export const LINE_IDS = Object.keys(LINES_OF) as readonly LineId[]
/** A drawn line has no fewer points than this. */
export const LEAST_LINE_POINTS = 5
