// The work of the sixteen trims against rows typed by hand (plan-rows.txt): nothing else, and nothing less, stands in `content/standards`.
// Ref: common practice, no published source; a row marked F is shown by people at work, one marked C is our own choice.
import { readFileSync } from 'node:fs'
import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import type { CoatType } from '../advice'
import type { RegionId } from '../regions'
import { workFor, type Pass, type PlacePlan } from '../standard'

const GROUPS: Readonly<Record<string, string>> = {
  BODY: 'shoulder back ribs loin croup',
  NECK: 'neckTop neckSide',
  FEET: 'foreFoot rearFoot'
}
const WAYS: Readonly<Record<string, string>> = { with: 'w', against: 'a', away: 'away', edge: 'edge' }
/** What is done before and after the work on the shape, the same in every trim. */
const FRAME = new Set(
  'rough-clip chalk equipment-check brush-out bath dry eye-care nails pads sanitary ear-clean eye-corners comfort-first blow-shake last-look'.split(
    ' '
  )
)

type Row = {
  readonly place: RegionId
  readonly part: string | null
  readonly house: Readonly<Record<string, number>>
  readonly work: string
}
type TypedTrim = { readonly id: string; readonly coat: CoatType; readonly walk: readonly string[]; readonly rows: readonly Row[] }

function readRow(line: string): readonly Row[] {
  const [where, work] = line.split(' | ')
  const part = /\[(.+)\]/.exec(where)?.[1] ?? null
  const [, id, side] = /\{(\S+) (\d)\}/.exec(where) ?? []
  const places = where
    .replace(/[[{].*/, '')
    .trim()
    .split(' ')
  return places
    .flatMap((place) => (GROUPS[place] ?? place).split(' '))
    .map((place) => ({ place: place as RegionId, part, house: id ? { [id]: Number(side) } : {}, work }))
}

function readTyped(): { readonly common: readonly Row[]; readonly trims: readonly TypedTrim[] } {
  const text = readFileSync(new URL('./plan-rows.txt', import.meta.url), 'utf8')
  const [common, ...trims] = text.split('\n== ').slice(1)
  const rowsIn = (part: string) => part.split('\n').filter((line) => line.includes(' | '))
  return {
    common: rowsIn(common).flatMap(readRow),
    trims: trims.map((trim) => {
      const [id, coat] = trim.split('\n')[0].split(' ')
      const walk = /^walk: (.+)$/m.exec(trim)?.[1].split(' ') ?? []
      return { id, coat: coat as CoatType, walk, rows: rowsIn(trim).flatMap(readRow) }
    })
  }
}

/** A pass as the rows have it: no more is said than was typed, so tools after the first and what the row leaves open may differ. */
function sayPass({ technique, kind, tools, direction, leavesMm, share }: Pass, typed: string): string {
  const named = / (\S+\/\S+)/.exec(typed)?.[1].split('/').length ?? 1
  const tool = tools
    .slice(0, named)
    .map((id) => id.replace(/^(blade|scissors)-/, ''))
    .join('/')
  const way = direction !== null && (kind !== 'pull' || / w\b/.test(typed)) ? WAYS[direction] : undefined
  const much = share && new RegExp(` ${share}\\b`).test(typed) ? share : undefined
  return [`(${technique})`, kind, tool, way, much, leavesMm ?? undefined].filter((word) => word !== undefined).join(' ')
}

function sayRow({ does, passes, standsMm }: PlacePlan, typed: string): string {
  if (does === 'leave') return 'leave'
  const parts = typed.split('; ')
  const said = passes.map((pass, i) => sayPass(pass, parts[i] ?? '')).join('; ')
  return standsMm === undefined || does === 'passes' ? said : `${said} coat ${standsMm}`
}

const { common, trims } = readTyped()

describe.each(trims)('$id, as it was typed', ({ id, coat, walk, rows }) => {
  const { plan } = standards.find((trim) => trim.id === id)!
  const own = new Set(rows.map(({ place }) => place))
  const all = [...rows, ...common.filter(({ place }) => !own.has(place))]

  it('walks in this order', () => {
    const steps = plan.steps.map(({ technique }) => technique)
    expect(steps.filter((step) => walk.includes(step) || !FRAME.has(step))).toEqual(walk)
  })

  it.each(all)('$place $part $house: $work', ({ place, part, house, work }) => {
    const here = workFor(plan.work!, { house, coat }).filter((row) => row.place === place && (part === null || row.part === part))
    expect(here.map((row) => sayRow(row, work))).toContain(work)
  })

  it('has no place that was not typed', () => {
    const typed = new Set(all.map(({ place, part }) => `${place} ${part}`))
    const untyped = plan.work!.filter(({ place, part = null }) => !typed.has(`${place} ${part}`) && !typed.has(`${place} null`))
    expect(untyped.map(({ place, part }) => `${place} ${part}`)).toEqual([])
  })
})

it('holds all sixteen trims', () => {
  expect(trims.map(({ id }) => id).sort()).toEqual(standards.map(({ id }) => id).sort())
})
