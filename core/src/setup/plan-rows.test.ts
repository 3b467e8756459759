// The rows of the work plans that are shown by people at work, typed by hand: what stands in `content/standards` must say the same.
import { standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import type { CoatType } from '../advice'
import type { RegionId } from '../regions'
import { workFor, type Pass } from '../standard'

const BODY = 'shoulder back ribs loin croup'
const NECK = 'neckTop neckSide'
const FEET = 'foreFoot rearFoot'

/** "clip 7f w 3.2": kind, tool as in the table, direction, mm; a pass with no length has none. */
function sayPass({ kind, tools, direction, leavesMm, share }: Pass): string {
  const tool = tools[0].replace(/^(blade|scissors)-/, '')
  const way = direction === null || kind === 'pull' || kind === 'tap' || kind === 'bevel' ? '' : ` ${WAYS[direction]}`
  return `${kind} ${tool}${way}${leavesMm === null ? '' : ` ${leavesMm}`}${share ? ` ${share}` : ''}`
}
const WAYS: Readonly<Record<string, string>> = { with: 'w', against: 'a', away: 'away', off: 'off', right: 'right', edge: 'edge' }

// Ref: common practice, no published source: plan.md section 2, rows marked F or F/C, as the first side of every house rule has them
const ROWS: readonly [trim: string, coat: CoatType, rows: readonly (readonly [places: string, part: string, work: string])[]][] = [
  [
    'bearded-pet',
    'wire',
    [
      [`back ribs loin croup ${NECK}`, '', 'clip 7f w 3.2'],
      ['throat', '', 'clip 7f w 3.2'],
      ['chest', 'above the breastbone', 'clip 7f w 3.2'],
      ['chest', 'below the breastbone', 'scissor straight 9'],
      ['skirt', '', 'clip 7f w, scissor straight 45'],
      ['foreleg', '', 'scissor straight 35'],
      [FEET, '', 'scissor straight 12'],
      ['thigh', 'rear edge', 'clip 7f w 3.2'],
      ['underTail', '', 'clip 7f w 3.2'],
      ['rearPastern', '', 'scissor straight 32'],
      ['tail tailBand', '', 'clip 7f w 3.2, scissor straight 4'],
      ['skull cheek earBase', '', 'clip 7f w 3.2, scissor straight'],
      ['earOutside', '', 'clip 7f w 3.2'],
      ['earInside', '', 'clip 15 w 1.2'],
      ['earEdge', '', 'tap 40'],
      ['muzzle', '', 'scissor face 6'],
      ['eyeCorner', '', 'clip 15 edge'],
      ['belly', '', 'clip 10 w 1.6'],
      ['anus', '', 'clip 10 away 1.6']
    ]
  ],
  [
    'winter-show',
    'wire',
    [
      ['cheek', '', 'pull fingers strip, clip 10 w 1.6'],
      ['throat', '', 'pull fingers strip, clip 10 w 1.6'],
      ['earInside', '', 'clip 15 w'],
      ['thigh', 'rear edge', 'pull fingers strip, clip 10 w 1.6'],
      ['underTail', '', 'pull fingers strip, clip 10 w 1.6'],
      ['neckTop', '', 'pull stone top'],
      ['back ribs loin croup shoulder', '', 'pull stone top'],
      ['foreleg', '', 'scissor straight 20'],
      ['rearPastern', '', 'scissor straight 16'],
      ['skirt', '', 'thin thinner 34'],
      [FEET, '', 'scissor straight 12']
    ]
  ],
  [
    'clean-face',
    'curly',
    [
      [FEET, '', 'clip 30 a 0.15'],
      ['cheek throat', '', 'clip 10 w 1.6'],
      ['tailBand', '', 'clip 10 a 0.5'],
      ['anus', '', 'clip 10 away 1.6']
    ]
  ],
  [
    'bracelets',
    'curly',
    [
      [`${BODY} neckSide chest skirt thigh`, '', 'clip 7f w 3.2'],
      [FEET, '', 'clip 30 a 0.15'],
      ['cheek throat', '', 'clip 10 w 1.6'],
      ['earOutside', '', 'band bands']
    ]
  ],
  [
    'companion',
    'mixed',
    [
      [`${BODY} ${NECK} chest skirt thigh`, '', 'attach comb-0 w 16, thin chunker'],
      ['foreleg', '', 'attach comb-a w 19, scissor straight'],
      ['tail', '', 'scissor straight 48'],
      ['anus', '', 'clip 10 away 1.6']
    ]
  ],
  [
    'smile',
    'drop',
    [
      [`back ribs loin croup shoulder skirt chest`, '', 'attach comb-0 a 16, thin chunker'],
      ['earInside', '', 'clip 10 w']
    ]
  ],
  [
    'teddy',
    'curly',
    [
      [`${BODY} skirt`, '', 'clip 4f w 9.5'],
      ['eyeCorner', '', 'clip 15 edge'],
      ['brow', '', 'scissor straight 40']
    ]
  ],
  ['flower', 'wire', [['earOutside', 'tip third', 'clip 15 w 1.2']]],
  ['spaniel-legs', 'smooth', [[`${BODY} ${NECK} skirt chest`, '', 'clip 7f w 3.2']]],
  [
    'mountain-ear',
    'double',
    [['skull brow muzzle beard cheek throat back ribs loin croup shoulder chest skirt foreleg thigh tail', '', 'leave']]
  ],
  ['long-coat', 'drop', [['muzzle beard cheek throat back ribs loin croup shoulder skirt chest foreleg thigh', '', 'leave']]],
  [
    'jacket-show',
    'wire',
    [
      ['earEdge', '', 'leave'],
      ['back ribs croup', '', 'card knife-fine, pull knife-coarse top']
    ]
  ]
]

describe.each(ROWS)('%s on a %s coat', (trim, coat, rows) => {
  const work = workFor(standards.find(({ id }) => id === trim)!.plan.work!, { house: {}, coat })
  const cases = rows.flatMap(([places, part, words]) => places.split(' ').map((place) => [place as RegionId, part, words] as const))
  it.each(cases)('%s%s: %s', (place, part, words) => {
    const here = work.filter((row) => row.place === place && (part === '' || row.part === part))
    const said = here.map(({ does, passes }) => (does === 'leave' ? 'leave' : passes.map(sayPass).join(', ')))
    expect(said, `${trim} ${place} ${part}`).toContain(words)
  })
})
