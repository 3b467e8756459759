// What the trade works out from several readings. All formulas: common practice, no published source; u by JCGM 100:2008, 5.1.
import { CoreError, inRange } from '../error'
import { MM_PER_INCH } from '../units'

export const FORMULA_IDS = [
  'neckToMuzzle',
  'footLineHeight',
  'footLineTilt',
  'tailToHead',
  'bandByComb',
  'bandByPinBones',
  'bevelPair',
  'tubeRatio',
  'ruffDepth',
  'blendSlope',
  'plumeToTable',
  'apparentBody',
  'tipToRoot',
  'cutShare',
  'bandSpacing'
] as const
export type FormulaId = (typeof FORMULA_IDS)[number]

/** Readings by the name of the input, mm (cm² for areas). */
export type Inputs = Readonly<Record<string, number>>

export type FormulaInput = { readonly id: string; readonly name: string; readonly low: number; readonly high: number }
export type Unit = 'mm' | '%' | 'mm/cm'

export type Formula = {
  readonly id: FormulaId
  readonly name: string
  /** how it is worked out, as a sentence */
  readonly says: string
  readonly unit: Unit
  readonly inputs: readonly FormulaInput[]
  readonly of: (inputs: Inputs) => number
}

const mm = (id: string, name: string, high = 300, low = 0): FormulaInput => ({ id, name, low, high })
/** A ratio has no value for nothing: what stands under the line is at least a millimetre. */
const under = (id: string, name: string, high = 1500): FormulaInput => mm(id, name, high, 1)
const POINTS = [
  mm('front', 'in front, above the ankle', 60, -60),
  mm('inside', 'on the inside, above the ankle', 60, -60),
  mm('rear', 'behind, above the ankle', 60, -60),
  mm('outside', 'on the outside, above the ankle', 60, -60)
]
const heights = ({ front, inside, rear, outside }: Inputs) => [front!, inside!, rear!, outside!] as const
/** The comb that is laid at the tail's root is 2 in long. */
export const BAND_COMB_MM = 2 * MM_PER_INCH

const FORMULA_LIST: readonly Formula[] = [
  {
    id: 'neckToMuzzle',
    name: 'Neck against muzzle',
    says: 'depth of the neck over the muzzle from stop to nose',
    unit: '%',
    inputs: [mm('neck', 'neck, throat to point'), under('muzzle', 'muzzle, stop to nose', 300)],
    of: ({ neck, muzzle }) => (100 * neck!) / muzzle!
  },
  {
    id: 'footLineHeight',
    name: 'Height of the foot line',
    says: 'mean of four points above the ankle joint; below the joint is less than zero',
    unit: 'mm',
    inputs: POINTS,
    of: (inputs) => heights(inputs).reduce((sum, height) => sum + height, 0) / 4
  },
  {
    id: 'footLineTilt',
    name: 'Tilt of the foot line',
    says: 'highest of the four points less the lowest',
    unit: 'mm',
    inputs: POINTS,
    of: (inputs) => Math.max(...heights(inputs)) - Math.min(...heights(inputs))
  },
  {
    id: 'tailToHead',
    name: 'Tail against head',
    says: 'height of the tail’s end less the height of the head, both carried up',
    unit: 'mm',
    inputs: [mm('tail', 'tail’s end, above the table', 1200), mm('head', 'top of the head, above the table', 1200)],
    of: ({ tail, head }) => tail! - head!
  },
  {
    id: 'bandByComb',
    name: 'Tail band by the comb',
    says: 'bare width less the 2 in (50.8 mm) comb laid at the root',
    unit: 'mm',
    inputs: [mm('width', 'bare width from the root')],
    of: ({ width }) => width! - BAND_COMB_MM
  },
  {
    id: 'bandByPinBones',
    name: 'Tail band by the pin bones',
    says: 'bare width less the width from the root to the level of the pin bones, tail dropped',
    unit: 'mm',
    inputs: [mm('width', 'bare width from the root'), mm('pinBones', 'root to the level of the pin bones')],
    of: ({ width, pinBones }) => width! - pinBones!
  },
  {
    id: 'bevelPair',
    name: 'Bevels as a pair',
    says: 'height of the top bevel less the height of the bottom one',
    unit: 'mm',
    inputs: [mm('top', 'top bevel, height'), mm('bottom', 'bottom bevel, height')],
    of: ({ top, bottom }) => top! - bottom!
  },
  {
    id: 'tubeRatio',
    name: 'End against middle',
    says: 'width at the end over the width in the middle; a straight tube is 100 %',
    unit: '%',
    inputs: [mm('end', 'width at the end', 400), under('middle', 'width in the middle', 400)],
    of: ({ end, middle }) => (100 * end!) / middle!
  },
  {
    id: 'ruffDepth',
    name: 'Depth of the ruff',
    says: 'nose to the back of the ruff, less nose to the base of the skull',
    unit: 'mm',
    inputs: [mm('ruff', 'nose to the back of the ruff', 400), mm('skull', 'nose to the base of the skull', 400)],
    of: ({ ruff, skull }) => ruff! - skull!
  },
  {
    id: 'blendSlope',
    name: 'Slope over the join',
    says: 'difference of the lengths on both sides of the join, over the width it is blended across',
    unit: 'mm/cm',
    inputs: [mm('long', 'hair on the long side'), mm('short', 'hair on the short side'), under('across', 'width of the blend', 300)],
    of: ({ long, short, across }) => (10 * (long! - short!)) / across!
  },
  {
    id: 'plumeToTable',
    name: 'Plume against the table',
    says: 'length of the plume held down, less the height of the tail’s root above the table',
    unit: 'mm',
    inputs: [mm('plume', 'plume, root to end', 900), mm('root', 'tail’s root above the table', 900)],
    of: ({ plume, root }) => plume! - root!
  },
  {
    id: 'apparentBody',
    name: 'Apparent length of body',
    says: 'breast to rump over withers to table, as the coat shows them, groin hair counted as body',
    unit: '%',
    inputs: [
      mm('length', 'breast to rump, outside the coat', 1500),
      mm('groin', 'of it, gap under the loin that groin hair leaves open'),
      under('height', 'withers to table, outside the coat')
    ],
    of: ({ length, groin, height }) => (100 * (length! + groin!)) / height!
  },
  {
    id: 'tipToRoot',
    name: 'Tip against root',
    says: 'thickness at the tip over the thickness at the root',
    unit: '%',
    inputs: [mm('tip', 'thickness near the tip'), under('root', 'thickness at the root', 300)],
    of: ({ tip, root }) => (100 * tip!) / root!
  },
  {
    id: 'cutShare',
    name: 'Cut share of a stripped zone',
    says: 'length of the border that was cut, over the whole border',
    unit: '%',
    inputs: [mm('cut', 'border that was cut', 3000), under('border', 'whole border', 3000)],
    of: ({ cut, border }) => (100 * cut!) / border!
  },
  {
    id: 'bandSpacing',
    name: 'Spacing of the bands',
    says: 'length of the topknot over the number of its bands, less 1 in (25.4 mm)',
    unit: 'mm',
    inputs: [mm('long', 'topknot, root to end', 400), { id: 'bands', name: 'bands, counted', low: 1, high: 40 }],
    of: ({ long, bands }) => long! / bands! - MM_PER_INCH
  }
]

const BY_ID: ReadonlyMap<string, Formula> = new Map(FORMULA_LIST.map((formula) => [formula.id, formula]))

/** The formula of this id; undefined for an unknown one. */
export const formulaById = (id: string): Formula | undefined => BY_ID.get(id)
export const FORMULAS: readonly Formula[] = FORMULA_LIST

export type Computed = {
  readonly value: number
  readonly u: number
  /** part of u that every reading with this instrument shares, in the formula's unit */
  readonly common: number
}

/**
 * The value of a formula with its standard uncertainty, from one reading each of its inputs.
 * u^2 = sum (df/dx)^2 (u_i^2 - c^2) + (sum df/dx * c)^2, where c is what all readings with the instrument share.
 * Counted inputs (bands) carry no u. Source: JCGM 100:2008, 5.1.2 and 5.2.2.
 * @param inputs mm by name; refuses a missing one (`missingReading`) and one out of its range (`outOfRange`)
 * @example computeFrom('neckToMuzzle', { neck: 66, muzzle: 60 }, ruler).value // 110
 */
export function computeFrom(id: FormulaId, inputs: Inputs, instrument: { readonly uMm: number; readonly commonMm: number }): Computed {
  const formula = BY_ID.get(id)!
  for (const input of formula.inputs) {
    const got = inputs[input.id]
    if (got === undefined) throw new CoreError({ code: 'missingReading', path: input.id, got: 'nothing', limit: input.name })
    inRange(input.name, got, input.low, input.high, 'mm')
  }
  const slopes = formula.inputs.filter(({ id: input }) => input !== 'bands').map(({ id: input }) => slopeOf(formula, inputs, input))
  const own = slopes.reduce((sum, slope) => sum + slope ** 2, 0) * Math.max(0, instrument.uMm ** 2 - instrument.commonMm ** 2)
  const common = Math.abs(slopes.reduce((sum, slope) => sum + slope, 0)) * instrument.commonMm
  return { value: formula.of(inputs), u: Math.sqrt(own + common ** 2), common }
}

/** df/dx by central differences over a tenth of a millimetre: the formulas are smooth but for the tilt, where it takes the side it lies on. */
function slopeOf(formula: Formula, inputs: Inputs, id: string): number {
  const step = 0.05
  const at = (shift: number) => formula.of({ ...inputs, [id]: inputs[id]! + shift })
  const [below, here, above] = [at(-step), formula.of(inputs), at(step)]
  const [down, up] = [(here - below) / step, (above - here) / step]
  return Math.abs(down - up) < 1e-3 * (Math.abs(down) + Math.abs(up)) ? (down + up) / 2 : Math.abs(down) > Math.abs(up) ? down : up
}
