// The coats that a dog can be drawn in.
import type { Coat } from '@peen/core/figure'
import { standards } from './standards'
import coatData from './coats.json'

/** A coat to draw: what a trim leaves, region by region, and the shapes scissors gave it. */
export type DrawnCoat = Coat & { readonly id: string; readonly body: string; readonly title: string; readonly colour: string }

type CoatData = Omit<DrawnCoat, 'lengths'> & { readonly lengths?: Coat['lengths']; readonly standard?: string }

// a coat that belongs to a standard takes its lengths from there, so that they are written once
export const coats: readonly DrawnCoat[] = (coatData as unknown as readonly CoatData[]).map(({ standard, ...coat }) => ({
  ...coat,
  lengths: coat.lengths ?? standards.find(({ id }) => id === standard)!.plan.lengthsMm
}))

/** The coat of a trim; where none is known by that name, the first one for the body. */
export function coatFor(body: string, trim?: string): DrawnCoat {
  return coats.find((coat) => coat.id === trim) ?? coats.find((coat) => coat.body === body) ?? coats[0]
}
