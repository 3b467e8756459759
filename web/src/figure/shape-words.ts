import type { Shape, ShapeKind, ViewId } from '@peen/core/figure'
import { t } from '../words'

/** The shapes as the trade calls them. */
export const SHAPE_NAMES: Readonly<Record<ShapeKind, string>> = {
  cylinder: 'Cylinder',
  triangle: t('figure.triangleAboveHock'),
  filledThigh: t('figure.filledRearLeg'),
  feather: 'Feather',
  straightLine: 'Underline',
  circle: t('figure.roundHead'),
  dome: 'Dome',
  topknot: 'Topknot',
  visor: 'Visor',
  brows: 'Brows',
  beard: 'Beard',
  band: t('figure.tailBandV'),
  pompon: 'Pompon',
  ruff: 'Ruff',
  halfRound: 'Half-round',
  stoutTail: t('figure.stoutTail'),
  plume: 'Plume',
  footLine: t('figure.footLine')
}

const FIELD_NAMES: Readonly<Record<string, string>> = {
  hairMm: t('figure.hairLeft'),
  bottomBevelMm: t('figure.bevelBottom'),
  topBevelMm: t('figure.bevelTop'),
  topMm: t('figure.topAboveGround'),
  gaskinMm: t('figure.behindSecondThigh'),
  thighMm: t('figure.behindThigh'),
  buttockMm: t('figure.behindButtock'),
  frontMm: t('figure.leftFront'),
  rearMm: t('figure.leftTuckUp'),
  footMm: t('figure.foot'),
  radiusMm: 'radius',
  forwardMm: t('figure.centreForwardEye'),
  upMm: t('figure.centreAboveEye'),
  overEyeMm: t('figure.aboveMiddleEye'),
  lengthMm: 'length',
  sideMm: t('figure.leftSides'),
  bareMm: t('figure.bareFromRoot'),
  vMm: t('figure.pointIntoCroup'),
  depthMm: t('figure.behindSkull'),
  beyondTipMm: t('figure.beyondTip'),
  rootMm: t('figure.root'),
  tipMm: t('figure.tip'),
  heightMm: t('figure.aboveGround')
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
  const where = 'limb' in shape ? (shape.limb === 'fore' ? t('figure.foreleg') : t('figure.rearLeg')) : 'on' in shape ? `, ${shape.on}` : ''
  return SHAPE_NAMES[shape.kind] + where
}

export const VIEW_NAMES: readonly { readonly id: string; readonly from: ViewId; readonly mirrored: boolean; readonly name: string }[] = [
  { id: 'left', from: 'side', mirrored: false, name: t('figure.leftSide2') },
  { id: 'right', from: 'side', mirrored: true, name: t('figure.rightSide2') },
  { id: 'head', from: 'head', mirrored: false, name: 'head' },
  { id: 'front', from: 'front', mirrored: false, name: 'front' },
  { id: 'rear', from: 'rear', mirrored: false, name: 'rear' },
  { id: 'above', from: 'above', mirrored: false, name: 'above' }
]
