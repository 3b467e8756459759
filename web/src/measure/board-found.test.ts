// @vitest-environment happy-dom
// A picture whose board is found needs no touch; what stands beside the dog is remembered by the tablet.
import { cornersOfMarker, type BoardSeen, type PhotoPoint } from '@peen/core/measure'
import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import NumberBox from '../library/NumberBox.vue'
import BoardPart from './BoardPart.vue'
import { scaleOfBoard, useLastScale, usePrintedLine } from './last-scale'
import ScalePart from './ScalePart.vue'
import { useBoard } from './useBoard'

/** The large board square before a camera at 2 px/mm, its middle in the middle of the picture. */
const seen = (ids = [0, 1, 2, 3, 4, 5]): BoardSeen => ({
  kind: 'large',
  uPx: 0.2,
  markers: ids.map((id) => ({ id, corners: cornersOfMarker(id).map(([x, y]): PhotoPoint => [2 * x + 590, 2 * y + 303]) }))
})
const size = { widthPx: 1600, heightPx: 1200 }
const scaleOf = (lineMm = 150) => scaleOfBoard(seen(), useLastScale('left').value, lineMm)

beforeEach(() => localStorage.clear())

describe('the measuring board in a picture', () => {
  it('is the scale, with what this tablet remembers of the camera', async () => {
    useLastScale('left').value = { what: 'ruler', lengthMm: 200, upright: true, behindMm: 20, behindUMm: 5, cameraMm: 1800 }
    usePrintedLine().value = { large: 146, small: 80 }
    const board = useBoard('left', { board: () => Promise.resolve(seen()) })
    expect(await board.look()).toMatchObject({ what: 'board', cameraMm: 1800, behindMm: 20, board: { kind: 'large', lineMm: 146 } })
    expect(board.state.value).toBe('found')
  })

  it.each<[string, () => Promise<BoardSeen | null>, string]>([
    ['none', () => Promise.resolve(null), 'none'],
    ['one marker of it', () => Promise.resolve(seen([2])), 'partly'],
    ['a worker that is gone', () => Promise.reject(new Error('gone')), 'none']
  ])('%s: there is no scale by it', async (_, read, state) => {
    const board = useBoard('left', { board: read })
    expect(await board.look()).toBeNull()
    expect(board.state.value).toBe(state)
  })

  it('says its scale and that the camera was level, and takes what its line measures', async () => {
    const part = mount(BoardPart, { props: { seen: 'left', size, scale: scaleOf() } })
    expect(part.text()).toContain('Measuring board found: 6 of its 6 markers.')
    expect(part.text()).toContain('2 pixels per millimetre')
    expect(part.text()).toContain('The camera was level and square to the dog.')
    const line = part.get('input')
    await line.setValue('144')
    expect(part.emitted('line')).toEqual([['large', 144]])
    await part.setProps({ scale: scaleOf(144) })
    expect(part.text()).toContain('2.1 pixels per millimetre')
  })

  it('leaves what a hand would mark next time as it was, and takes the camera’s distance', async () => {
    useLastScale('left').value = { what: 'ruler', lengthMm: 300, upright: true, behindMm: 0, behindUMm: 5, cameraMm: 2200 }
    await nextTick()
    const part = mount(ScalePart, { props: { seen: 'left', size, scale: scaleOf(), board: 'found', ends: [], checking: false } })
    const camera = part.findAllComponents(NumberBox).find((box) => box.props('label') === 'Camera to dog, mm')!
    camera.vm.$emit('put', 1900)
    expect(part.emitted('put')).toMatchObject([[{ what: 'board', cameraMm: 1900 }]])
    await nextTick()
    expect(useLastScale('left').value).toMatchObject({ what: 'ruler', lengthMm: 300, cameraMm: 1900 })
    const line = part.findAllComponents(NumberBox).find((box) => String(box.props('label')).startsWith('Printed line'))!
    line.vm.$emit('put', 147)
    expect(part.emitted('put')!.at(-1)).toMatchObject([{ lengthMm: (297 * 147) / 150, board: { lineMm: 147 } }])
    await nextTick()
    expect(usePrintedLine().value).toEqual({ large: 147, small: 80 })
  })

  it('still opens where the board lies flat: the outline’s step says why', () => {
    const scale = scaleOf()
    const flat = scale.board!.markers.map(({ id, corners }) => ({
      id,
      corners: corners.map(([x, y]): PhotoPoint => [x, 600 + (y - 600) * 0.6])
    }))
    const part = mount(BoardPart, { props: { seen: 'left', size, scale: { ...scale, board: { ...scale.board!, markers: flat } } } })
    expect(part.text()).toContain('Measuring board found')
    expect(part.text()).not.toContain('pixels per millimetre')
  })
})
