import { coats, drawnFaults } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nextTick, ref } from 'vue'
import { VIEW_NAMES } from './shape-words'
import { usePlateBench } from './usePlateBench'

function bench(trim = 'clean-face', view = 'left') {
  const [coat, from] = [ref(trim), ref(view)]
  return {
    trim: coat,
    from,
    ...usePlateBench(
      () => coat.value,
      () => from.value
    )
  }
}

describe('a plate under the hand', () => {
  it('moves a paired place on the side that was touched, a single one on both', () => {
    const plate = bench()
    expect(plate.isMoved.value).toBe(false)
    plate.pick('foreleg', 'right')
    plate.setLength(50)
    expect(plate.lengthsB.value.foreleg).toBe(50)
    expect(plate.lengths.value.foreleg).toBe(coats.find(({ id }) => id === 'clean-face')!.lengths.foreleg)
    plate.pick('tail', null)
    plate.setLength(20)
    expect([plate.lengths.value.tail, plate.lengthsB.value.tail]).toEqual([20, 20])
    expect(plate.isMoved.value).toBe(true)
  })

  it('takes the near side of a profile where no side is told, and leaves undrawn places alone', () => {
    const plate = bench('clean-face', 'right')
    plate.pick('thigh', null)
    expect(plate.selected.value).toEqual({ region: 'thigh', side: 'right' })
    plate.pick('anus', 'left')
    expect(plate.selected.value).toEqual({ region: 'thigh', side: 'right' })
  })

  it('changes one number of one shape', () => {
    const plate = bench()
    const at = plate.shapes.value.findIndex(({ kind }) => kind === 'topknot')
    plate.setShape(at, 'radiusMm', 80)
    expect(plate.shapes.value[at]).toMatchObject({ kind: 'topknot', radiusMm: 80 })
    expect(plate.shapes.value.filter((_, i) => i !== at)).toEqual(
      coats.find(({ id }) => id === 'clean-face')!.shapes.filter((_, i) => i !== at)
    )
  })

  it('offers only faults that this trim can have, and points at the one that is on', () => {
    const smooth = bench('long-coat')
    expect(smooth.offered.value.every(({ needs }) => !needs)).toBe(true)
    const plate = bench()
    expect(plate.offered.value.length).toBeGreaterThan(smooth.offered.value.length)
    const tilted = drawnFaults.find(({ kind }) => kind === 'tiltedBand')!
    plate.choose(tilted)
    expect(plate.amount.value).toBe(tilted.usual)
    expect(plate.faults.value).toEqual([{ kind: 'tiltedBand', degrees: tilted.usual }])
    expect(plate.notes.value[0]).toMatchObject({ id: 'fault', region: 'tailBand', heading: tilted.name })
    plate.choose(null)
    expect(plate.faults.value).toEqual([])
  })

  it('forgets everything when another trim is looked at', async () => {
    const plate = bench()
    plate.pick('skull', null)
    plate.setLength(90)
    plate.days.value = 28
    plate.trim.value = 'bracelets'
    await nextTick()
    expect(plate.isMoved.value).toBe(false)
    expect(plate.selected.value).toBeNull()
    expect(plate.lengths.value).toEqual(coats.find(({ id }) => id === 'bracelets')!.lengths)
  })

  it('notes every place once in every view, in order, and says what was moved', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...coats.map(({ id }) => id)),
        fc.constantFrom(...VIEW_NAMES.map(({ id }) => id)),
        fc.double({ min: 0.5, max: 200, noNaN: true }),
        (trim, view, mm) => {
          const plate = bench(trim, view)
          plate.pick('skull', null)
          plate.setLength(mm)
          const ids = plate.notes.value.map(({ id }) => id)
          expect(new Set(ids).size).toBe(ids.length)
          expect(plate.notes.value.map(({ numeral }) => numeral)).toEqual(ids.map((_, i) => String(i + 1)))
          const skull = plate.notes.value.find(({ region }) => region === 'skull')
          const planned = coats.find(({ id }) => id === trim)!.lengths.skull!
          if (skull) expect(skull.tone).toBe(mm > planned ? 'long' : mm < planned ? 'short' : undefined)
        }
      ),
      { numRuns: 60 }
    )
  })
})
