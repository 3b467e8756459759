// The set-up sheet of two trims on eight dogs, line by line with the rules that spoke: a change is seen before it lands.
// Common practice, no published source. To take a changed sheet over: PEEN_TAKE_SHEETS=1 npx vitest run demo/src/sheets
import { adviceRules, cutRegionsOf, techniqueName, techniqueWaits, houseRules, rack, standards, trimFits } from '@peen/content'
import { coatTypeOf } from '@peen/core/advice'
import { NOTHING_FOUND } from '@peen/core/checkin'
import { factsToday, fitOf, sayLinePlace, sayTool, sheetOf } from '@peen/core/setup'
import { readFileSync, writeFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { DOGS, POODLES, type Dog } from './cast'

const EIGHT = ['flint', 'wren', 'bracken', 'biscuit', 'ember']
  .map((key) => DOGS.find((dog) => dog.key === key)!)
  .concat(POODLES.filter(({ body }) => body === 'poodle'))
const house = Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen]))

/** A sheet as text: place, tool, what it leaves, the rules that spoke, the rules that warn. */
function sheetText(trim: string, dog: Dog): string {
  const coat = coatTypeOf(dog.coat)
  const known = { facts: dog.facts ?? [], nose: dog.profile?.nose ?? null, skin: dog.profile?.skin ?? null }
  const { lines } = sheetOf(adviceRules, {
    standard: standards.find(({ id }) => id === trim)!,
    regionsOf: cutRegionsOf,
    nameOf: techniqueName,
    waits: techniqueWaits,
    coat,
    facts: factsToday(known, NOTHING_FOUND, !POODLES.includes(dog)),
    burns: dog.burns ?? [],
    stops: [],
    mats: [],
    hurts: [],
    house,
    houseRules,
    rack,
    wishes: [],
    excused: [],
    chosen: {}
  })
  const { verdict, say } = fitOf(trimFits, trim, coat)
  const head = `${trim}, ${dog.name}, ${dog.coat}${verdict === 'fits' ? '' : `\n${verdict}: ${say}`}`
  const body = lines.map((line) => {
    const leaves = line.leavesMm === null ? 'as it comes' : `${line.leavesMm} mm`
    const ids = (fired: readonly { readonly id: string }[]) => fired.map(({ id }) => id).join(' ') || '-'
    return `${line.order} ${sayLinePlace(line)} | ${sayTool(line)} | ${leaves} | ${ids(line.advice.fired)} | ${ids(line.cautions)}`
  })
  return `${[head, ...body].join('\n')}\n`
}

describe.each(standards.map(({ id }) => id))('%s', (trim) => {
  it.each(EIGHT.map((dog) => [dog.key, dog] as const))('%s', (key, dog) => {
    const file = new URL(`./sheets/${trim}.${key}.txt`, import.meta.url)
    const text = sheetText(trim, dog)
    if (process.env.PEEN_TAKE_SHEETS) writeFileSync(file, text)
    expect(text).toBe(readFileSync(file, 'utf8'))
    const ids = new Set(adviceRules.map(({ id }) => id))
    const named = text
      .split('\n')
      .slice(1)
      .flatMap((line) => line.split(' | ').slice(3).join(' ').split(' '))
    for (const id of named.filter((word) => word !== '-' && word !== '')) expect(ids, id).toContain(id)
  })
})
