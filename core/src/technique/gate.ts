import type { Technique } from './types'

/** A technique that puts a blade or scissors to the dog waits until the dog has been checked in as ready to cut. */
export const waitsForGate = ({ family, beforeGate }: Pick<Technique, 'family' | 'beforeGate'>): boolean =>
  family !== 'handling' && !beforeGate
