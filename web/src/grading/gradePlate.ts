import type { GradeResult, PartResult } from '@peen/core/grade'
import { DRAWN_REGIONS, type Lengths } from '@peen/core/figure'
import { regionName, type RegionId } from '@peen/core/regions'
import type { Station, Standard } from '@peen/core/standard'
import type { PlateNote } from '../figure/plate-note'
import { glyphOfPart, wordOfParts } from '../composables/outcomes'

/** The lengths that were agreed for one side of this dog. */
export function agreedLengths(standard: Standard, side: 'left' | 'right'): Lengths {
  const apart = standard.criteria.flatMap(({ region, how }) =>
    how.kind === 'length' && how.bySide ? [[region, how.bySide[side].targetMm] as const] : []
  )
  return { ...standard.plan.lengthsMm, ...Object.fromEntries(apart) }
}

/** The lengths that were read on one side, laid over what was agreed: the dog as it was found. */
export function foundLengths(standard: Standard, result: GradeResult | null, side: 'left' | 'right'): Lengths {
  const read = (result?.parts ?? []).filter(
    (part) => part.basis === 'readings' && isLength(standard, part.criterionId) && (part.side === side || part.side === 'whole')
  )
  const found: Partial<Record<RegionId, number>> = Object.fromEntries(read.map((part) => [part.region, part.valueMm!]))
  const agreed = agreedLengths(standard, side)
  const body = found.back ?? agreed.back
  return { ...agreed, loin: body, croup: body, shoulder: found.ribs ?? agreed.shoulder, ...found }
}

function isLength(standard: Standard, id: string): boolean {
  return standard.criteria.find((criterion) => criterion.id === id)?.how.kind === 'length'
}

/** Notes for the plate: what was answered at this station, worst first, one for each region. */
export function stationNotes(
  standard: Standard,
  result: GradeResult | null,
  station: Station | null,
  numbers: ReadonlyMap<string, number>
): PlateNote[] {
  if (!result) return []
  // what is seen on the dog: handling has no place on it, and some regions are not drawn from the side
  const drawn = new Set<string>(DRAWN_REGIONS)
  const own = standard.criteria.filter(
    (criterion) => (station === null || criterion.station === station) && criterion.station !== 'handling' && drawn.has(criterion.region)
  )
  const notes: PlateNote[] = []
  const weight = (parts: readonly PartResult[]) => Math.min(...parts.map((part) => part.share01 ?? 1))
  const answered = own
    .map((criterion) => ({ criterion, parts: result.parts.filter((part) => part.criterionId === criterion.id) }))
    .filter(({ parts }) => parts.some((part) => part.verdict !== 'notAnswered'))
    .sort((a, b) => weight(a.parts) - weight(b.parts))
  for (const { criterion, parts } of answered) {
    if (notes.some((note) => note.region === criterion.region)) continue
    const { part } = wordOfParts(parts)
    notes.push({
      id: criterion.id,
      region: criterion.region,
      numeral: String(numbers.get(criterion.id) ?? ''),
      heading: part.side === 'whole' ? criterion.label : `${regionName(criterion.region)}, ${part.side}`,
      lines: [{ text: shorten(part.say), bold: part.verdict === 'fails', glyph: glyphOfPart(part) }],
      tone: part.departure ?? undefined
    })
  }
  return notes.slice(0, 8)
}

const MOST_LETTERS = 38
const shorten = (text: string) => (text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS - 1)}…` : text)
