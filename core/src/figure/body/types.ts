import type { Point } from '../vec'

/** How an ear stands: folded over to a corner, hanging flat, hanging long, or pricked. */
export type EarKind = 'button' | 'drop' | 'long' | 'prick'

/**
 * Widths across the dog, as seen from the front, the rear and above. Shares of withers height; `skull` and `muzzle` of head
 * length. One number serves every view in which the width is seen.
 */
export type Breadth = {
  readonly skull: number
  readonly muzzle: number
  readonly neck: number
  readonly shoulder: number
  readonly ribs: number
  readonly loin: number
  readonly hip: number
  readonly thigh: number
  readonly foreleg: number
  readonly rearPastern: number
  readonly foot: number
  /** between the axes of the two forelegs, and of the two rear pasterns */
  readonly foreTrack: number
  readonly rearTrack: number
}

/** A body type: shares of withers height, head numbers as shares of head length, angles in degrees. Data in content. */
export type BodyType = {
  readonly id: string
  readonly label: string
  readonly withersMm: number
  /** body length, forechest, bone, foot, chest depth, dip of the back ... as shares of withers height */
  readonly len: number
  readonly fs: number
  readonly bone: number
  readonly foot: number
  readonly chest: number
  readonly dip: number
  readonly loin: number
  readonly rumpY: number
  readonly croupLen: number
  readonly croupDrop: number
  readonly ang: number
  readonly hock: number
  readonly stifleDy: number
  readonly tuck: number
  readonly fx: number
  readonly neck: number
  readonly neckAng: number
  readonly arch: number
  readonly headLen: number
  readonly muzzleShare: number
  readonly muzzleDepth: number
  readonly skullDepth: number
  readonly pitch: number
  readonly dome: number
  readonly stop: number
  readonly eyeV: number
  readonly earV: number
  readonly noseUp: number
  readonly earKind: EarKind
  readonly ear: readonly Point[]
  readonly earTipIndex: number
  readonly earCorner: boolean
  readonly tail: readonly Point[]
  readonly tailWidth: readonly [number, number, number]
  /** degrees by which the muzzle is tipped below the horizontal when the head is looked at from the front */
  readonly frontPitch: number
  readonly breadth: Breadth
}

/** A dog's own measurements, mm; what was not measured follows the body type. */
export type Measures = {
  readonly withersMm: number
  /** withers to tail set along the back */
  readonly backMm?: number
  /** stop to nose */
  readonly muzzleMm?: number
  /** elbow to ground */
  readonly forelegMm?: number
  /** length of the fore foot, heel to toe */
  readonly footMm?: number
}
