// The shapes scissors and clippers leave, each with its numbers in mm. A shape never leaves more hair than there is.
import type { CoreIssue } from '../../error'
import { CoreError } from '../../error'

export type Limb = 'fore' | 'rear'

/**
 * `hairMm` is hair left standing beyond the skin. All mm belong to the planned lengths: where a region is worn longer or
 * shorter than planned, its shape moves with it in proportion, as the same hands would leave it.
 */
export type Shape =
  /** a leg as a column: parallel in the middle, rounded off at the foot and, with `topBevelMm`, at its top;
   *  `topMm` above the ground makes it a bracelet, clipped above */
  | {
      readonly kind: 'cylinder'
      readonly limb: Limb
      readonly hairMm?: number
      readonly bottomBevelMm: number
      readonly topBevelMm?: number
      readonly topMm?: number
    }
  /** the rear leg above the hock in a straight line from hock to stifle */
  | { readonly kind: 'triangle'; readonly hairMm: number }
  /** the whole rear leg filled from hock to buttock: hair behind the second thigh, behind thigh and buttock, and in front */
  | {
      readonly kind: 'filledThigh'
      readonly gaskinMm: number
      readonly thighMm: number
      readonly buttockMm: number
      readonly frontMm: number
    }
  /** long hair left hanging behind a leg */
  | { readonly kind: 'feather'; readonly limb: Limb; readonly footMm: number; readonly topMm: number }
  /** the underline straight from elbow to tuck-up: hair left below brisket and flank */
  | { readonly kind: 'straightLine'; readonly frontMm: number; readonly rearMm: number }
  /** the head in a ball; the centre is given from the middle of the eye, forward and up, mm */
  | { readonly kind: 'circle'; readonly radiusMm: number; readonly forwardMm: number; readonly upMm: number }
  /** the skull rounded: hair left on its highest place, running out to brow and occiput */
  | { readonly kind: 'dome'; readonly hairMm: number }
  /** a ball of hair on the skull behind the brow */
  | { readonly kind: 'topknot'; readonly radiusMm: number }
  /** the fringe cut straight across from outer corner to outer corner, this far above the middle of the eye */
  | { readonly kind: 'visor'; readonly overEyeMm: number }
  /** two brows parted in the middle, cut to a point */
  | { readonly kind: 'brows'; readonly lengthMm: number }
  /** the beard cut straight below and flat at the sides */
  | { readonly kind: 'beard'; readonly lengthMm: number; readonly sideMm: number }
  /** the tail bare from its root, and the point that runs up into the croup */
  | { readonly kind: 'band'; readonly bareMm: number; readonly vMm: number }
  /** a ball at the end of the tail */
  | { readonly kind: 'pompon'; readonly radiusMm: number }
  /** hair behind the skull running out into the neck */
  | { readonly kind: 'ruff'; readonly depthMm: number }
  /** a half-round at cheeks, chin or ears */
  | { readonly kind: 'halfRound'; readonly on: 'cheek' | 'chin' | 'ear'; readonly radiusMm: number }
  /** a stout, blunt tail: hair left around it, evenly, and beyond its tip */
  | { readonly kind: 'stoutTail'; readonly hairMm: number; readonly beyondTipMm: number }
  /** hair hanging from the tail, cut straight: longest at the root or in the middle, none at the tip */
  | { readonly kind: 'plume'; readonly rootMm: number; readonly tipMm: number }
  /** the foot clipped bare up to a line this far above the ground, all round */
  | { readonly kind: 'footLine'; readonly heightMm: number }

export type ShapeKind = Shape['kind']

export function shapeOf<K extends ShapeKind>(shapes: readonly Shape[], kind: K): Extract<Shape, { kind: K }> | undefined {
  return shapes.find((shape): shape is Extract<Shape, { kind: K }> => shape.kind === kind)
}

export function shapesOf<K extends ShapeKind>(shapes: readonly Shape[], kind: K): readonly Extract<Shape, { kind: K }>[] {
  return shapes.filter((shape): shape is Extract<Shape, { kind: K }> => shape.kind === kind)
}

/** Numbers that say where a shape is or how large its round is: they belong to the dog. The others are hair, which a tool leaves. */
const OF_THE_BODY: ReadonlySet<string> = new Set(['topMm', 'heightMm', 'bareMm', 'vMm', 'radiusMm', 'forwardMm', 'upMm', 'overEyeMm'])

/** The shapes of a trim on a dog that stands `share` times as high as its body type: places and rounds grow with it, hair does not. */
export function sizedTo(shapes: readonly Shape[], share: number): readonly Shape[] {
  if (share === 1) return shapes
  const sized = ([field, value]: [string, unknown]) => [field, OF_THE_BODY.has(field) && typeof value === 'number' ? value * share : value]
  return shapes.map((shape) => Object.fromEntries(Object.entries(shape).map(sized)) as Shape)
}

/** Most that a shape's number may be, mm: larger is a slip of the finger. */
const MOST_MM = 320

/** What is wrong with a shape's numbers, for an editor: empty when all are between 0 (offsets: -160) and 320 mm. */
export function shapeIssues(shape: Shape): CoreIssue[] {
  return Object.entries(shape).flatMap(([field, value]) => {
    if (field === 'kind' || field === 'limb' || field === 'on') return []
    const least = field === 'forwardMm' || field === 'upMm' || field === 'overEyeMm' ? -MOST_MM / 2 : 0
    return typeof value === 'number' && value >= least && value <= MOST_MM
      ? []
      : [{ code: 'outOfRange', path: `shapes.${shape.kind}.${field}`, got: value, limit: `${least} to ${MOST_MM} mm` }]
  })
}

/** @throws CoreError with the first thing that is wrong */
export function checkShapes(shapes: readonly Shape[]): void {
  const [issue] = shapes.flatMap(shapeIssues)
  if (issue) throw new CoreError(issue)
}
