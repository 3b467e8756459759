// A criterion in a few words, for lists, sheets and wall charts.
import { targetOf, unitOf } from '@peen/core/grade'
import { formulaById, type Band, type Criterion, type Standard } from '@peen/core/standard'
import { sayNumber } from '@peen/core/units'

export const sayBand = ([low, high]: Band, unit: string): string => {
  if (low === null && high === null) return 'open'
  if (low === null) return `up to ${sayNumber(high!)} ${unit}`
  return high === null ? `${sayNumber(low)} ${unit} or more` : `${sayNumber(low)} to ${sayNumber(high)} ${unit}`
}

/** "16 mm, 13.5 to 18.5", "up to 4 mm", "four of five levels" */
export function sayTarget({ how }: Criterion): string {
  if (how.kind === 'judged') return 'judged, 0 to 4'
  if (how.kind === 'difference') return `sides within ${sayNumber(how.band[1] ?? 0)} mm`
  const unit = unitOf(how)
  const target = targetOf(how)!
  return how.kind === 'length' ? `${sayNumber(target)} mm, ${sayBand(how.band, '').trim()}` : sayBand(how.band, unit)
}

export function sayInstrument(standard: Standard, { how }: Criterion): string {
  if (how.kind === 'judged') return 'by eye and hand'
  if (how.kind === 'difference') return 'computed from both sides'
  const instrument = standard.instruments.find(({ id }) => id === how.instrument)?.name ?? how.instrument
  if (how.kind !== 'computed') return instrument
  return `${how.readingsOf ? 'computed' : instrument}: ${formulaById(how.formula)?.says ?? how.formula}`
}
