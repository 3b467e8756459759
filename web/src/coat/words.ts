// Words of the coat book.
import type { BookLine } from '@peen/contract'
import { placeName, sidesMeant, type Brushing, type CoatAct, type HoleCause, type Pull } from '@peen/core/coat'
import { t } from '../words'

export const BRUSHING_WORDS: Readonly<Record<Brushing, string>> = {
  never: t('coat.neverFarWeKnow'),
  weekly: t('coat.onceWeek'),
  often: t('coat.twoOrThreeTimesWeek'),
  daily: t('coat.everyDay')
}
export const PULL_WORDS: Readonly<Record<Pull, string>> = { lightRoll: t('coat.lightRoll'), half: t('coat.half'), all: t('coat.all') }
export const CAUSE_WORDS: Readonly<Record<HoleCause, string>> = {
  matCut: t('coat.matCutOut'),
  pulled: t('coat.tooMuchPulledOneSpot'),
  missing: t('coat.missingHair')
}
export const ACT_WORDS: Readonly<Record<CoatAct['kind'], string>> = {
  pulled: t('coat.pulled'),
  carded: t('coat.carded'),
  cut: t('coat.cut2'),
  hole: t('coat.hole'),
  length: t('coat.measuredLength'),
  gap: t('coat.gapBetweenLayers')
}
export const SOURCE_WORDS: Readonly<Record<BookLine['source'], string>> = {
  written: t('coat.writtenHand'),
  floor: t('coat.fromTable'),
  found: t('coat.foundCheck'),
  grading: t('coat.readGrading')
}

/** "light roll", "cut to 3.2 mm", "hole 40 mm, a mat cut out". */
export function sayAct(act: CoatAct, day: (date: string) => string): string {
  switch (act.kind) {
    case 'pulled':
      return t('coat.pulledHowShare01Part01', {
        how: PULL_WORDS[act.how],
        share01: act.share01 === undefined ? '' : `, ${Math.round(act.share01 * 100)} %`,
        part: act.part01 === undefined ? 'whole' : 'part'
      })
    case 'carded':
      return 'carded'
    case 'cut':
      return t('coat.cutToMmMm', { toMm: act.toMm })
    case 'hole':
      return t('coat.holeWidthMmMmCause', { widthMm: act.widthMm, cause: CAUSE_WORDS[act.cause] })
    case 'length':
      return t('coat.mmMmMeasured', { mm: Math.round(act.mm * 10) / 10 })
    case 'gap':
      return t('coat.layersOlderOnNewerOnMmMm', { olderOn: day(act.olderOn), newerOn: day(act.newerOn), mm: act.mm })
  }
}

/** "Ribs, left", "Back, both sides", "Chest". */
export function sayWhere({ place, side }: Pick<BookLine, 'place' | 'side'>): string {
  const meant = sidesMeant({ place, side })
  return meant[0] === 'middle' ? placeName(place) : `${placeName(place)}, ${meant.length === 2 ? t('coat.bothSides') : meant[0]}`
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
  const both = sides.has('left') && sides.has('right')
  const side = both ? 'both' : sides.has('left') ? 'left' : sides.has('right') ? 'right' : 'none'
  return t('coat.allNSide', { all: all.slice(0, -1).join(', '), n: all[all.length - 1], side })
}
