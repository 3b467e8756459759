import type { VisitLine } from '@peen/contract'
import { lowerFirst } from '@peen/core/units'

/** What was done on a visit, in a sentence or two: clean first, then what was not. */
export const doneIn = ({ did }: VisitLine) => {
  const counted = did.filter(({ counts }) => counts)
  const clean = counted.filter((one) => one.clean)
  const notClean = counted.filter((one) => !one.clean)
  const names = (some: VisitLine['did']) => some.map(({ technique }, i) => (i === 0 ? technique : lowerFirst(technique))).join(', ')
  return [
    ...(clean.length > 0 ? [`Clean: ${lowerFirst(names(clean))}.`] : []),
    ...(notClean.length > 0 ? [`Not clean: ${lowerFirst(names(notClean))}.`] : []),
    ...(did.length > counted.length ? [`${did.length - counted.length} more apart from the chart.`] : [])
  ].join(' ')
}
