// The camera against geometry that it does not contain: hand calculations, laws of projection, another rasteriser.
import { bodyById, coatFor, coats, colouringOf } from '@peen/content'
import fc from 'fast-check'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { truthOf } from '../truth'
import { expose, photograph, project, rayThrough, turned, usualScene, type Lens, type Pixels, type Place3, type Scene, type Seen } from '.'

const SLOW = { timeout: 60000 }
const dogOf = (coatId: string, worn?: Scene['dog']['worn']): Scene['dog'] => {
  const coat = coatFor('', coatId)
  const body = bodyById(coat.body)
  return { body, withersMm: body.withersMm, colouring: colouringOf(coat.colour), coat, worn }
}
/** A dog before an even wall: no lamp, no table, no grain. */
const plain = (seen: Seen, coatId = 'bearded-pet', worn?: Scene['dog']['worn']): Scene => ({
  ...usualScene(dogOf(coatId, worn), seen),
  picture: { widthPx: 480, heightPx: 400, jpegQuality: 90 },
  light: { falloff: 0, lamp: [0, 1000, 1500], shadow: 0 },
  wall: { colour: '#2040c0', behindMm: 600 },
  table: null,
  ruler: null,
  noise: 0
})
const WALL = [32, 64, 192]
const at = ({ w, rgb }: Pixels, u: number, v: number) => {
  const o = 3 * (Math.floor(v) * w + Math.floor(u))
  return [rgb[o], rgb[o + 1], rgb[o + 2]]
}
const isWall = (colour: readonly number[]) => WALL.every((value, c) => Math.abs(colour[c] - value) <= 2)

describe('the pinhole', () => {
  const lens: Lens = { eye: [0, 0, 1000], focalPx: 2000, centrePx: [400, 300], rollDeg: 0 }

  // Ref: hand calculation, similar triangles: 100 mm at 1000 mm under a focal length of 2000 px are 200 px, at 800 mm 250 px
  it('shrinks with distance as similar triangles do', () => {
    expect(project(lens, [100, 50, 0])).toEqual([600, 200])
    expect(project(lens, [100, 50, 200])).toEqual([650, 175])
    expect(project(lens, [0, 0, 1000])).toBeNull()
    const [u, v] = project({ ...lens, rollDeg: 90 }, [100, 0, 0])!
    expect([u, v].map(Math.round)).toEqual([400, 100])
  })

  it('meets the place again along the ray of its pixel, whatever the roll', () => {
    const mm = fc.double({ min: -500, max: 500, noNaN: true })
    fc.assert(
      fc.property(
        mm,
        mm,
        fc.double({ min: -400, max: 600, noNaN: true }),
        fc.double({ min: -45, max: 45, noNaN: true }),
        (x, y, z, rollDeg) => {
          const rolled = { ...lens, rollDeg }
          const ray = rayThrough(rolled, ...project(rolled, [x, y, z])!)
          expect(ray[0] * (1000 - z)).toBeCloseTo(x, 6)
          expect(ray[1] * (1000 - z)).toBeCloseTo(y, 6)
        }
      )
    )
  })

  // Ref: the cross-ratio of four collinear points is a projective invariant (Hartley & Zisserman 2004, section 2.5; from memory)
  it('keeps the cross-ratio of four places on a line', () => {
    const place = fc.tuple(...([0, 1, 2] as const).map(() => fc.double({ min: -300, max: 300, noNaN: true })))
    fc.assert(
      fc.property(place, place, fc.double({ min: -20, max: 20, noNaN: true }), (a, b, yaw) => {
        fc.pre(Math.hypot(a[0] - b[0], a[1] - b[1]) > 50)
        const seen = [0, 0.3, 0.55, 1].map((t) => {
          const p = [0, 1, 2].map((c) => a[c] + (b[c] - a[c]) * t) as unknown as Place3
          return project(lens, turned(p, yaw, 40))!
        })
        const gap = (i: number, j: number) => Math.hypot(seen[i][0] - seen[j][0], seen[i][1] - seen[j][1])
        fc.pre(gap(0, 3) > 20)
        expect((gap(0, 2) * gap(1, 3)) / (gap(1, 2) * gap(0, 3))).toBeCloseTo((0.55 * 0.7) / (0.25 * 1), 4)
      })
    )
  })

  // Ref: hand calculation
  it('turns near places to the right', () => {
    expect(turned([0, 7, 100], 90, 0).map(Math.round)).toEqual([100, 7, 0])
    expect(turned([40, 0, 0], 30, 40)).toEqual([40, 0, 0])
  })
})

describe('the photograph', SLOW, () => {
  // Ref: hand calculation: a centimetre at depth d is 10 f / (D - d) pixels
  it('shows the ruler at the scale of its own depth', () => {
    for (const depthMm of [0, 250, -300]) {
      const usual = plain('left')
      const scene: Scene = { ...usual, ruler: { lengthMm: 200, depthMm, atMm: [340, 40] }, camera: { ...usual.camera, pxPerMm: 0.6 } }
      const picture = expose(scene)
      const [[left, low], [, high]] = truthOf(scene).ruler!.endsPx
      const perMm = (0.6 * 2200) / (2200 - depthMm)
      const bright = Array.from({ length: Math.round(low - high) }, (_, i) => at(picture, left + 8 * perMm, high + i + 0.5)[0])
      const turns = bright.flatMap((value, i) => (i > 0 && value > 128 !== bright[i - 1] > 128 ? [i] : []))
      expect(turns.length).toBe(19)
      expect(Math.abs((turns[18] - turns[0]) / 18 - 10 * perMm)).toBeLessThan(0.08)
    }
  })

  // drawn again from the side file by another rasteriser (librsvg, through sharp)
  it.each(['left', 'right', 'head', 'front', 'rear', 'above'] as const)(
    'from %s shows the outline that the side file tells',
    async (seen) => {
      const scene: Scene = { ...plain(seen), camera: { distanceMm: 1600, yawDeg: 7, rollDeg: -5 } }
      const picture = expose(scene)
      const { outlines } = truthOf(scene)
      const { w, h } = picture
      const paths = outlines.map(({ px }) => `<path d="M${px.map((p) => p.join(' ')).join('L')}Z"/>`).join('')
      const told = await sharp(Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}">${paths}</svg>`))
        .extractChannel('alpha')
        .raw()
        .toBuffer()
      let [both, either] = [0, 0]
      for (let v = 0; v < h; v++) {
        for (let u = 0; u < w; u++) {
          const [a, b] = [told[v * w + u] > 127, !isWall(at(picture, u, v))]
          if (a && b) both++
          if (a || b) either++
        }
      }
      // single hairs stand out of the outline, and an eye or a nose may look over it
      expect(both / either).toBeGreaterThan(0.96)
    }
  )

  it('of a head that turns moves the nose against the eyes as far as it stands before them', () => {
    const scene: Scene = { ...plain('head'), camera: { distanceMm: 900, yawDeg: 9, rollDeg: 0 } }
    const { landmarks, camera } = truthOf(scene)
    const of = (name: string) => landmarks.find((mark) => mark.name === name)!
    const depth = of('nose').mm[2]
    expect(depth).toBeGreaterThan(40)
    const middle = (of('eyeLeft').px[0] + of('eyeRight').px[0]) / 2
    // Ref: hand calculation; the eyes' own middle stays within a pixel
    const turn = (9 * Math.PI) / 180
    const moved = (camera.focalPx * depth * Math.sin(turn)) / (900 - depth * Math.cos(turn))
    expect(of('nose').px[0] - middle).toBeGreaterThan(moved - 1.5)
    expect(of('nose').px[0] - middle).toBeLessThan(moved + 1.5)
    // and there it is in the picture: black
    expect(Math.max(...at(expose(scene), ...of('nose').px))).toBeLessThan(70)
  })

  it('of the right profile shows the right side’s hair', () => {
    const worn: Scene['dog']['worn'] = {
      lengths: coatFor('', 'bearded-pet').lengths,
      faults: [{ kind: 'difference', regions: ['ribs', 'skirt', 'thigh', 'foreleg'], mm: 25 }]
    }
    const covered = (seen: Seen) => {
      const picture = expose({ ...plain(seen, 'bearded-pet', worn), camera: { distanceMm: 2200, yawDeg: 0, rollDeg: 0, pxPerMm: 0.7 } })
      let count = 0
      for (let v = 0; v < picture.h; v++) for (let u = 0; u < picture.w; u++) if (!isWall(at(picture, u, v))) count++
      return count
    }
    expect(covered('right')).toBeGreaterThan(covered('left') * 1.02)
  })

  // Ref: light falls with the square of the distance from the lamp
  it('darkens by the inverse square of the distance from the lamp', () => {
    const lamp: Place3 = [-500, 900, 900]
    const scene: Scene = { ...plain('left'), light: { falloff: 1, lamp, shadow: 0 }, wall: { colour: '#606060', behindMm: 600 } }
    const picture = expose(scene)
    const { camera } = truthOf(scene)
    const squared = (u: number, v: number) => {
      const perPx = (camera.distanceMm + 600) / camera.focalPx
      const aim = truthOf(scene).landmarks.find(({ name }) => name === 'withers')!
      const eye = [
        aim.mm[0] - ((aim.px[0] - camera.centrePx[0]) * camera.distanceMm) / camera.focalPx,
        aim.mm[1] + ((aim.px[1] - camera.centrePx[1]) * camera.distanceMm) / camera.focalPx
      ]
      const [x, y] = [eye[0] + (u + 0.5 - camera.centrePx[0]) * perPx, eye[1] - (v + 0.5 - camera.centrePx[1]) * perPx]
      return (x - lamp[0]) ** 2 + (y - lamp[1]) ** 2 + (-600 - lamp[2]) ** 2
    }
    const [near, far] = [at(picture, 4, 4)[0], at(picture, 474, 394)[0]]
    expect(near).toBeGreaterThan(far + 8)
    expect(Math.abs(near / far - squared(474, 394) / squared(4, 4))).toBeLessThan(0.04)
  })

  it('has grain of the asked spread, the same for the same seed', async () => {
    const scene: Scene = {
      ...plain('left'),
      picture: { widthPx: 150, heightPx: 120, jpegQuality: 90 },
      noise: 6,
      wall: { colour: '#808080', behindMm: 600 }
    }
    const picture = expose(scene)
    const values: number[] = []
    for (let v = 0; v < 8; v++) for (let u = 0; u < 150; u++) values.push(...at(picture, u, v))
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length
    const spread = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length)
    expect(Math.abs(mean - 128)).toBeLessThan(0.5)
    expect(Math.abs(spread - 6)).toBeLessThan(0.3)
    expect(expose(scene).rgb).toEqual(picture.rgb)
    expect(expose({ ...scene, seed: 2 }).rgb).not.toEqual(picture.rgb)
    const [fine, coarse] = await Promise.all(
      [95, 25].map((jpegQuality) => photograph({ ...scene, picture: { ...scene.picture, jpegQuality } }))
    )
    expect(coarse.length).toBeLessThan(fine.length / 2)
    const { format, width, height, exif, xmp, comments } = await sharp(fine).metadata()
    expect({ format, width, height, exif, xmp, comments }).toEqual({
      format: 'jpeg',
      width: 150,
      height: 120,
      exif: undefined,
      xmp: undefined,
      comments: undefined
    })
  })

  it('has a table under the dog, its shadow behind it, and a strap that a head hides', () => {
    const without = expose(plain('left'))
    const shaded = expose({ ...plain('left'), light: { falloff: 0, lamp: [-900, 1200, 1200], shadow: 0.5 } })
    const darker = [...without.rgb].reduce((sum, value, i) => sum + (shaded.rgb[i] < value - 5 ? 1 : 0), 0)
    expect(darker).toBeGreaterThan(5000)
    const table = expose({ ...plain('left'), table: { colour: '#503010' } })
    expect(at(table, 240, 380)[0]).toBeGreaterThan(at(table, 240, 380)[2])
    const strap = ([r, g, b]: readonly number[]) => r === 34 && g === 74 && b === 104
    const count = (seen: Seen) => {
      const picture = expose({ ...plain(seen), restraint: true })
      let found = 0
      for (let v = 0; v < picture.h; v++) for (let u = 0; u < picture.w; u++) if (strap(at(picture, u, v))) found++
      const nose = truthOf(plain(seen)).landmarks.find(({ name }) => name === 'nose')
      if (nose) expect(strap(at(picture, ...nose.px))).toBe(false)
      return found
    }
    for (const seen of ['left', 'head', 'front', 'rear', 'above'] as const) expect(count(seen), seen).toBeGreaterThan(40)
  })
})

describe('a scene that cannot be', () => {
  const usual = plain('left')
  it.each([
    [{ ...usual, camera: { ...usual.camera, distanceMm: 90 } }, 'camera.distanceMm is 90; it must be 400 to 10000 mm.'],
    [{ ...usual, camera: { ...usual.camera, yawDeg: 80 } }, 'camera.yawDeg is 80; it must be -45 to 45 degrees.'],
    [{ ...usual, camera: { ...usual.camera, rollDeg: NaN } }, 'camera.rollDeg is NaN; it must be -45 to 45 degrees.'],
    [{ ...usual, picture: { ...usual.picture, widthPx: 90000 } }, 'picture.widthPx is 90000; it must be 64 to 4000 px.'],
    [{ ...usual, picture: { ...usual.picture, jpegQuality: 0 } }, 'picture.jpegQuality is 0; it must be 1 to 100.'],
    [{ ...usual, wall: { ...usual.wall, colour: 'blue' } }, 'wall.colour is blue; it must be #rrggbb.'],
    [{ ...usual, noise: -1 }, 'noise is -1; it must be 0 to 60.'],
    [{ ...usual, seed: 0.5 }, 'seed is 0.5; it must be a whole number.'],
    [{ ...usual, ruler: { lengthMm: 200, depthMm: 2100 } }, 'ruler.depthMm is 2100; it must be -1000 to 2050 mm.']
  ] as const)('is refused in a sentence', (scene, sentence) => {
    expect(() => expose(scene)).toThrow(sentence)
  })

  it('a camera inside the dog as well', () => {
    const scene = plain('front', coats.find(({ body }) => body === 'mountain')!.id)
    expect(() => expose({ ...scene, camera: { ...scene.camera, distanceMm: 400 } })).toThrow(
      /camera\.distanceMm is 400; it must be at least \d+ mm for this dog/
    )
  })
})
