// What goes wrong on a trim, each with its numbers; drawn so that an eye finds it at a glance.
import { inRange } from '../../error'
import type { DrawnRegion } from './coat-map'

export type Fault =
  /** side B longer than side A by mm (shorter below 0) in these regions */
  | { readonly kind: 'difference'; readonly regions: readonly DrawnRegion[]; readonly mm: number }
  /** the topline sinks: `at` is the share of the way from withers to tail set */
  | { readonly kind: 'dip'; readonly at: number; readonly widthMm: number; readonly mm: number }
  /** a bare patch inside a region */
  | { readonly kind: 'hole'; readonly region: DrawnRegion; readonly widthMm: number; readonly mm: number }
  /** steps left by scissors on the legs, below the elbow and the stifle */
  | { readonly kind: 'steps'; readonly everyMm: number; readonly mm: number }
  /** ridges left between two passes of a clipper over the body */
  | { readonly kind: 'track'; readonly everyMm: number; readonly mm: number }
  /** the foot line cut too high */
  | { readonly kind: 'footLine'; readonly mm: number }
  /** the ring at the tail's root is not level: degrees of tilt */
  | { readonly kind: 'tiltedBand'; readonly degrees: number }
  /** the underline waves by this much to either side */
  | { readonly kind: 'wavyLine'; readonly mm: number }
  /** the underline hangs lower by this much at its rear end (higher below 0) */
  | { readonly kind: 'slopedLine'; readonly mm: number }
  /** the top of the head is cut level, this far below its round */
  | { readonly kind: 'flatHead'; readonly mm: number }
  /** too much taken out of the stop */
  | { readonly kind: 'hollowStop'; readonly mm: number }
  /** a leg that is waisted and bulges instead of a column */
  | { readonly kind: 'legBulge'; readonly mm: number }
  /** a bracelet or topknot without its bevels */
  | { readonly kind: 'tube' }
  /** hair left beyond the tail's end */
  | { readonly kind: 'tailHigh'; readonly mm: number }
  /** a clipped line that runs out over this width instead of standing crisp */
  | { readonly kind: 'softEdge'; readonly mm: number }

export type FaultKind = Fault['kind']

export function faultOf<K extends FaultKind>(faults: readonly Fault[] | undefined, kind: K): Extract<Fault, { kind: K }> | undefined {
  return faults?.find((fault): fault is Extract<Fault, { kind: K }> => fault.kind === kind)
}

/** Most that hair may be left beyond a tail's end, mm: the figure keeps room for it. */
export const TAIL_HIGH_MOST_MM = 90

/** What a fault's numbers may be: beyond it a drawing tells nothing. */
const LIMITS: Readonly<Record<string, readonly [low: number, high: number, unit: string]>> = {
  mm: [-100, 100, 'mm'],
  widthMm: [5, 300, 'mm'],
  everyMm: [4, 120, 'mm'],
  degrees: [-60, 60, 'degrees'],
  at: [0, 1, '']
}

/** @throws CoreError naming the first number that is out of range */
export function checkFaults(faults: readonly Fault[] = []): void {
  for (const fault of faults) {
    for (const [field, value] of Object.entries(fault)) {
      if (typeof value !== 'number') continue
      const [low, high, unit] = field === 'mm' && fault.kind === 'tailHigh' ? [0, TAIL_HIGH_MOST_MM, 'mm'] : LIMITS[field]!
      inRange(`faults.${fault.kind}.${field}`, value, low, high, unit)
    }
  }
}
