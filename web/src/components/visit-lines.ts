import type { VisitLine } from '@peen/contract'
import { lowerFirst } from '@peen/core/units'
import { t } from '../words'

/** What was done on a visit, in a sentence or two: clean first, then what was not. */
export const doneIn = ({ did }: VisitLine) => {
  const counted = did.filter(({ counts }) => counts)
  const clean = counted.filter((one) => one.clean)
  const notClean = counted.filter((one) => !one.clean)
  const names = (some: VisitLine['did']) => some.map(({ technique }, i) => (i === 0 ? technique : lowerFirst(technique))).join(', ')
  return [
    ...(clean.length > 0 ? [t('shell.cleanClean', { clean: lowerFirst(names(clean)) })] : []),
    ...(notClean.length > 0 ? [t('shell.notCleanNotClean', { notClean: lowerFirst(names(notClean)) })] : []),
    ...(did.length > counted.length ? [t('shell.nMoreNotChart', { n: did.length - counted.length })] : [])
  ].join(' ')
}
