// How an outline is put right by hand.
import { shapeTouches, type Seen, type ShapeTouch } from '@peen/core/measure'
import { t } from '../words'

export type OutlineTool = 'look' | 'shape' | 'backdrop' | 'dog' | 'wall' | 'anchor'

/** Fitting the dog's shape needs two places that are seen on every dog. */
export const outlineTools = (seen: Seen): readonly { readonly value: OutlineTool; readonly name: string }[] => [
  { value: 'look', name: t('measure.look') },
  ...(shapeTouches(seen).length > 0 ? [{ value: 'shape', name: t('measure.fitShape') } as const] : []),
  { value: 'backdrop', name: t('measure.touchBackdrop') },
  { value: 'dog', name: t('measure.paintDog') },
  { value: 'wall', name: t('measure.paintBackdrop') },
  { value: 'anchor', name: t('measure.edgeRunsHere') }
]

const TOUCH: Readonly<Record<ShapeTouch, string>> = {
  eye: t('measure.touchEye'),
  tailRoot: t('measure.touchTailRoot'),
  eyeRight: t('measure.touchEyeLeftInPicture'),
  eyeLeft: t('measure.touchOtherEye')
}
const SAYS: Readonly<Record<Exclude<OutlineTool, 'shape'>, string>> = {
  look: t('measure.checkAllWayRoundWhere'),
  backdrop: t('measure.touchAnyWallOrTable'),
  dog: t('measure.paintOverAnyDogLeft'),
  wall: t('measure.paintOverAnythingMistakenDog'),
  anchor: t('measure.touchWhereEdgeCoatReally')
}
/** What to do with a tool; `touched`: how many places of the shape are touched already. */
export const sayTool = (tool: OutlineTool, seen: Seen, touched: number): string =>
  tool === 'shape' ? TOUCH[shapeTouches(seen)[touched] ?? 'eye'] : SAYS[tool]
