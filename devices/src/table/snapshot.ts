// The table camera as a device: told what stands before it, it answers with a photograph and nothing else.
import { CoreError } from '@peen/core/error'
import { standingWide, type BodyType, type Coat, type Colouring, type Fault, type Lengths } from '@peen/core/figure'
import { seedOf } from '@peen/core/stats'
import { isAlong, photograph, usualScene, type Scene, type Seen } from '../camera'

/** The dog as it is planned: what a real camera would simply see. */
export type BeforeCamera = {
  readonly name: string
  readonly seen: Seen
  readonly moment: string
  readonly withersMm: number
  readonly body: BodyType
  readonly coat: Coat
  readonly colouring: Colouring
}

/** How a dog of this name really stands there, before and after: known to the device alone. */
export type Standing = {
  readonly faults?: readonly Fault[]
  readonly lengths?: Lengths
  readonly days?: number
  readonly yawDeg?: number
}
export type Stands = Readonly<Record<string, Readonly<Record<string, Standing>>>>

const SEEN: readonly Seen[] = ['left', 'right', 'head', 'front', 'rear', 'above']
/** A table camera sees two megapixels, three by four. */
export const USUAL_WIDTH_PX = 1632
/** Hair that has grown since the last trim, days: how a dog comes in. */
const BEFORE_DAYS = 40

/** A camera is held upright for a dog that is seen along it: as many pixels, the other way round. */
const turned = (widthPx: number) => ({ widthPx: Math.round(widthPx * 0.75), heightPx: widthPx })

/** The scene that a request makes. @throws CoreError for what no camera could see */
export function sceneFor(before: BeforeCamera, stands: Stands, widthPx = USUAL_WIDTH_PX): Scene {
  const { name, seen, moment, withersMm, body, coat, colouring } = before
  if (!SEEN.includes(seen)) throw new CoreError({ code: 'unknown', path: 'seen', got: seen, limit: SEEN.join(', ') })
  const own = stands[name]?.[moment] ?? (moment === 'before' ? { days: BEFORE_DAYS } : {})
  const worn = { lengths: { ...coat.lengths, ...own.lengths }, faults: own.faults ?? [], days: own.days ?? 0 }
  // a dog is stood up wide for a picture along it
  const stood = isAlong(seen) ? standingWide(body, withersMm, worn.lengths) : body
  const scene = usualScene({ body: stood, withersMm, colouring, coat, worn }, seen)
  return {
    ...scene,
    picture: { ...(isAlong(seen) ? turned(widthPx) : { widthPx, heightPx: Math.round(widthPx * 0.75) }), jpegQuality: 90 },
    camera: { ...scene.camera, yawDeg: own.yawDeg ?? 0 },
    seed: Math.abs(seedOf(`${name} ${seen} ${moment}`)) % 100000
  }
}

export const snapshot = (before: BeforeCamera, stands: Stands, widthPx?: number): Promise<Buffer> =>
  photograph(sceneFor(before, stands, widthPx))
