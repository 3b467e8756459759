// What goes wrong on a trim, each with its numbers; drawn so that an eye finds it at a glance.
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
