import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CoreError } from '../../error'
import {
  BOARDS,
  BOARD_KINDS,
  cornersOf,
  frameOf,
  markerCells,
  poseOf,
  toMm,
  toPx,
  type BoardKind,
  type PhotoPoint,
  type ScaleMark
} from '..'

const RAD = Math.PI / 180
const CENTRE: PhotoPoint = [800, 600]
const SIZE = { widthPx: 1600, heightPx: 1200 }

type Camera = {
  readonly f: number
  readonly pitch: number
  readonly yaw: number
  readonly roll: number
  readonly eye: readonly [number, number, number]
}

/** A pinhole written on its own: axes of the camera from its angles, then similar triangles. Ref: Hartley & Zisserman 2004, 6.1. */
function seen({ f, pitch, yaw, roll, eye }: Camera, [x, y, z]: readonly [number, number, number]): PhotoPoint {
  const [cp, sp, cy, sy] = [Math.cos(pitch * RAD), Math.sin(pitch * RAD), Math.cos(yaw * RAD), Math.sin(yaw * RAD)]
  const forward = [sy * cp, sp, cy * cp]
  const right = [cy, 0, -sy]
  const down = [
    forward[1]! * right[2]! - forward[2]! * right[1]!,
    forward[2]! * right[0]! - forward[0]! * right[2]!,
    forward[0]! * right[1]! - forward[1]! * right[0]!
  ]
  const off = [x - eye[0], y - eye[1], z - eye[2]]
  const along = (axis: readonly number[]) => axis.reduce((sum, value, i) => sum + value * off[i]!, 0)
  const [u, v] = [(f * along(right)) / along(forward), (f * along(down)) / along(forward)]
  const [c, s] = [Math.cos(roll * RAD), Math.sin(roll * RAD)]
  return [CENTRE[0] + u * c + v * s, CENTRE[1] - u * s + v * c]
}

/** The board with its middle at x, y, z, upright and square to z, as that camera sees it. */
const boardSeen = (camera: Camera, kind: BoardKind, [bx, by, bz]: readonly [number, number, number], ids?: readonly number[]) => {
  const { widthMm, heightMm, markers } = BOARDS[kind]
  return {
    kind,
    uPx: 0.15,
    markers: markers
      .filter(({ id }) => !ids || ids.includes(id))
      .map((marker) => ({
        id: marker.id,
        corners: cornersOf(marker).map(([x, y]) => seen(camera, [bx + x - widthMm / 2, by + y - heightMm / 2, bz]))
      }))
  }
}
const issueOf = (run: () => unknown) => {
  try {
    run()
  } catch (error) {
    if (error instanceof CoreError) return error.issue
    throw error
  }
  return null
}

describe('a printed board', () => {
  // Ref: Garrido-Jurado et al. 2016, Pattern Recognition 51:481-491: the codes of ARUCO_MIP_36h12 differ in 12 cells at least, turned as one likes
  it('has markers that differ in 12 cells or more, however they are turned', () => {
    const turned = (rows: readonly (readonly boolean[])[]) => rows[0]!.map((_, i) => rows.map((row) => row[i]!).reverse())
    const ids = BOARD_KINDS.flatMap((kind) => BOARDS[kind].markers.map(({ id }) => id))
    const off = (a: readonly (readonly boolean[])[], b: typeof a) => a.flat().filter((cell, i) => cell !== b.flat()[i]).length
    let pairs = 0
    for (const one of ids)
      for (const other of ids) {
        let rows = markerCells(other)
        for (let quarter = 0; quarter < 4; quarter++) {
          if (one !== other || quarter > 0) {
            expect(off(markerCells(one), rows)).toBeGreaterThanOrEqual(12)
            pairs++
          }
          rows = turned(rows)
        }
      }
    expect(pairs).toBe(12 * 11 * 4 + 12 * 3)
  })

  it('lies on its sheet, with a white cell or more round each marker', () => {
    for (const kind of BOARD_KINDS) {
      const { markers, widthMm, heightMm, line } = BOARDS[kind]
      for (const { at, sideMm, id } of markers) {
        const gap = sideMm / 8
        expect(Math.min(at[0], at[1], widthMm - at[0] - sideMm, line.from[1] - at[1] - sideMm)).toBeGreaterThanOrEqual(gap)
        for (const other of markers.filter((own) => own.id !== id)) {
          const [dx, dy] = [Math.abs(other.at[0] - at[0]), Math.abs(other.at[1] - at[1])]
          expect(Math.max(dx, dy) - sideMm).toBeGreaterThanOrEqual(gap)
        }
      }
      expect(line.from[1]).toBeLessThan(heightMm - 4)
    }
  })
})

const angle = fc.double({ min: -14, max: 14, noNaN: true })
const cameras = fc.record({
  f: fc.double({ min: 1200, max: 4500, noNaN: true }),
  pitch: angle,
  yaw: angle,
  roll: fc.double({ min: -179, max: 179, noNaN: true })
})

describe('the camera before a board', () => {
  it('is found as it is, wherever the board stands, from any number of markers of two or more', () => {
    let cases = 0
    fc.assert(
      fc.property(
        cameras,
        fc.double({ min: -250, max: 250, noNaN: true }),
        fc.subarray([0, 1, 2, 3, 4, 5], { minLength: 2 }),
        (angles, aside, ids) => {
          const camera: Camera = { ...angles, eye: [0, 0, -2000] }
          const pose = poseOf(boardSeen(camera, 'large', [aside, 100, 0], ids), CENTRE, {
            mm: 2000 / (Math.cos(angles.pitch * RAD) * Math.cos(angles.yaw * RAD)),
            uMm: 60
          })
          // a board on its side or on its head is read as one that stands
          const quarters = Math.round(angles.roll / 90) * 90
          const { pitch: p, yaw: y } = angles
          if (quarters === 0) {
            expect(pose.pitch / RAD).toBeCloseTo(p, 1)
            expect(pose.yaw / RAD).toBeCloseTo(y, 1)
          }
          expect(Math.abs(pose.roll / RAD)).toBeLessThan(46)
          expect(Math.abs(pose.focalPx / pose.distanceMm / (camera.f / (2000 / (Math.cos(p * RAD) * Math.cos(y * RAD)))) - 1)).toBeLessThan(
            2e-3
          )
          cases++
        }
      )
    )
    expect(cases).toBeGreaterThanOrEqual(100)
  })

  it('is refused by one marker alone, and before a board that lies or is turned away', () => {
    const camera: Camera = { f: 3000, pitch: 0, yaw: 0, roll: 0, eye: [0, 0, -2000] }
    expect(issueOf(() => poseOf(boardSeen(camera, 'large', [0, 0, 0], [3]), CENTRE, { mm: 2000, uMm: 60 }))).toMatchObject({
      code: 'tooFewMarkers',
      got: 1
    })
    const above: Camera = { ...camera, pitch: 35, eye: [0, -1150, -1640] }
    expect(issueOf(() => poseOf(boardSeen(above, 'large', [0, 0, 0]), CENTRE, { mm: 2000, uMm: 60 }))).toMatchObject({
      code: 'boardTilted'
    })
  })

  it('is less sure by two markers than by six, and by a board far aside not surer than by a tape', () => {
    const camera: Camera = { f: 3000, pitch: 3, yaw: -2, roll: 1, eye: [0, 0, -2000] }
    const six = poseOf(boardSeen(camera, 'large', [200, 100, 0]), CENTRE, { mm: 2000, uMm: 60 })
    const two = poseOf(boardSeen(camera, 'large', [200, 100, 0], [0, 1]), CENTRE, { mm: 2000, uMm: 60 })
    expect(two.u.pitch).toBeGreaterThan(six.u.pitch)
    expect(two.u.pxPerMm01).toBeGreaterThan(six.u.pxPerMm01)
  })
})

describe('a small board far off', () => {
  it('does not say from which side it is seen, and says that it does not', () => {
    // 38 mm markers at six metres: five pixels each
    const camera: Camera = { f: 800, pitch: 6, yaw: 4, roll: 0, eye: [0, 0, -6000] }
    const board = boardSeen(camera, 'small', [200, 100, 0])
    const third = (value: number) => Math.round(value * 3) / 3
    const rough = {
      ...board,
      uPx: 0.3,
      markers: board.markers.map(({ id, corners }) => ({ id, corners: corners.map(([x, y]): PhotoPoint => [third(x), third(y)]) }))
    }
    const { pitch, yaw, u } = poseOf(rough, CENTRE, { mm: 6000, uMm: 60 })
    for (const [told, own, by] of [
      [pitch, camera.pitch, u.pitch],
      [yaw, camera.yaw, u.yaw]
    ] as const) {
      expect(by / RAD).toBeGreaterThan(3)
      expect(Math.abs(told / RAD - own)).toBeLessThan((2 * by) / RAD)
    }
  })
})

const scaleBy = (
  camera: Camera,
  kind: BoardKind,
  behindMm: number,
  middle: PhotoPoint,
  lineMm = BOARDS[kind].line.lengthMm
): ScaleMark => ({
  ...{ what: 'board', upright: true, lengthMm: 297, behindMm, behindUMm: 5, cameraMm: 2000, endUPx: 1, check: null },
  ends: [
    [0, 0],
    [0, 100]
  ],
  board: { ...boardSeen(camera, kind, [middle[0], middle[1], behindMm]), lineMm }
})

describe('a frame by a board', () => {
  it('puts places of the plane, and before it, where they are', () => {
    const camera: Camera = { f: 3000, pitch: 5, yaw: -3, roll: 2, eye: [100, -175, -1995] }
    const frame = frameOf('left', SIZE, scaleBy(camera, 'large', 30, [250, 60]))
    const places = [
      [-200, -100],
      [150, 80],
      [0, 0]
    ] as const
    for (const depth of [0, 60]) {
      // only differences are told: where the camera looks is the frame's own middle
      const mm = places.map(([x, y]) => toMm(frame, seen(camera, [x, y, -depth]), depth))
      for (const i of [1, 2]) {
        expect(mm[i]![0] - mm[0]![0]).toBeCloseTo(places[i]![0] - places[0][0], 0)
        expect(mm[i]![1] - mm[0]![1]).toBeCloseTo(places[i]![1] - places[0][1], 0)
      }
    }
    // what lies before the plane is seen lower by a camera that looks down: by tan(5 degrees) of its depth, 5.2 mm of 60
    const [flat, near] = [toMm(frame, seen(camera, [0, 0, 0])), toMm(frame, seen(camera, [0, 0, -60]))]
    expect(near[1] - flat[1]).toBeGreaterThan(4)
  })

  it('goes there and back', () => {
    fc.assert(
      fc.property(
        angle,
        angle,
        fc.double({ min: -300, max: 300, noNaN: true }),
        fc.double({ min: -300, max: 300, noNaN: true }),
        fc.double({ min: -80, max: 80, noNaN: true }),
        (pitch, yaw, x, y, depth) => {
          const own = frameOf('right', SIZE, scaleBy({ f: 3000, pitch, yaw, roll: 1, eye: [0, 0, -2000] }, 'large', 0, [150, 60]))
          const [u, v] = toMm(own, toPx(own, [x, y], depth), depth)
          expect(Math.hypot(u - x, v - y)).toBeLessThan(1e-6)
        }
      )
    )
  })

  it('makes everything smaller by as much as a printer shrank the board', () => {
    const camera: Camera = { f: 3000, pitch: 0, yaw: 0, roll: 0, eye: [0, 0, -2000] }
    const meant = frameOf('left', SIZE, scaleBy(camera, 'large', 0, [150, 60]))
    const shrunk = frameOf('left', SIZE, scaleBy(camera, 'large', 0, [150, 60], 150 * 0.97))
    expect(meant.pxPerMm).toBeCloseTo(1.5, 3)
    expect(shrunk.pxPerMm / meant.pxPerMm).toBeCloseTo(1 / 0.97, 3)
  })

  it('takes no turn from a board beside a head: its own nose tells that', () => {
    const camera: Camera = { f: 3000, pitch: 4, yaw: 6, roll: 0, eye: [0, 0, -1000] }
    const { tilt } = frameOf('head', SIZE, { ...scaleBy(camera, 'small', 0, [120, 0]), cameraMm: 1000 })
    expect(tilt.yaw).toBe(0)
    expect(tilt.pitch / RAD).toBeCloseTo(4, 1)
  })
})
