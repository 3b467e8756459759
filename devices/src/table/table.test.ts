// The table camera as a device: what it is told, what it alone knows, what it refuses.
import { bodyById, coatFor, colouringOf } from '@peen/content'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { sceneFor, snapshot, USUAL_WIDTH_PX, type BeforeCamera, type Stands } from '.'

const coat = coatFor('highland', 'flower')
const before: BeforeCamera = {
  name: 'Nobody',
  seen: 'head',
  moment: 'after',
  withersMm: 275,
  body: bodyById('highland'),
  coat,
  colouring: colouringOf('white')
}
const stands: Stands = { Nobody: { after: { faults: [{ kind: 'flatHead', mm: 9 }], yawDeg: 2, lengths: { cheek: 40 } } } }

describe('what stands before the table camera', () => {
  it('is the planned dog, unless the device knows better', () => {
    expect(sceneFor(before, {}).dog.worn).toEqual({ lengths: coat.lengths, faults: [], days: 0 })
    const scene = sceneFor(before, stands)
    expect(scene.dog.worn).toMatchObject({ faults: [{ kind: 'flatHead', mm: 9 }], lengths: { cheek: 40 } })
    expect(scene.camera.yawDeg).toBe(2)
    expect(sceneFor({ ...before, name: 'Somebody' }, stands).dog.worn!.faults).toEqual([])
  })
  it('has grown before its trim, and never the same grain twice from two sides', () => {
    expect(sceneFor({ ...before, moment: 'before' }, stands).dog.worn!.days).toBeGreaterThan(20)
    expect(sceneFor(before, stands).seed).not.toBe(sceneFor({ ...before, seen: 'left' }, stands).seed)
    expect(sceneFor(before, stands)).toEqual(sceneFor(before, stands))
  })
  it('is refused from where a table camera does not look', () => {
    expect(() => sceneFor({ ...before, seen: 'below' as never }, {})).toThrow(
      'seen is below; it must be left, right, head, front, rear, above.'
    )
  })
  it('stands up wide for a picture along the dog, which is taken upright', () => {
    const [front, side] = [sceneFor({ ...before, seen: 'front' }, {}), sceneFor({ ...before, seen: 'left' }, {})]
    expect(front.picture.heightPx).toBeGreaterThan(front.picture.widthPx)
    expect(front.dog.body.breadth.foreTrack).toBeGreaterThan(side.dog.body.breadth.foreTrack)
    expect(side.dog.body).toEqual(before.body)
  })
  it('comes as a JPEG of two megapixels, or as small as it was asked for', async () => {
    expect(sceneFor(before, {}).picture.widthPx).toBe(USUAL_WIDTH_PX)
    const meta = await sharp(await snapshot(before, stands, 320)).metadata()
    expect(meta).toMatchObject({ format: 'jpeg', width: 320, height: 240 })
    expect(meta.exif).toBeUndefined()
  })
})
