// Faults that can be shown on a drawn dog.
import type { DrawnRegion, Fault, FaultKind, ShapeKind, ViewId } from '@peen/core/figure'
import drawnFaultData from './drawn-faults.json'

/** A fault as it can be shown on a figure: its words, the number that makes it larger, and where to look. */
export type DrawnFault = {
  readonly kind: FaultKind
  readonly name: string
  readonly says: string
  readonly field: string | null
  readonly low: number
  readonly high: number
  readonly step: number
  readonly usual: number
  readonly unit: string
  readonly at: DrawnRegion
  readonly from: ViewId
  readonly fixed: Readonly<Record<string, unknown>>
  /** a shape without which the fault cannot be seen */
  readonly needs?: ShapeKind
}

export const drawnFaults = drawnFaultData as unknown as readonly DrawnFault[]

/** The fault with its number. */
export function faultOf({ kind, field, fixed }: DrawnFault, value: number): Fault {
  return { kind, ...fixed, ...(field ? { [field]: value } : {}) } as unknown as Fault
}
