import type { Shape, ShapeKind, ViewId } from '@peen/core/figure'
import { t } from '../words'

/** The shapes as the trade calls them. */
export const SHAPE_NAMES: Readonly<Record<ShapeKind, string>> = {
  cylinder: t('figure.cylinder'),
  triangle: t('figure.triangleAboveHock'),
  filledThigh: t('figure.filledRearLeg'),
  feather: t('figure.feather'),
  straightLine: t('figure.underline'),
  circle: t('figure.roundHead'),
  dome: t('figure.dome'),
  topknot: t('figure.topknot'),
  visor: t('figure.visor'),
  brows: t('figure.brows'),
  beard: t('figure.beard'),
  band: t('figure.tailBandV'),
  pompon: t('figure.pompon'),
  ruff: t('figure.ruff'),
  halfRound: 'Half-round',
  stoutTail: t('figure.stoutTail'),
  plume: t('figure.plume'),
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
  radiusMm: t('figure.radius'),
  forwardMm: t('figure.centreForwardEye'),
  upMm: t('figure.centreAboveEye'),
  overEyeMm: t('figure.aboveMiddleEye'),
  lengthMm: t('figure.length'),
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
  { id: 'head', from: 'head', mirrored: false, name: t('figure.head') },
  { id: 'front', from: 'front', mirrored: false, name: t('figure.front') },
  { id: 'rear', from: 'rear', mirrored: false, name: t('figure.rear') },
  { id: 'above', from: 'above', mirrored: false, name: t('figure.above') }
]
