// Hair by its age: five ages and what was cut, each with a colour and a word. On the dog, in the section and in the legend alike.
import type { Aged, AgedHair, Lengths } from '@peen/core/figure'
import { DRAWN_REGIONS } from '@peen/core/figure'
import { isPaired, sidesOf, stateAt, type CoatModel, type LayerOn, type PatchSide, type CoatPlace } from '@peen/core/coat'
import type { RegionId } from '@peen/core/regions'
import { t } from '../words'

export const AGE_IDS = ['sprouting', 'young', 'middle', 'old', 'ripe', 'cut'] as const
export type AgeId = (typeof AGE_IDS)[number]

type Rgb = readonly [number, number, number]
/** Light to dark with age, in our cool greens and blues; what was cut is straw. Violet, orange and red keep their own meaning. */
export const AGES: Readonly<Record<AgeId, { readonly name: string; readonly light: Rgb; readonly dark: Rgb }>> = {
  sprouting: { name: 'sprouting', light: [112, 196, 160], dark: [168, 236, 205] },
  young: { name: t('coat.under10Weeks'), light: [20, 134, 100], dark: [86, 208, 160] },
  middle: { name: t('coat.n1018Weeks'), light: [46, 122, 160], dark: [110, 184, 226] },
  old: { name: t('coat.over18Weeks'), light: [30, 66, 98], dark: [150, 170, 206] },
  ripe: { name: t('coat.ripePullsOutEasily'), light: [16, 24, 30], dark: [236, 240, 244] },
  cut: { name: t('coat.cutGrowsBackSoft'), light: [176, 148, 48], dark: [226, 204, 116] }
}
const WEEKS = { young: 10, middle: 18 }

export function ageOf({ stand, ageDays }: LayerOn): AgeId | null {
  if (stand === 'empty') return null
  if (stand === 'sprouting' || stand === 'ripe' || stand === 'cut') return stand
  return ageDays < 7 * WEEKS.young ? 'young' : ageDays < 7 * WEEKS.middle ? 'middle' : 'old'
}

export const cssOf = (id: AgeId, isDark: boolean): string => `rgb(${AGES[id][isDark ? 'dark' : 'light'].join(' ')})`

/** What the figure wears: outline by the length each place stands at, hair by its ages where the book tells of them. */
export type WornCoat = { readonly lengths: Lengths; readonly lengthsB: Lengths; readonly ages: Aged; readonly agesB: Aged }

/** Nothing is drawn shorter: skin with a breath of hair, mm. */
const LEAST_MM = 0.5

/**
 * The coat of a model on a day as the figure wears it; side A is the dog's left. Places that nobody wrote of stand as the trim has them.
 * @param colour hair in the colour of its age, else in the dog's own
 */
export function wornOn(model: CoatModel, day: number, plan: Lengths, colour: 'ages' | 'own', isDark: boolean): WornCoat {
  const worn = { lengths: { ...plan }, lengthsB: { ...plan }, ages: {}, agesB: {} } as {
    -readonly [key in keyof WornCoat]: Record<string, unknown>
  }
  for (const region of DRAWN_REGIONS) {
    if (!isWritten(model, region)) continue
    for (const [lengths, ages, side] of [
      ['lengths', 'ages', 'left'],
      ['lengthsB', 'agesB', 'right']
    ] as const) {
      const state = stateAt(model, region, isPaired(region) ? side : 'middle', day)
      const longest = Math.max(LEAST_MM, state.standingMm)
      worn[lengths][region] = Math.round(longest * 10) / 10
      worn[ages][region] = state.layers.map((layer) => agedHair(layer, colour, isDark))
    }
  }
  return worn as unknown as WornCoat
}

function agedHair(layer: LayerOn, colour: 'ages' | 'own', isDark: boolean): AgedHair {
  const age = ageOf(layer)
  // tenths: days that look alike are one picture
  const hair = { share01: Math.round(layer.share01 * 1000) / 1000, mm: Math.round(layer.mm * 10) / 10 }
  return colour === 'ages' && age ? { ...hair, rgb: AGES[age][isDark ? 'dark' : 'light'] } : hair
}

/** Somebody wrote what was done there. */
export function isWritten(model: CoatModel, place: CoatPlace): boolean {
  return [...(model.places.get(place)?.sides.values() ?? [])].some(({ acts }) => acts.length > 0)
}

/** The side of a place that is spoken of when somebody touches it from one side. */
export const patchOf = (place: CoatPlace, side: 'left' | 'right'): PatchSide => (isPaired(place) ? side : sidesOf(place)[0])
export const regionsWritten = (model: CoatModel): readonly RegionId[] => DRAWN_REGIONS.filter((region) => isWritten(model, region))
