// Marks on a photograph that the schema takes; what they show is no matter.
import type { PhotoMarks } from '@peen/contract'
import type { BoardMark, PhotoPoint } from '@peen/core/measure'

export const MARKS: PhotoMarks = {
  scale: {
    what: 'ruler',
    upright: true,
    ends: [
      [5, 5],
      [5, 45]
    ],
    lengthMm: 200,
    behindMm: 0,
    behindUMm: 5,
    cameraMm: 2200,
    endUPx: 1,
    check: null
  },
  corrections: { backdrop: [], strokes: [{ of: 'dog', through: [[1, 2]], radiusPx: 4 }], anchors: [[3, 4]] },
  outline: [
    [1, 1],
    [30, 1],
    [30, 30]
  ],
  edgeUPx: [0.4, 0.4, 0.4],
  places: { withers: { at: [10, 10], uPx: 1, touched: true } },
  lines: {
    foreFront: [
      [1, 1],
      [1, 2],
      [1, 3],
      [1, 4],
      [1, 5]
    ]
  }
}

const square = (x: number, y: number): PhotoPoint[] => [
  [x, y],
  [x + 40, y],
  [x + 40, y + 40],
  [x, y + 40]
]
/** Two markers of the large measuring board. */
export const BOARD: BoardMark = {
  kind: 'large',
  uPx: 0.2,
  lineMm: 150,
  markers: [
    { id: 0, corners: square(10, 10) },
    { id: 1, corners: square(55.5, 10) }
  ]
}
