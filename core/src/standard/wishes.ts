// Wishes that change the work of a trim, each by its name: which rows and steps it puts in the place of the trim's own.
// Source: common practice, no published source.
import type { RegionId } from '../regions'
import type { Pass, PlacePlan } from './work'
import type { PlanStep, Standard } from './types'

export const WORK_WISHES = ['bodyClipped', 'skirtOff', 'shortEars', 'reset'] as const
/** In the order in which they are laid over each other: a carded or pulled body clipped; skirt and chest off with the legs left; ears shorter than the trim has them; the coat comes off. */
export type WorkWish = (typeof WORK_WISHES)[number]

export const WORK_WISH_NAMES: Readonly<Record<WorkWish, string>> = {
  skirtOff: 'skirt and chest off, legs left',
  bodyClipped: 'body clipped with a 4F',
  shortEars: 'very short inside the ears',
  reset: 'the coat comes off and grows out again'
}

const BODY: readonly RegionId[] = ['shoulder', 'back', 'ribs', 'loin', 'croup']
/** What comes off with a coat that cannot be saved: head, ears and feet keep their own work. */
const COAT: readonly RegionId[] = [...BODY, 'neckTop', 'neckSide', 'throat', 'chest', 'skirt', 'foreleg', 'thigh', 'rearPastern']

const isClipped = ({ passes }: Pick<PlacePlan, 'passes'>) => passes.some(({ kind }) => kind === 'clip' || kind === 'attach')
const clipWith = (tool: string, leavesMm: number): Pass => ({
  ...{ kind: 'clip' as const, tools: [tool], direction: 'with' as const, leavesMm, technique: 'body-clip' }
})

const CLIPPED_4F = clipWith('blade-4f', 9.5)
const RESET_7F = clipWith('blade-7f', 3.2)
const SHORT_EAR_TOOLS = ['blade-40']

/** Puts one row in the place of all rows of each place. */
function instead(work: readonly PlacePlan[], places: readonly RegionId[], passes: readonly Pass[]): readonly PlacePlan[] {
  const first = new Map(places.map((place) => [place, work.findIndex((row) => row.place === place)]))
  return work.flatMap((row, i) => {
    if (!first.has(row.place)) return [row]
    return first.get(row.place) === i ? [{ place: row.place, does: 'passes' as const, passes }] : []
  })
}

const CHANGES: Readonly<Record<WorkWish, (work: readonly PlacePlan[]) => readonly PlacePlan[]>> = {
  skirtOff: (work) => {
    const back = work.find(({ place }) => place === 'back')
    return back && isClipped(back) ? instead(work, ['skirt', 'chest'], back.passes) : work
  },
  bodyClipped: (work) =>
    BODY.every((body) => work.some(({ place, does }) => place === body && does === 'coat')) ? instead(work, BODY, [CLIPPED_4F]) : work,
  shortEars: (work) =>
    work.map((row) =>
      row.place === 'earInside' && isClipped(row)
        ? { ...row, passes: row.passes.map((pass) => (pass.kind === 'clip' ? shortEar(pass) : pass)) }
        : row
    ),
  reset: (work) => instead(work, COAT, [RESET_7F])
}
const shortEar = (pass: Pass): Pass => ({ ...pass, tools: SHORT_EAR_TOOLS, leavesMm: 0.25 })

const techniquesIn = (work: readonly PlacePlan[]) => new Set(work.flatMap(({ passes }) => passes.map(({ technique }) => technique)))

/** Steps that nothing is left for fall away; a body clip that the trim had not comes where the first of them stood. */
function stepsFor(steps: readonly PlanStep[], before: readonly PlacePlan[], after: readonly PlacePlan[]): readonly PlanStep[] {
  const [was, is] = [techniquesIn(before), techniquesIn(after)]
  const gone = steps.findIndex(({ technique }) => was.has(technique) && !is.has(technique))
  const kept = steps.filter(({ technique }) => !was.has(technique) || is.has(technique))
  if (!is.has('body-clip') || kept.some(({ technique }) => technique === 'body-clip')) return kept
  const toolId = after.flatMap(({ passes }) => passes).find(({ technique }) => technique === 'body-clip')!.tools[0] ?? null
  const at = gone < 0 ? kept.length : kept.filter((step) => steps.indexOf(step) < gone).length
  const clip: PlanStep = { technique: 'body-clip', label: 'Body clip', toolId, direction: 'with', minutes: BODY_CLIP_MIN }
  return [...kept.slice(0, at), clip, ...kept.slice(at)]
}
/** As the bearded pet has it. */
const BODY_CLIP_MIN = 14

const minutesOf = (steps: readonly PlanStep[]) => steps.reduce((sum, { minutes, apart }) => (apart ? sum : sum + minutes), 0)

/**
 * A trim with the work that was asked for: rows, steps and minutes; its lengths and criteria are moved by `fittedStandard`.
 * Asked for twice it is the same. A version of before there were plans of work stays as it is.
 */
export function standardAsWished(standard: Standard, wishes: readonly { readonly work?: WorkWish | null }[]): Standard {
  const { work, steps } = standard.plan
  const asked = WORK_WISHES.filter((wish) => wishes.some(({ work: one }) => one === wish))
  if (!work || asked.length === 0) return standard
  const changed = asked.reduce((rows, wish) => CHANGES[wish](rows), work)
  if (changed === work) return standard
  const walked = stepsFor(steps, work, changed)
  const standardMin = standard.standardMin + minutesOf(walked) - minutesOf(steps)
  return { ...standard, standardMin, plan: { ...standard.plan, work: changed, steps: walked } }
}

/** The wishes that would change something in a trim. */
export function workWishesFor(standard: Standard): readonly WorkWish[] {
  return WORK_WISHES.filter((work) => JSON.stringify(standardAsWished(standard, [{ work }])) !== JSON.stringify(standard))
}
