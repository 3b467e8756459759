// New criteria and new ways of answering one, with something sensible in every field.
import { FORMULAS, type Criterion, type FormulaId, type How, type Standard } from '@peen/core/standard'
import { t } from '../words'

const LEVELS = [t('library.notDone'), 'poor', 'half', t('library.goodOneThingLeft'), t('library.should')]
const MENDING = { fault: t('library.mmMmOut'), mend: t('library.sayHowCorrect'), mendNow: true }

/** The same criterion answered in another way; what both ways know is kept. */
export function howOf(kind: How['kind'], standard: Standard, was: How): How {
  if (kind === was.kind) return was
  const instrument = 'instrument' in was ? was.instrument : (standard.instruments[0]?.id ?? 'gauge')
  const sides = 'sides' in was ? was.sides : 'single'
  const mending = 'mend' in was ? { ...MENDING, mend: was.mend, mendNow: was.mendNow } : MENDING
  switch (kind) {
    case 'length':
      return { kind, sides, targetMm: 20, band: [16, 24], limit: [8, 32], instrument, grownOutMm: 36 }
    case 'measured':
      return { kind, sides, targetMm: 0, band: [null, 4], limit: [null, 14], instrument, ...mending }
    case 'difference': {
      const pair = standard.criteria.find(({ how }) => how.kind === 'length' && how.sides === 'pair')
      return { kind, of: pair?.id ?? '', band: [-4, 4], limit: [-12, 12] }
    }
    case 'judged':
      return { kind, sides, levels: LEVELS, mend: mending.mend, mendNow: mending.mendNow }
    case 'computed':
      return computedBy('bevelPair', sides, instrument, mending)
  }
}

/** Readings from which a formula gives a whole number, to begin with. */
const BEGIN: Readonly<Record<string, number>> = {
  front: 0,
  inside: 0,
  rear: 0,
  outside: 0,
  bands: 6,
  long: 60,
  short: 40,
  across: 80,
  groin: 0
}
export function computedBy(
  formula: FormulaId,
  sides: 'pair' | 'single',
  instrument: string,
  mending: { readonly fault: string; readonly mend: string; readonly mendNow: boolean }
): How {
  const { inputs, of, unit } = FORMULAS.find(({ id }) => id === formula)!
  const typical = Object.fromEntries(inputs.map(({ id, low, high }) => [id, BEGIN[id] ?? Math.min(high, Math.max(low, 60))]))
  const target = Math.round(of(typical) * 10) / 10
  const wide = unit === '%' ? 12 : unit === 'mm' ? 6 : 1
  return {
    ...{ kind: 'computed', formula, sides, target, instrument, typical },
    band: [target - wide, target + wide],
    limit: [target - 4 * wide, target + 4 * wide],
    ...mending,
    fault: mending.fault.replace(t('library.mmMm'), t('library.valueUnit', { unit }))
  }
}

export function newCriterion(standard: Standard, like: Criterion | null): Criterion {
  const ids = new Set(standard.criteria.map(({ id }) => id))
  const id = Array.from({ length: 200 }, (_, i) => `own-${i + 1}`).find((one) => !ids.has(one))!
  return {
    id,
    label: 'A new criterion',
    section: like?.section ?? standard.sections[0].id,
    station: like?.station ?? 'side',
    weight: 2,
    region: like?.region ?? 'back',
    place: t('library.sayWhere'),
    praise: t('library.sayWhatGoodWhenMet'),
    how: { kind: 'judged', sides: 'single', levels: LEVELS, mend: t('library.sayHowCorrect'), mendNow: true }
  }
}
