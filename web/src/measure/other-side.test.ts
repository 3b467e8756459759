// Which picture is the other side's profile, and what the two say of left and right.
import type { PhotoMarks, PictureMarks, PictureView } from '@peen/contract'
import { NO_CORRECTIONS, type RegionDeparture } from '@peen/core/measure'
import { computed } from 'vue'
import { describe, expect, it } from 'vitest'
import { otherProfile, useOtherSide } from './useOtherSide'

const MARKS: PhotoMarks = {
  scale: {
    ...{ what: 'ruler', upright: true, lengthMm: 200, behindMm: 0, behindUMm: 5, cameraMm: 2200, endUPx: 1, check: null },
    ends: [[9, 9], [9, 400]] // prettier-ignore
  },
  corrections: NO_CORRECTIONS,
  outline: [[0, 0], [9, 0], [9, 9]], // prettier-ignore
  ...{ edgeUPx: [1, 1, 1], places: {}, lines: {} }
}
const skirt = (byMm: number): RegionDeparture => ({ region: 'skirt', byMm, overSkinMm: 20, uMm: 2, n: 30 })
const one = (seen: PictureMarks['seen'], marks: PhotoMarks | null = MARKS): PictureMarks => ({
  ...{ pictureId: `of ${seen}`, seen, version: 1, marks, regions: [skirt(seen === 'left' ? 6 : 1)] }
})
const picture = (stance: PictureView['stance']): PictureView => ({
  id: `of ${stance}`,
  moment: 'after',
  stance,
  widthPx: 1600,
  heightPx: 1200
})

describe('the other profile', () => {
  const [marks, pictures] = [
    [one('head'), one('left'), one('right')],
    [picture('head'), picture('left'), picture('right')]
  ]
  it('is that of the other side, with its size; a head has none', () => {
    expect(otherProfile('left', marks, pictures)?.picture).toMatchObject({ seen: 'right', size: { widthPx: 1600, heightPx: 1200 } })
    expect(otherProfile('right', marks, pictures)?.picture.seen).toBe('left')
    for (const seen of ['head', 'front', 'above'] as const) expect(otherProfile(seen, marks, pictures)).toBeNull()
  })
  it('is none before it has its outline and its scale', () => {
    expect(otherProfile('left', [one('right', null)], pictures)).toBeNull()
    expect(otherProfile('left', [one('right', { ...MARKS, scale: null })], pictures)).toBeNull()
    expect(otherProfile('left', [one('right', { ...MARKS, outline: [] })], pictures)).toBeNull()
    expect(otherProfile('left', [one('right')], [])).toBeNull()
  })
  it('is compared left less right, from whichever side one looks', async () => {
    const asked: string[] = []
    const use = (seen: 'left' | 'right') =>
      useOtherSide({
        ...{ seen, other: () => otherProfile(seen, marks, pictures), task: () => ({}) as never },
        regions: computed(() => [skirt(seen === 'left' ? 6 : 1)]),
        over: (_, { seen: from }) => (asked.push(from), Promise.resolve([[1, 2]]))
      })
    for (const seen of ['left', 'right'] as const) expect(use(seen).sides.value).toMatchObject([{ region: 'skirt', byMm: 5 }])
    const side = use('left')
    await side.show(true)
    expect([side.outline.value, asked]).toEqual([[[1, 2]], ['right']])
    await side.show(false)
    expect(side.outline.value).toEqual([])
  })
})
