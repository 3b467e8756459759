// Every shipped rule in two cases where it speaks and one, a step away, where it must not. Common practice, no published source.
import { adviceRules, houseRules, rack } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { advise, FACTS, sayChoice, whyNot, type AdviceCase, type AdviceRule, type CoatType, type Fact } from '.'
import type { RegionId } from '../regions'
import type { Direction, Tool } from '../tools'

const school = Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen]))
const skipBlade: Tool = { id: 'blade-5', label: '5', kind: 'blade', lengthMm: 6.3, fraction: '1/4', toothing: 'skip', note: '' }
const fullRack = [...rack, skipBlade]

/**
 * "cheek 3.2 wire burnedHere -known face-neck=1": place, planned mm (- for none), coat, then facts and house rules.
 * A dog is known and combed unless the words take that away.
 */
function caseOf(words: string): AdviceCase {
  const [region, mm, coat, ...rest] = words.split(' ')
  const facts = new Set<Fact>(['known', 'combed'])
  const house: Record<string, number> = { ...school }
  for (const word of rest) {
    const [id, side] = word.split('=')
    if (side !== undefined) house[id] = Number(side)
    else if (word.startsWith('-')) facts.delete(word.slice(1) as Fact)
    else facts.add(word as Fact)
  }
  for (const fact of facts) if (!FACTS.includes(fact)) throw new Error(`no such fact: ${fact}`)
  return { region: region as RegionId, plannedMm: mm === '-' ? null : Number(mm), coat: coat as CoatType, facts, house, rack: fullRack }
}

/** What a rule must do in its first case: put a tool first, take one away with its sentence, move the aim, or warn. */
type Shows =
  | { readonly first: string }
  | { readonly bans: readonly [toolId: string, direction: Direction] }
  | { readonly aims: number }
  | { readonly cautions: true }
  | { readonly says: true }

const first = (words: string): Shows => ({ first: words })
const bans = (toolId: string, direction: Direction = 'with'): Shows => ({ bans: [toolId, direction] })
const aims = (mm: number): Shows => ({ aims: mm })
const warns: Shows = { cautions: true }
/** with the growth comes first anyway; the rule is the sentence that says it is the house's side */
const says: Shows = { says: true }

const ROWS: readonly (readonly [id: string, shows: Shows, fires: string, firesToo: string, nearMiss: string])[] = [
  ['face-with', bans('blade-10', 'against'), 'cheek 1.6 curly', 'throat 3.2 wire', 'muzzle 1.6 curly'],
  ['face-ten', bans('blade-15'), 'cheek 1.2 curly', 'throat 1 wire', 'cheek 1.2 curly takes40'],
  ['face-40-equiv', bans('blade-15', 'against'), 'cheek 1.6 wire', 'cheek - curly', 'cheek 1.6 wire takes40'],
  ['muzzle-against', first('blade 10 against'), 'muzzle 0.5 curly show', 'muzzle 1.2 drop', 'muzzle 6 wire'],
  ['muzzle-sensitive', first('blade 10 against'), 'muzzle - curly sensitive', 'muzzle 1 wire sensitive', 'muzzle 6 wire sensitive'],
  ['muzzle-pink', first('blade 10 against'), 'muzzle 0.25 curly pink', 'beard 0.25 wire pink', 'muzzle 6 curly pink'],
  ['muzzle-unknown', first('blade 10 against'), 'muzzle 0.25 curly -known', 'beard - wire -known', 'muzzle 0.25 curly'],
  ['muzzle-pet', first('blade 15 against'), 'muzzle - curly', 'muzzle 0.25 wire', 'muzzle - curly show'],
  ['muzzle-show', first('blade 30 against'), 'muzzle - curly show takes40', 'muzzle 0.5 wire show takes40', 'muzzle - curly show'],
  ['toes-no-10', bans('blade-10'), 'toes 1.6 curly', 'pads - wire', 'foreFoot 1.6 curly'],
  ['toes-default', aims(1.2), 'toes - wire', 'toes - drop', 'toes - curly'],
  ['pads-default', aims(1.2), 'pads - drop', 'pads - wire', 'pads - curly'],
  ['feet-default', first('blade 30 with'), 'toes - curly', 'rearFoot - curly', 'foreFoot - curly feetSore'],
  ['feet-light-unknown', bans('blade-30'), 'foreFoot 1.2 curly light -known', 'pads - wire light -known', 'foreFoot 1.2 curly light'],
  ['feet-sore', bans('blade-30'), 'rearFoot 1.2 curly feetSore', 'toes - wire feetSore', 'cheek 1.6 curly feetSore'],
  ['feet-pink', bans('blade-30', 'against'), 'foreFoot 0.15 curly pink', 'toes - wire pink', 'foreFoot 0.15 curly pink takes40'],
  ['feet-ladder', bans('blade-10', 'against'), 'foreFoot 0.5 curly', 'rearFoot 0.15 drop', 'foreFoot 12 wire'],
  ['feet-no-40', bans('blade-40'), 'foreFoot 0.25 curly', 'pads - wire', 'foreFoot 0.25 curly takes40'],
  ['feet-against', first('blade 30 against'), 'foreFoot 0.5 curly', 'rearFoot 1.2 curly', 'foreFoot 0.5 wire'],
  ['band-against', first('blade 10 against'), 'tailBand - curly', 'tailBand 0.5 wire', 'tailBand - wire show'],
  ['light-long', bans('blade-15'), 'tail 1.2 curly light pink', 'muzzle 0.5 wire light pink', 'tail 48 curly light pink'],
  [
    'light-diamond',
    bans('blade-30'),
    'eyeCorner - curly light pink eye-corners=0',
    'eyeCorner 1 wire light pink',
    'eyeCorner - curly pink eye-corners=0'
  ],
  ['skin-test-pads', bans('blade-30'), 'pads - wire skinReacts', 'toes 0.5 curly skinReacts', 'back 3.2 wire skinReacts'],
  ['skin-test', aims(6.3), 'back 3.2 wire skinReacts', 'foreFoot 0.5 curly skinReacts', 'back 3.2 wire'],
  ['adjustable-avoided', bans('adjustable-10'), 'back 3.2 wire adjustable-blade=1', 'toes - curly adjustable-blade=1', 'back 3.2 wire'],
  ['hot-swap', warns, 'earOutside 1.2 wire', 'earInside - curly', 'earOutside 3.2 wire'],
  ['burn-step', aims(6.3), 'cheek 3.2 wire burnedHere', 'back 1.6 curly burnedHere', 'cheek 3.2 wire burnedBefore'],
  ['burn-elsewhere', aims(2), 'cheek 1.6 wire burnedBefore', 'belly - curly burnedBefore', 'back 1.6 wire burnedBefore'],
  ['hot-spots', warns, 'cheek 3.2 wire', 'earBase 3.2 wire', 'muzzle 3.2 wire'],
  ['tail-pet', first('blade 10 with'), 'underTail - wire', 'underTail 1.6 curly', 'underTail - wire show'],
  ['tail-show', first('blade 40 with'), 'tailBand - wire show', 'tailBand 0.5 drop show', 'tailBand - wire'],
  ['under-show', first('blade 10 with'), 'underTail - wire show', 'underTail 1.2 curly show', 'underTail - wire'],
  ['belly-10', first('blade 10 with'), 'belly - wire', 'belly - curly', 'chest 10 wire'],
  ['anus-away', first('blade 10 with'), 'anus - wire', 'anus - curly', 'underTail - wire'],
  ['sanitary-scissors', bans('blade-10'), 'anus - wire sanitary=1', 'underTail 2 curly sanitary=1', 'anus - wire sanitary=0'],
  ['ear-in', first('blade 15 with'), 'earInside - wire', 'earInside - curly show', 'earOutside - wire'],
  ['ear-in-pink', first('blade 10 with'), 'earInside 1.2 wire pink', 'earInside - curly sensitive', 'earInside 1.2 wire'],
  ['ear-in-with', bans('blade-10', 'against'), 'earInside - wire', 'earInside - drop show', 'earOutside 1.6 wire'],
  ['ear-edge', warns, 'earEdge - wire', 'earEdge - drop', 'earInside - wire'],
  ['ear-edge-clipper', first('blade 40 with'), 'earEdge - wire ear-edge=0', 'earEdge - drop ear-edge=0', 'earEdge - wire ear-edge=1'],
  ['ear-edge-scissors', bans('blade-10'), 'earEdge - wire ear-edge=1', 'earEdge - curly ear-edge=1', 'earEdge - wire ear-edge=0'],
  ['cropped-out', warns, 'earOutside 3.2 wire cropped', 'earEdge - wire cropped', 'earBase 3.2 wire cropped'],
  ['pocket', warns, 'earEdge - wire', 'earBase 3.2 curly', 'earOutside 3.2 wire'],
  ['armpit-mat', bans('comb-0'), 'armpit - wire', 'armpit 16 curly', 'belly - wire'],
  ['comb-coat', bans('comb-a'), 'back 19 curly -combed', 'ribs 16 wire -combed', 'back 19 curly'],
  ['comb-base-30', warns, 'back 19 curly', 'ribs 25 wire', 'foreleg 35 wire'],
  ['comb-base-10', warns, 'back 19 curly comb-base=1', 'ribs 16 drop comb-base=1', 'back 19 curly comb-base=0'],
  ['drop-against', first('blade 7F against'), 'back 2 drop', 'croup 2 drop', 'skirt 2 drop'],
  ['drop-with', warns, 'back 2 drop drop-body=1', 'loin 9.5 drop drop-body=1', 'back 2 wire drop-body=1'],
  ['no-swirl', warns, 'chest 9 wire', 'chest 13 curly', 'shoulder 9 wire'],
  ['nails-file', warns, 'cheek 1.6 curly', 'muzzle - wire', 'cheek 3.2 wire'],
  ['burn-cause', warns, 'cheek 1.6 wire', 'muzzle 0.25 curly', 'cheek 3.2 wire'],
  ['skip-teeth', bans('blade-5'), 'cheek 6.3 wire', 'armpit 6.3 curly', 'back 6.3 wire'],
  ['skip-uncombed', bans('blade-5'), 'back 6.3 wire -combed', 'thigh 6.3 curly -combed', 'back 6.3 wire'],
  ['skull-with', says, 'skull 3.2 wire', 'skull 6.3 wire', 'skull 3.2 curly'],
  [
    'skull-against',
    first('blade 7F against'),
    'skull 2 wire bearded-skull=1',
    'skull 3.2 wire bearded-skull=1',
    'skull 20 wire bearded-skull=1'
  ],
  ['ear-7f', first('blade 7F with'), 'earOutside - wire', 'earOutside 3.2 wire', 'earOutside - wire bearded-ear=1'],
  [
    'ear-10',
    first('blade 10 with'),
    'earOutside - wire bearded-ear=1',
    'earOutside 1.6 wire bearded-ear=1',
    'earOutside 1.6 curly bearded-ear=1'
  ],
  [
    'eye-corner-scissors',
    bans('blade-15'),
    'eyeCorner - wire eye-corners=1',
    'eyeCorner 2 curly eye-corners=1',
    'eyeCorner - wire eye-corners=0'
  ],
  [
    'eye-corner-clipper',
    first('blade 15 with'),
    'eyeCorner - wire eye-corners=0',
    'eyeCorner - curly eye-corners=0',
    'eyeCorner - wire eye-corners=1'
  ],
  ['longer-first', warns, 'back 16 curly', 'ribs 25 wire', 'foreleg 35 wire']
]

const ruleOf = (id: string) => adviceRules.find((rule) => rule.id === id)!
const spoke = (rules: readonly AdviceRule[], id: string, words: string) => {
  const { fired, cautions } = advise(rules, caseOf(words))
  return [...fired, ...cautions].some((one) => one.id === id)
}

/** Does the answer show what the rule is there for? */
function isShown(rules: readonly AdviceRule[], id: string, shows: Shows, words: string): boolean {
  const advice = advise(rules, caseOf(words))
  if ('first' in shows) return advice.ranked.length > 0 && sayChoice(advice.ranked[0]).startsWith(`${shows.first} `)
  if ('aims' in shows) return advice.aimMm === shows.aims
  if ('cautions' in shows) return advice.cautions.some((one) => one.id === id)
  if ('says' in shows) return advice.fired.some((one) => one.id === id)
  const answer = whyNot(advice, shows.bans[0], shows.bans[1])
  return !answer.allowed && answer.because.includes(ruleOf(id).say)
}

it('has a row for every shipped rule', () => {
  expect(ROWS.map(([id]) => id).sort()).toEqual(adviceRules.map(({ id }) => id).sort())
})

describe.each(ROWS)('%s', (id, shows, fires, firesToo, nearMiss) => {
  it('does what it is there for, in two cases, and keeps still a step away', () => {
    expect(isShown(adviceRules, id, shows, fires), fires).toBe(true)
    expect(spoke(adviceRules, id, fires), fires).toBe(true)
    expect(spoke(adviceRules, id, firesToo), firesToo).toBe(true)
    expect(spoke(adviceRules, id, nearMiss), nearMiss).toBe(false)
  })

  it('is missed when it is taken away', () => {
    const without = adviceRules.filter((rule) => rule.id !== id)
    expect(isShown(without, id, shows, fires), fires).toBe(false)
  })
})
