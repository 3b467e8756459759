// Words of the coat book.
import type { BookLine } from '@peen/contract'
import { placeName, sidesMeant, type Brushing, type CoatAct, type HoleCause, type Pull } from '@peen/core/coat'

export const BRUSHING_WORDS: Readonly<Record<Brushing, string>> = {
  never: 'never, as far as we know',
  weekly: 'once a week',
  often: 'two or three times a week',
  daily: 'every day'
}
export const PULL_WORDS: Readonly<Record<Pull, string>> = { lightRoll: 'light roll', half: 'half', all: 'all' }
export const CAUSE_WORDS: Readonly<Record<HoleCause, string>> = {
  matCut: 'a mat cut out',
  pulled: 'too much pulled at one spot',
  missing: 'missing hair'
}
export const ACT_WORDS: Readonly<Record<CoatAct['kind'], string>> = {
  pulled: 'pulled',
  carded: 'carded',
  cut: 'cut',
  hole: 'hole',
  length: 'measured length',
  gap: 'gap between layers'
}
export const SOURCE_WORDS: Readonly<Record<BookLine['source'], string>> = {
  written: 'written by hand',
  floor: 'from the table',
  found: 'found at check-in',
  grading: 'read at grading'
}

/** "light roll", "cut to 3.2 mm", "hole 40 mm, a mat cut out". */
export function sayAct(act: CoatAct, day: (date: string) => string): string {
  switch (act.kind) {
    case 'pulled':
      return `pulled, ${PULL_WORDS[act.how]}${act.share01 === undefined ? '' : `, ${Math.round(act.share01 * 100)} %`}${act.part01 === undefined ? '' : ', in part'}`
    case 'carded':
      return 'carded'
    case 'cut':
      return `cut to ${act.toMm} mm`
    case 'hole':
      return `hole ${act.widthMm} mm, ${CAUSE_WORDS[act.cause]}`
    case 'length':
      return `${Math.round(act.mm * 10) / 10} mm, measured`
    case 'gap':
      return `layers of ${day(act.olderOn)} and ${day(act.newerOn)} ${act.mm} mm apart`
  }
}

/** "Ribs, left", "Back, both sides", "Chest". */
export function sayWhere({ place, side }: Pick<BookLine, 'place' | 'side'>): string {
  const meant = sidesMeant({ place, side })
  return meant[0] === 'middle' ? placeName(place) : `${placeName(place)}, ${meant.length === 2 ? 'both sides' : meant[0]}`
}

/** Lines that say the same of several places: read, and struck, as one. */
export function together(lines: readonly BookLine[]): readonly (readonly BookLine[])[] {
  const groups = new Map<string, BookLine[]>()
  for (const line of lines) {
    const side = sidesMeant(line).length === 1 && sidesMeant(line)[0] !== 'middle' ? line.side : 'both'
    const key = JSON.stringify([line.on, line.source, line.hands, line.writtenBy, line.act, side, line.struck])
    groups.set(key, [...(groups.get(key) ?? []), line])
  }
  return [...groups.values()]
}

/** "Back, ribs and loin, both sides". */
export function sayPlaces(lines: readonly BookLine[]): string {
  if (lines.length === 1) return sayWhere(lines[0])
  const names = lines.map(({ place }) => placeName(place))
  const all = [names[0], ...names.slice(1).map((name) => name.toLowerCase())]
  const sides = new Set(lines.flatMap((line) => sidesMeant(line)))
  const side = sides.has('left') && sides.has('right') ? ', both sides' : sides.has('left') ? ', left' : sides.has('right') ? ', right' : ''
  return `${all.slice(0, -1).join(', ')} and ${all[all.length - 1]}${side}`
}
