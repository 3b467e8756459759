// What stands against a plan of work, each with its place.
import { isRegionId, REGIONS, regionName } from '../regions'
import type { Tool } from '../tools'
import type { Standard } from './types'
import { lengthOfPlace, lengthsOfWork, PASS_DIRECTIONS, SETS_LENGTH, TOOLS_OF, type Pass, type PlacePlan } from './work'

type Refuse = (path: string, got: unknown, limit: string, code?: string) => void
export type WorkKnown = {
  readonly techniques?: ReadonlySet<string>
  /** what each tool of the rack is */
  readonly toolKinds?: ReadonlyMap<string, Tool['kind']>
  readonly houses?: ReadonlyMap<string, number>
}

/** Everything wrong with the work of a trim; nothing where it has none yet. */
export function workIssues({ plan }: Pick<Standard, 'plan'>, known: WorkKnown, refuse: Refuse): void {
  const { work } = plan
  if (!work) return
  for (const { id } of REGIONS) silentAt(id, work, known, refuse)
  work.forEach((row, i) => rowIssues(row, `plan.work.${i + 1}`, known, refuse))
  const walked = new Set(plan.steps.map(({ technique }) => technique))
  work.forEach(({ place, passes }, i) =>
    passes.forEach(({ technique }, k) => {
      // work without a step could not be started at the table
      if (!walked.has(technique))
        refuse(
          `plan.work.${i + 1}.passes.${k + 1}.technique`,
          `${technique} at ${regionName(place).toLowerCase()}`,
          'a step of this trim',
          'notWalked'
        )
    })
  )
  const derived = lengthsOfWork(work, { house: {} })
  for (const [region, mm] of Object.entries(derived)) {
    const written = plan.lengthsMm[region as keyof typeof plan.lengthsMm]
    if (written === undefined || Math.abs(written - mm) > 1e-6)
      refuse(`plan.lengthsMm.${region}`, written ?? 'not given', `${mm} mm, what its last pass leaves`, 'lengthNotOfWork')
  }
}

/** No place may be silent, whichever side of a house rule is taken. */
function silentAt(place: PlacePlan['place'], work: readonly PlacePlan[], { houses }: WorkKnown, refuse: Refuse): void {
  const here = work.filter((row) => row.place === place)
  const named = new Set(here.flatMap(({ house }) => (house ? [house.id] : [])))
  const isSilent =
    !here.some(({ house }) => !house) &&
    ![...named].some((id) => {
      const most = Math.max(...here.flatMap(({ house }) => (house?.id === id ? [house.side] : [])))
      const sides = Array.from({ length: houses?.get(id) ?? most + 1 }, (_, side) => side)
      return sides.every((side) => here.some(({ house }) => house?.id === id && house.side === side))
    })
  if (isSilent)
    refuse(
      `plan.work.${place}`,
      `nothing at ${regionName(place).toLowerCase()}`,
      'passes, or "left alone": no place may be silent',
      'silentPlace'
    )
  for (const { does } of here)
    if (does === 'unsaid') refuse(`plan.work.${place}`, 'work not said', 'passes, or "left alone"', 'workNotSaid')
}

function rowIssues(row: PlacePlan, at: string, known: WorkKnown, refuse: Refuse): void {
  const { place, does, passes, standsMm } = row
  if (!isRegionId(place)) return refuse(`${at}.place`, place, 'a known place')
  if (does === 'leave' && passes.length > 0) refuse(`${at}.passes`, passes.length, 'none: this place is left alone', 'workWhereLeft')
  if ((does === 'passes' || does === 'coat') && passes.length === 0) refuse(`${at}.passes`, 0, 'at least one pass', 'noPass')
  if (does === 'coat' && passes.some(({ kind }) => SETS_LENGTH[kind] === 'tool'))
    refuse(`${at}.does`, 'coat left on', 'no blade or comb: they set a length', 'workWhereLeft')
  if (standsMm !== undefined && !(standsMm > 0 && standsMm <= 300)) refuse(`${at}.standsMm`, standsMm, 'more than 0 and up to 300 mm')
  if (does === 'coat' && lengthOfPlace(row) !== (standsMm ?? null)) refuse(`${at}.does`, 'coat left on', 'no pass that leaves a length')
  passes.forEach((pass, i) => passIssues(pass, `${at}.passes.${i + 1}`, known, refuse))
}

function passIssues(pass: Pass, at: string, { techniques, toolKinds }: WorkKnown, refuse: Refuse): void {
  const { kind, tools, direction, leavesMm, technique, share } = pass
  if (tools.length === 0) refuse(`${at}.tools`, 0, 'at least one tool')
  for (const id of tools) {
    const is = toolKinds?.get(id)
    if (toolKinds && (is === undefined || !TOOLS_OF[kind].includes(is))) refuse(`${at}.tools`, id, `a tool to ${kind} with`, 'wrongTool')
  }
  if (techniques && !techniques.has(technique)) refuse(`${at}.technique`, technique, 'a known technique')
  const needsDirection = SETS_LENGTH[kind] === 'tool' || kind === 'tap' || kind === 'bevel' || kind === 'pull'
  if (needsDirection && direction === null) refuse(`${at}.direction`, 'none', PASS_DIRECTIONS.join(', '))
  if (SETS_LENGTH[kind] === 'never' && leavesMm !== null) refuse(`${at}.leavesMm`, leavesMm, 'none: this work sets no length')
  if (leavesMm !== null && !(leavesMm > 0 && leavesMm <= 300)) refuse(`${at}.leavesMm`, leavesMm, 'more than 0 and up to 300 mm')
  if ((kind === 'pull') !== (share !== undefined)) refuse(`${at}.share`, share ?? 'none', 'how much is pulled, for pulling only')
}
