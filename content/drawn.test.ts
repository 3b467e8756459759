// Each trim drawn as it should be, and with its own fault where a figure can show it: read from the drawing, then graded.
import { bakeFigure, type Departure, type Fault, type Lengths, type Shape, type ViewId } from '@peen/core/figure'
import { answersAtTarget, gradeResult, sidesOf, type SideAnswer } from '@peen/core/grade'
import { regionName } from '@peen/core/regions'
import type { Standard } from '@peen/core/standard'
import { describe, expect, it } from 'vitest'
import { bodyById, coats, colouringOf, standards } from '.'

type Spoilt = {
  readonly view: ViewId
  readonly lengths?: Lengths
  readonly shapes?: (shapes: readonly Shape[]) => readonly Shape[]
  readonly faults?: readonly Fault[]
}
/** The fault of each trim alone, as it is drawn. */
const OWN: Readonly<Record<string, Spoilt>> = {
  'bearded-pet': { view: 'head', shapes: (shapes) => shapes.map((shape) => (shape.kind === 'beard' ? { ...shape, sideMm: 34 } : shape)) },
  'jacket-show': { view: 'head', lengths: { cheek: 22, beard: 40 } },
  'jacket-pet': { view: 'side', lengths: { underTail: 26 } },
  'clean-face': { view: 'side', faults: [{ kind: 'flatHead', mm: 34 }] },
  bracelets: { view: 'front', faults: [{ kind: 'tube' }] },
  companion: { view: 'side', lengths: { tail: 90 }, shapes: (shapes) => shapes.filter(({ kind }) => kind !== 'plume') },
  smile: { view: 'head', lengths: { beard: 60 } },
  'layered-head': { view: 'head', faults: [{ kind: 'hollowStop', mm: 26 }] },
  teddy: { view: 'head', lengths: { beard: 10 } },
  flower: { view: 'side', lengths: { neckTop: 6 } },
  'spaniel-pet': { view: 'side', lengths: { skull: 2 } },
  'spaniel-legs': { view: 'side', lengths: { skirt: 16 } },
  'mountain-ear': { view: 'head', lengths: { earOutside: 44 } },
  'carded-sporting': { view: 'side', lengths: { back: 0.6, ribs: 0.6, loin: 0.6, croup: 0.6, shoulder: 0.6, neckTop: 0.6 } },
  'winter-show': { view: 'side', lengths: { neckTop: 2 } },
  // the hair gathered at the leather itself
  'long-coat': { view: 'head', lengths: { earOutside: 3 } }
}

function figureOf(standard: Standard, view: ViewId) {
  const coat = coats.find(({ id }) => id === standard.id)!
  const body = bodyById(standard.bodyType)
  const figure = bakeFigure({ body, withersMm: body.withersMm, view, colouring: colouringOf(coat.colour), coat, pxPerMm: 0.6, budget: 500 })
  const found = (spoilt: Omit<Spoilt, 'view'>): readonly Departure[] => {
    figure.dress({
      lengths: { ...coat.lengths, ...spoilt.lengths },
      shapes: spoilt.shapes ? spoilt.shapes(coat.shapes) : coat.shapes,
      faults: spoilt.faults
    })
    return figure.departuresFrom(4)
  }
  return { found }
}
const gradeWith = (standard: Standard, id: string, answer: SideAnswer | null) => {
  const { how } = standard.criteria.find((one) => one.id === id)!
  const right = answersAtTarget(standard)
  const answers = answer ? { ...right, [id]: Object.fromEntries(sidesOf(how).map((side) => [side, answer])) } : right
  return gradeResult(standard, { answers, critical: [], burns: [], seedText: id })
}

describe.each(standards.map((standard) => [standard.id, standard] as const))('%s, drawn', { timeout: 60000 }, (id, standard) => {
  const own = standard.criteria.find((one) => one.id === standard.ownFault.criterion)!

  it('right: the drawing leaves its plan nowhere, and its readings pass', () => {
    for (const view of ['side', 'head'] as const) expect(figureOf(standard, view).found({}), view).toEqual([])
    expect(gradeWith(standard, own.id, null).outcome).toBe('passed')
  })

  const spoilt = OWN[id]
  it('with its own fault: the drawing shows it, and it is named first', () => {
    const hairs = figureOf(standard, spoilt.view).found(spoilt)
    const most = hairs.reduce((worst, { byMm }) => (Math.abs(byMm) > Math.abs(worst) ? byMm : worst), 0)
    // what is seen at arm's length
    expect(Math.abs(most)).toBeGreaterThan(1.5)
    const { how } = own
    // what the drawing is off by is what is read; what is judged is judged by sight at its worst
    const answer: SideAnswer =
      how.kind === 'judged'
        ? { kind: 'level', level: 0 }
        : how.kind === 'computed'
          ? { kind: 'inputs', values: readOff(how.formula, how.typical, Math.abs(most)) }
          : { kind: 'readings', mm: [0, 0, 0].map(() => (how.kind === 'length' ? how.targetMm : 0) + Math.abs(most)) }
    const { mend, nextTime } = gradeWith(standard, own.id, answer)
    const words = how.kind === 'judged' ? how.levels[0] : 'fault' in how ? how.fault.split('{')[0] : regionName(own.region)
    expect([...mend.map(({ say }) => say), ...nextTime][0].toLowerCase()).toContain(words.toLowerCase())
  })
})

/** Readings of a spoilt shape: what stands out by so many mm on either side. */
function readOff(formula: string, typical: Readonly<Record<string, number>>, mm: number): Readonly<Record<string, number>> {
  if (formula === 'tubeRatio')
    return 'end' in typical && typical.end < typical.middle / 1.7
      ? { ...typical, end: typical.end + 2 * mm }
      : { ...typical, end: typical.end - 2 * mm }
  if (formula === 'plumeToTable') return { ...typical, plume: typical.plume + mm }
  if (formula === 'ruffDepth') return { ...typical, ruff: typical.ruff - mm }
  throw new Error(`no reading of ${formula}`)
}
