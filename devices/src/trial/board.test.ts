// The measuring board in drawn pictures: against where the scene has it, and against a general vision library on the same pictures.
import { bodyById, coats, colouringOf } from '@peen/content'
import { CoreError } from '@peen/core/error'
import {
  BOARDS,
  cornersOfMarker,
  findBoard,
  findOutline,
  overlap01,
  evenly,
  poseOf,
  withoutBoard,
  type Picture,
  type PhotoPoint
} from '@peen/core/measure'
import { beforeAll, describe, expect, it } from 'vitest'
import { expose, onBoard, pictureOf, stageOf, usualScene, type Scene, type Seen } from '../camera'
import { visionReady } from './vision'
import { visionMarkers, visionPose } from './vision-board'

beforeAll(() => visionReady(), 300000)

const DEG = 180 / Math.PI
const coat = coats.find(({ id }) => id === 'teddy')!
const body = bodyById(coat.body)

function sceneWith(seen: Seen, board: Scene['board'], camera: Partial<Scene['camera']> = {}): Scene {
  const usual = usualScene({ body, withersMm: body.withersMm, colouring: colouringOf('white'), coat }, seen)
  return {
    ...usual,
    ruler: null,
    board,
    picture: { widthPx: 1200, heightPx: 900, jpegQuality: 88 },
    camera: { ...usual.camera, pxPerMm: seen === 'head' ? 2 : 1.15, ...camera }
  }
}
const taken = (scene: Scene): Picture => pictureOf(expose(scene))
/** Where the scene itself has the corners of a marker, px. */
const trueCorners = (scene: Scene, id: number): PhotoPoint[] => {
  const stage = stageOf(scene)
  return cornersOfMarker(id).map((place) => {
    const [x, y] = stage.toPx(onBoard(stage, [place[0], place[1]]))!
    return [x, y]
  })
}
const apart = (a: readonly PhotoPoint[], b: readonly PhotoPoint[]) =>
  Math.max(...a.map(([x, y], i) => Math.hypot(b[i]![0] - x, b[i]![1] - y)))

const HELD: readonly (readonly [string, Seen, NonNullable<Scene['board']>, Partial<Scene['camera']>])[] = [
  ['square before the camera', 'left', { kind: 'large', depthMm: 0 }, {}],
  ['seen from above, rolled', 'right', { kind: 'large', depthMm: -30 }, { pitchDeg: 6, rollDeg: -2 }],
  ['turned, beside a head', 'head', { kind: 'small', depthMm: 0, atMm: [110, -70], turnDeg: 4 }, { pitchDeg: -4 }],
  ['in dusk, with much grain', 'left', { kind: 'large', depthMm: 20, leanDeg: 2 }, { pitchDeg: 2, rollDeg: 1 }]
]

describe('a board in a picture', () => {
  it.each(HELD)('%s: every marker to a third of a pixel, as the library has it', (name, seen, board, camera) => {
    const usual = sceneWith(seen, board, camera)
    const scene = name.startsWith('in dusk') ? { ...usual, noise: 9, light: { ...usual.light, falloff: 0.6 } } : usual
    const picture = taken(scene)
    const found = findBoard(picture)!
    expect(found.kind).toBe(board.kind)
    expect(found.markers).toHaveLength(6)
    const theirs = visionMarkers(picture)
    for (const { id, corners } of found.markers) {
      expect(apart(corners, trueCorners(scene, id))).toBeLessThan(0.34)
      expect(apart(corners, theirs.get(id)!)).toBeLessThan(0.7)
    }
    // Ref: solvePnP of the library, given the camera's true focal length
    const { lens } = stageOf(scene)
    const pose = poseOf(found, [600, 450], { mm: scene.camera.distanceMm - board.depthMm, uMm: 30 })
    const { widthMm, heightMm } = BOARDS[board.kind]
    const mm = found.markers.flatMap(({ id }) => cornersOfMarker(id).map(([x, y]): PhotoPoint => [x - widthMm / 2, y - heightMm / 2]))
    const { rotation } = visionPose(
      mm,
      found.markers.flatMap(({ corners }) => corners),
      lens.focalPx,
      [600, 450]
    )
    expect(Math.abs(pose.pitch - Math.asin(rotation[7]!)) * DEG).toBeLessThan(0.4)
    expect(Math.abs(pose.yaw - Math.atan2(rotation[6]!, rotation[8]!)) * DEG).toBeLessThan(0.4)
    expect(Math.abs(pose.roll - Math.atan2(rotation[1]!, rotation[4]!)) * DEG).toBeLessThan(0.2)
  })

  it.each([
    ['on its head', 180],
    ['on its side', 90],
    ['on its other side', -90]
  ])('%s tells the same camera', (_, roundDeg) => {
    const scene = sceneWith('left', { kind: 'large', depthMm: 0, roundDeg }, { pitchDeg: 5, rollDeg: 1 })
    const found = findBoard(taken(scene))!
    const pose = poseOf(found, [600, 450], { mm: 2200, uMm: 60 })
    expect(pose.pitch * DEG).toBeCloseTo(5, 0)
    expect(pose.roll * DEG).toBeCloseTo(1, 0)
    expect(pose.focalPx / pose.distanceMm).toBeCloseTo(1.15, 2)
  })

  it('half hidden is read by what is left, one marker alone tells nothing, and none is no board', () => {
    const part = findBoard(taken(sceneWith('left', { kind: 'large', depthMm: 0, hidden: [0, 1, 2] })))!
    expect(part.markers.map(({ id }) => id)).toEqual([3, 4, 5])
    expect(poseOf(part, [600, 450], { mm: 2200, uMm: 60 }).roll * DEG).toBeCloseTo(0, 0)
    expect(findBoard(taken(sceneWith('left', { kind: 'large', depthMm: 0, hidden: [0, 1, 2, 3, 4] })))!.markers).toHaveLength(1)
    expect(findBoard(taken(sceneWith('left', { kind: 'large', depthMm: 0, hidden: [0, 1, 2, 3, 4, 5] })))).toBeNull()
    // a ruler of dark and light centimetres is none
    expect(findBoard(taken({ ...sceneWith('left', undefined), ruler: { lengthMm: 200, depthMm: 0 } }))).toBeNull()
  })

  it('that lies on the table is refused', () => {
    const found = findBoard(taken(sceneWith('left', { kind: 'large', depthMm: 0, leanDeg: 50 }, { pitchDeg: 20 })))
    expect(found).not.toBeNull()
    const refused = () => poseOf(found!, [600, 450], { mm: 2200, uMm: 60 })
    expect(refused).toThrow(CoreError)
    expect(refused).toThrow(/degrees/)
  })

  it('is no part of a white dog beside it', () => {
    const [with_, without] = [sceneWith('left', { kind: 'large', depthMm: 0 }), sceneWith('left', undefined)]
    const picture = taken(with_)
    const bare = findOutline(withoutBoard(picture, findBoard(picture)!), 'body', undefined, 1.15)
    const alone = findOutline(taken(without), 'body', undefined, 1.15)
    expect(overlap01(evenly(bare.outline, 3), evenly(alone.outline, 3))).toBeGreaterThan(0.99)
    expect(bare.doubts).toEqual(alone.doubts)
  })
})
