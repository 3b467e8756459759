// What changes the kind of work at a place today, each by a rule with its own sentence: nothing else does.
// Source: common practice, no published source.
import { sayPlaceOf, type CoatFinding, type SkinFinding } from '../checkin'
import type { RegionId } from '../regions'
import { lengthOfPlace, type Pass, type PlacePlan } from '../standard'
import type { Side } from '../practice'
import type { LineSide, SheetCase } from './types'

/** Does something that is said of a side hold for a line of the sheet? */
export const holdsAt = (said: Side, line: LineSide) => said === 'both' || line === 'both' || line === 'whole' || said === line

/** A row as it is worked today, with a sentence for each rule that changed its kind of work. */
export type NamedRow = { readonly row: PlacePlan; readonly named: readonly string[] }

type Case = Pick<SheetCase, 'mats' | 'hurts' | 'facts'>

/** The row of a plan as today's findings change it, on one side. */
export function rowToday(row: PlacePlan, side: LineSide, one: Case): NamedRow {
  const here = <T extends { readonly region: RegionId; readonly side: Side }>(list: readonly T[]) =>
    list.filter((item) => item.region === row.place && holdsAt(item.side, side))
  const steps: readonly ((row: PlacePlan) => NamedRow)[] = [
    (now) => (here(one.hurts).length > 0 ? scissored(now) : same(now)),
    (now) => (one.facts.has('itches') && UNDER_TAIL.has(now.place) ? notClipped(now) : same(now)),
    (now) => withoutEdges(now, one.facts),
    ...here(one.mats).map((mat) => (now: PlacePlan) => matOut(now, mat))
  ]
  return steps.reduce<NamedRow>((so, step) => {
    const next = step(so.row)
    return { row: next.row, named: [...so.named, ...next.named] }
  }, same(row))
}

const HEAD: ReadonlySet<RegionId> = new Set(['skull', 'brow', 'muzzle', 'beard', 'cheek', 'earOutside', 'earBase', 'earInside', 'earEdge'])

const same = (row: PlacePlan): NamedRow => ({ row, named: [] })

/** Pulling hurts: cut to the length that the coat would stand at, and written as cut. */
function scissored(row: PlacePlan): NamedRow {
  if (!row.passes.some(({ kind }) => kind === 'pull')) return same(row)
  const tool = HEAD.has(row.place) ? 'scissors-face' : 'scissors-straight'
  const mm = lengthOfPlace(row)
  const passes = row.passes.map((pass) => (pass.kind === 'pull' ? cut(pass, [tool], mm) : pass))
  return {
    row: { ...row, does: 'passes', passes },
    named: ['Pulling hurts here: scissor today, and record it in the coat book as cut.']
  }
}

function cut({ technique, where }: Pass, tools: readonly string[], leavesMm: number | null): Pass {
  return { kind: 'scissor', tools, direction: null, leavesMm, technique, ...(where ? { where } : {}) }
}

const UNDER_TAIL: ReadonlySet<RegionId> = new Set(['anus', 'underTail'])
/** What scissors leave beside the anus, mm: as the house rule for scissors has it. */
const SCISSORED_MM = 5

/** Clipped skin that itches: scissors in place of the blade. */
function notClipped(row: PlacePlan): NamedRow {
  if (!row.passes.some(({ kind }) => kind === 'clip')) return same(row)
  const passes = row.passes.map((pass) => (pass.kind === 'clip' ? cut(pass, ['scissors-face'], SCISSORED_MM) : pass))
  return { row: { ...row, passes }, named: ['This dog itches after clipping here: use scissors today.'] }
}

/** Skin that reacts: nothing is set with a blade's edge; an ear's edge is cut with scissors. */
function withoutEdges(row: PlacePlan, facts: Case['facts']): NamedRow {
  const isFoot = row.passes.some(({ technique }) => technique === 'clipper-bevel')
  if (!facts.has('skinReacts') && !(isFoot && facts.has('feetSore')) && !(row.place === 'earEdge' && facts.has('sensitive')))
    return same(row)
  if (row.passes.some(({ kind }) => kind === 'tap')) {
    const passes = row.passes.map((pass) =>
      pass.kind === 'tap' ? { ...cut(pass, ['scissors-face'], null), where: 'along the nail' } : pass
    )
    return { row: { ...row, passes }, named: ['Sensitive skin: use scissors at the ear’s edge today.'] }
  }
  const passes = row.passes.filter(({ kind }) => kind !== 'bevel')
  if (passes.length === row.passes.length) return same(row)
  return { row: { ...row, passes }, named: ['Sore or sensitive skin: do not put a blade’s edge on it today.'] }
}

/** A mat that is still in: a tight one comes out with the blade along the skin, whatever the trim does there. */
function matOut(row: PlacePlan, { region, side, widthMm }: CoatFinding): NamedRow {
  const out: Pass = { kind: 'clip', tools: ['blade-10'], direction: 'with', leavesMm: null, technique: 'mats' }
  const where = `only the tight mat, ${widthMm} mm across: put the blade between mat and skin`
  const say = `A mat at the ${sayPlaceOf(region, side)}, ${widthMm} mm across: ease a small soft knot out from its ends. A tight one comes out with the clipper, never with scissors, and is written down as a hole.`
  return { row: { ...row, does: 'passes', passes: [{ ...out, where }, ...row.passes] }, named: [say] }
}

/** The findings of a check-in that change the kind of work at their place. */
export function namedFindings(coat: readonly CoatFinding[], skin: readonly SkinFinding[]): Pick<SheetCase, 'mats' | 'hurts'> {
  return {
    mats: coat.filter(({ kind, combedOutAt }) => kind === 'mat' && !combedOutAt),
    hurts: skin.filter(({ kind }) => kind === 'hurts')
  }
}
