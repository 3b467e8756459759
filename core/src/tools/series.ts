import { CoreError } from '../error'

export type Direction = 'with' | 'against'

/** A tool of the school's rack. `lengthMm` is what it leaves with the growth; null for tools that set no length. */
export type Tool = {
  readonly id: string
  readonly label: string
  readonly kind: 'blade' | 'comb' | 'scissors' | 'hand' | 'brush' | 'aid'
  readonly lengthMm: number | null
  readonly fraction: string | null
  readonly toothing: 'finish' | 'skip' | null
  /** the blade that this comb goes over; not said where it is as the house takes it */
  readonly base?: '30' | '10' | null
  /** the blade of the series that an adjustable one is set to here; nothing for a blade of one length */
  readonly setTo?: string | null
  readonly note: string
}

/** The step of the series that a blade stands for: its own name, or what an adjustable one is set to. */
export const bladeOf = ({ label, setTo }: Pick<Tool, 'label' | 'setTo'>): string => setTo ?? label

/**
 * The fixed reference series from long to short, mm with the growth. Against the growth a blade leaves what stands
 * two steps further down this list, whatever a school's own rack holds. Common practice, no published source.
 */
export const REFERENCE_SERIES: readonly { readonly blade: string; readonly lengthMm: number }[] = Object.freeze([
  { blade: '3F', lengthMm: 13 },
  { blade: '4F', lengthMm: 9.5 },
  { blade: '5F', lengthMm: 6.3 },
  { blade: '7F', lengthMm: 3.2 },
  { blade: '8½', lengthMm: 2.8 },
  { blade: '9', lengthMm: 2 },
  { blade: '10', lengthMm: 1.6 },
  { blade: '15', lengthMm: 1.2 },
  { blade: '30', lengthMm: 0.5 },
  { blade: '40', lengthMm: 0.25 }
])

const STEPS_AGAINST = 2
/**
 * What the two finest leave against the growth, mm: at the skin. It is ordinary work on feet and on the front of a muzzle; no
 * figure is agreed on in the trade, these are our own.
 */
export const AT_THE_SKIN_MM: Readonly<Record<string, number>> = Object.freeze({ '30': 0.15, '40': 0.1 })

export type LengthLeft =
  { readonly allowed: true; readonly lengthMm: number; readonly because: string } | { readonly allowed: false; readonly because: string }

/**
 * The length a tool leaves, mm, by direction; what a blade leaves against the growth is read from the reference series.
 * A comb sets its length itself, so direction changes nothing. Tools that set no length are answered `allowed: false`.
 * A blade that is not of the series (a school's own) lies between two of its lengths and leaves against the growth what
 * lies between theirs: a straight line between the two, our own choice. Source: common practice, no published source.
 * @example lengthLeft(blade7F, 'against') // { allowed: true, lengthMm: 2, because: 'a 9 with the growth' }
 */
export function lengthLeft(tool: Tool, direction: Direction): LengthLeft {
  if (tool.lengthMm === null) return { allowed: false, because: `${tool.label} sets no length of its own` }
  if (tool.kind === 'comb') return { allowed: true, lengthMm: tool.lengthMm, because: 'a comb sets the length itself' }
  if (direction === 'with') return { allowed: true, lengthMm: tool.lengthMm, because: 'with the growth' }
  const at = REFERENCE_SERIES.findIndex((step) => step.blade === bladeOf(tool))
  if (at < 0) return betweenSteps(tool.lengthMm)
  const skin = AT_THE_SKIN_MM[bladeOf(tool)]
  if (skin !== undefined) return { allowed: true, lengthMm: skin, because: 'at the skin' }
  const reached = REFERENCE_SERIES[at + STEPS_AGAINST]!
  return { allowed: true, lengthMm: reached.lengthMm, because: `as a ${reached.blade} with the growth` }
}

/** What a blade between the steps of the series leaves against the growth. */
function betweenSteps(lengthMm: number): LengthLeft {
  const steps = REFERENCE_SERIES.slice(0, REFERENCE_SERIES.length - STEPS_AGAINST).map((step, i) => ({
    withMm: step.lengthMm,
    againstMm: REFERENCE_SERIES[i + STEPS_AGAINST]!.lengthMm
  }))
  if (lengthMm < steps[steps.length - 1]!.withMm) return { allowed: false, because: 'under 0.25 mm: not allowed' }
  const because = 'counted between the steps of the series'
  const below = steps.findIndex(({ withMm }) => withMm <= lengthMm)
  // longer than the longest of the series: as much shorter as that one is
  if (below === 0) return { allowed: true, lengthMm: lengthMm * (steps[0]!.againstMm / steps[0]!.withMm), because }
  const [long, short] = [steps[below - 1], steps[below]]
  const share = (lengthMm - short!.withMm) / (long!.withMm - short!.withMm)
  return { allowed: true, lengthMm: short!.againstMm + share * (long!.againstMm - short!.againstMm), because }
}

/** The tool with this id; refuses an unknown one with code `unknownTool`. */
export function toolById(tools: readonly Tool[], id: string): Tool {
  const tool = tools.find((candidate) => candidate.id === id)
  if (!tool) {
    throw new CoreError({
      code: 'unknownTool',
      path: 'toolId',
      got: id,
      limit: `a tool of the rack (${tools.map((t) => t.id).join(', ')})`
    })
  }
  return tool
}
