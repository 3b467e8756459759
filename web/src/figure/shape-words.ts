import type { Shape, ShapeKind, ViewId } from '@peen/core/figure'

/** The shapes as the trade calls them. */
export const SHAPE_NAMES: Readonly<Record<ShapeKind, string>> = {
  cylinder: 'Cylinder',
  triangle: 'Triangle above the hock',
  filledThigh: 'Filled rear leg',
  feather: 'Feather',
  straightLine: 'Underline',
  circle: 'Round head',
  dome: 'Dome',
  topknot: 'Topknot',
  visor: 'Visor',
  brows: 'Brows',
  beard: 'Beard',
  band: 'Tail band and V',
  pompon: 'Pompon',
  ruff: 'Ruff',
  halfRound: 'Half-round',
  stoutTail: 'Stout tail',
  plume: 'Plume',
  footLine: 'Foot line'
}

const FIELD_NAMES: Readonly<Record<string, string>> = {
  hairMm: 'hair left standing',
  bottomBevelMm: 'bevel at the bottom',
  topBevelMm: 'bevel at the top',
  topMm: 'top, above ground',
  gaskinMm: 'behind the second thigh',
  thighMm: 'behind the thigh',
  buttockMm: 'behind the buttock',
  frontMm: 'left in front',
  rearMm: 'left at the tuck-up',
  footMm: 'at the foot',
  radiusMm: 'radius',
  forwardMm: 'centre forward of the eye',
  upMm: 'centre above the eye',
  overEyeMm: 'above the middle of the eye',
  lengthMm: 'length',
  sideMm: 'left at the sides',
  bareMm: 'bare from the root',
  vMm: 'point into the croup',
  depthMm: 'behind the skull',
  beyondTipMm: 'beyond the tip',
  rootMm: 'at the root',
  tipMm: 'at the tip',
  heightMm: 'above ground'
}

export type ShapeNumber = {
  readonly field: string
  readonly name: string
  readonly value: number
  readonly low: number
  readonly high: number
}

/** The numbers of a shape that can be moved, each with a range around what is planned, mm. */
export function shapeNumbers(shape: Shape, planned: Shape): readonly ShapeNumber[] {
  const now = shape as unknown as Readonly<Record<string, unknown>>
  return Object.entries(planned).flatMap(([field, value]) => {
    if (typeof value !== 'number') return []
    const canBeNegative = field === 'forwardMm' || field === 'upMm' || field === 'overEyeMm'
    const reach = Math.max(12, Math.abs(value) * 0.7)
    const low = canBeNegative ? Math.round(value - reach) : Math.max(0, Math.round(value - reach))
    return [{ field, name: FIELD_NAMES[field] ?? field, value: now[field] as number, low, high: Math.round(value + reach) }]
  })
}

export function shapeTitle(shape: Shape): string {
  const where = 'limb' in shape ? (shape.limb === 'fore' ? ', foreleg' : ', rear leg') : 'on' in shape ? `, ${shape.on}` : ''
  return SHAPE_NAMES[shape.kind] + where
}

export const VIEW_NAMES: readonly { readonly id: string; readonly from: ViewId; readonly mirrored: boolean; readonly name: string }[] = [
  { id: 'left', from: 'side', mirrored: false, name: 'left side' },
  { id: 'right', from: 'side', mirrored: true, name: 'right side' },
  { id: 'head', from: 'head', mirrored: false, name: 'head' },
  { id: 'front', from: 'front', mirrored: false, name: 'front' },
  { id: 'rear', from: 'rear', mirrored: false, name: 'rear' },
  { id: 'above', from: 'above', mirrored: false, name: 'above' }
]
