// A criterion in a few words, for lists, sheets and wall charts.
import { targetOf, unitOf } from '@peen/core/grade'
import { formulaById, type Band, type Criterion, type Standard } from '@peen/core/standard'
import { sayNumber } from '@peen/core/units'
import { t } from '../words'

export const sayBand = ([low, high]: Band, unit: string): string => {
  if (low === null && high === null) return 'open'
  if (low === null) return t('library.upNumberUnit', { number: sayNumber(high!), unit })
  return high === null
    ? t('library.numberUnitOrMore', { number: sayNumber(low), unit })
    : t('library.numberNumber2Unit', { number: sayNumber(low), number2: sayNumber(high), unit })
}

/** "16 mm, 13.5 to 18.5", "up to 4 mm", "four of five levels" */
export function sayTarget({ how }: Criterion): string {
  if (how.kind === 'judged') return t('library.judged04')
  if (how.kind === 'difference') return t('library.sidesWithinNumberMm', { number: sayNumber(how.band[1] ?? 0) })
  const unit = unitOf(how)
  const target = targetOf(how)!
  return how.kind === 'length'
    ? t('library.numberMmBand', { number: sayNumber(target), band: sayBand(how.band, '').trim() })
    : sayBand(how.band, unit)
}

export function sayInstrument(standard: Standard, { how }: Criterion): string {
  if (how.kind === 'judged') return t('library.eyeHand')
  if (how.kind === 'difference') return t('library.calculatedFromBothSides')
  const instrument = standard.instruments.find(({ id }) => id === how.instrument)?.name ?? how.instrument
  if (how.kind !== 'computed') return instrument
  return `${how.readingsOf ? 'computed' : instrument}: ${formulaById(how.formula)?.says ?? how.formula}`
}
