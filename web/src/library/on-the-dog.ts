// What a number of a criterion looks like on the dog: the trim with this one thing so long, so uneven, so far off.
import type { DrawnCoat } from '@peen/content'
import type { Fault, Lengths, Shape } from '@peen/core/figure'
import { targetOf, unitOf } from '@peen/core/grade'
import type { RegionId } from '@peen/core/regions'
import type { Criterion, Standard } from '@peen/core/standard'
import { sayNumber } from '@peen/core/units'
import { VIEW_NAMES } from '../figure/shape-words'
import { t } from '../words'

/** A value that a criterion can take, with its name: the ends of band and limit, the target, the grown-out length. */
export type Stop = { readonly id: string; readonly name: string; readonly value: number }

export function stopsOf({ how }: Criterion): readonly Stop[] {
  if (how.kind === 'judged') return []
  const unit = unitOf(how)
  const at = (id: string, name: string, value: number | null): Stop[] =>
    value === null ? [] : [{ id, name: `${name} ${sayNumber(value)} ${unit}`, value }]
  const target = targetOf(how)
  const all = [
    ...at('limitLow', t('library.noMarks'), how.limit[0]),
    ...at('bandLow', t('library.fullFrom'), how.band[0]),
    ...at('target', 'target', how.kind === 'difference' ? 0 : target),
    ...at('bandHigh', t('library.full'), how.band[1]),
    ...at('limitHigh', t('library.noMarks'), how.limit[1]),
    ...(how.kind === 'length' ? at('grownOut', t('library.grownOut'), how.grownOutMm) : [])
  ]
  return all.filter(({ value }, i) => all.findIndex((other) => other.value === value) === i)
}

export type Live = {
  readonly lengths: Lengths
  readonly lengthsB: Lengths
  readonly faults: readonly Fault[]
  readonly shapes: readonly Shape[]
  /** the dog shows it; else only the bar does */
  readonly isDrawn: boolean
}

const LEAST_HAIR_MM = 0.25

/** The dog with this criterion at this value, everything else as the standard plans it. */
export function liveAt(standard: Standard, coat: DrawnCoat, { region, how }: Criterion, value: number): Live {
  const plan = standard.plan.lengthsMm
  const plain = { lengths: plan, lengthsB: plan, faults: [], shapes: coat.shapes, isDrawn: true }
  const wears = (mm: number) => ({ ...plan, [region]: Math.max(LEAST_HAIR_MM, mm) })
  if (how.kind === 'length') return { ...plain, lengths: wears(value), lengthsB: wears(value), isDrawn: plan[region] !== undefined }
  if (how.kind === 'difference') {
    const from = plan[region]
    // left minus right: the longer side wears the difference
    if (from === undefined) return { ...plain, isDrawn: false }
    return { ...plain, lengths: wears(from + Math.max(0, value)), lengthsB: wears(from + Math.max(0, -value)) }
  }
  if (how.kind === 'judged') return { ...plain, isDrawn: false }
  if (how.kind === 'computed' && (how.formula === 'bandByComb' || how.formula === 'bandByPinBones')) {
    const shapes = coat.shapes.map((shape) => (shape.kind === 'band' ? { ...shape, bareMm: Math.max(0, shape.bareMm + value) } : shape))
    return { ...plain, shapes, isDrawn: coat.shapes.some(({ kind }) => kind === 'band') }
  }
  const fault = faultAt(how, region, Math.abs(value), coat)
  return fault === null ? { ...plain, isDrawn: false } : { ...plain, faults: value === 0 ? [] : [fault] }
}

/** The drawn fault that shows a departure of so many mm at a place; null where the figure knows none. */
function faultAt(how: Criterion['how'], region: RegionId, mm: number, coat: DrawnCoat): Fault | null {
  const has = (kind: Shape['kind']) => coat.shapes.some((shape) => shape.kind === kind)
  if (how.kind === 'computed') {
    if (how.formula === 'tailToHead') return { kind: 'tailHigh', mm }
    if (how.formula === 'footLineHeight' && has('footLine')) return { kind: 'footLine', mm }
    return null
  }
  if (region === 'back' || region === 'neckTop') return { kind: 'dip', mm, at: 0.45, widthMm: 60 }
  if (region === 'skirt' && has('straightLine')) return { kind: 'wavyLine', mm }
  if ((region === 'foreleg' || region === 'rearPastern') && has('cylinder')) return { kind: 'legBulge', mm }
  if (region === 'skull') return { kind: 'flatHead', mm }
  return null
}

const HEAD: ReadonlySet<RegionId> = new Set([
  'skull',
  'brow',
  'muzzle',
  'beard',
  'cheek',
  'earOutside',
  'earBase',
  'eyeCorner',
  'earEdge',
  'earInside'
])

/** From where a criterion is seen best. */
export function viewFor({ station, region, how }: Criterion): (typeof VIEW_NAMES)[number] {
  const by = (id: string) => VIEW_NAMES.find((view) => view.id === id)!
  if (HEAD.has(region) && (station === 'front' || how.kind === 'difference')) return by('head')
  if (station === 'front') return by('front')
  if (station === 'rear') return by('rear')
  if (station === 'above') return by('above')
  if (how.kind === 'difference') return by(region === 'thigh' || region === 'rearPastern' ? 'rear' : 'above')
  return by('left')
}
