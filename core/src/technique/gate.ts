import type { Technique } from './types'

/** A technique that puts a blade or scissors to the dog waits until somebody has said that the dog is ready to cut. */
export const waitsForGate = ({ family, beforeGate }: Pick<Technique, 'family' | 'beforeGate'>): boolean =>
  family !== 'handling' && !beforeGate
