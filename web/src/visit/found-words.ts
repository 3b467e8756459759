// What a check-in says, part by part, in words: where two devices say otherwise, both are read side by side.
import { FOOT_NAMES, sayFinding, sayPlaceOf, type Foot, type Found } from '@peen/core/checkin'
import { memberId, type Choice, type Clash, type How } from '@peen/core/changes'
import { t } from '../words'

type Coat = Found['coat'][number]
type Skin = Found['skin'][number]
type Wish = Found['wishes'][number]

/** A finding is known by what it is and where; a wish by what was asked and by whom. */
function findingKey(member: unknown, path: readonly string[]): string | null {
  if (path[0] === 'coat' || path[0] === 'skin') {
    const { kind, region, side } = member as Coat | Skin
    return `${kind} ${region} ${side}`
  }
  if (path[0] === 'wishes') {
    const { what, askedBy } = member as Wish
    return `${what}, ${askedBy}`
  }
  return memberId(member)
}

/** How two check-ins of one dog are put together: each finding and each wish is one thing. */
export const FOUND_PARTS: How = { keyOf: findingKey, isWhole: (path) => path.length === 2 }

const NAMES: Readonly<Record<string, string>> = {
  weeksSince: t('visit.weeksSinceLastGroom'),
  purpose: t('visit.whatTrim'),
  coat: t('visit.coat2'),
  skin: t('visit.skin2'),
  nailsOwed: t('visit.nailsLeftDo'),
  wishes: t('visit.wish')
}

/** What two devices differ in: "Weeks since the last groom". */
export function clashName({ path: [part = '', member] }: Clash): string {
  const name = NAMES[part] ?? part
  return part === 'wishes' && member ? `${name}: ${member}` : name
}

/** What one of them says of it: "a mat at the left ribs, 30 mm across". */
export function clashSays({ path: [part] }: Clash, value: unknown): string {
  if (value === undefined) return t('visit.missing')
  if (value === null) return t('visit.notKnown')
  if (part === 'coat') return sayFinding(value as Coat)
  if (part === 'skin')
    return t('visit.kindSkinPlaceOf', { kind: (value as Skin).kind, placeOf: sayPlaceOf((value as Skin).region, (value as Skin).side) })
  if (part === 'nailsOwed') return FOOT_NAMES[value as Foot]
  if (part === 'wishes') {
    const { length } = value as Wish
    return length ? t('visit.mmMmPlaceOf', { mm: length.mm, placeOf: sayPlaceOf(length.region, 'both') }) : t('visit.asked2')
  }
  return String(value)
}

const MOST_OF_NOTE = 600
/** What became of two texts: "Two devices wrote this check-in. What the trim is for: exam was kept, pet was not." */
export function sayChoices(clashes: readonly Clash[], choices: Readonly<Record<string, Choice>>): string {
  const each = clashes.map((clash) => {
    const [kept, other] = choices[clash.at] === 'there' ? [clash.there, clash.here] : [clash.here, clash.there]
    const name = clashName(clash)
    if (kept === undefined) return t('visit.nameLeftOutOneDevice', { name, clash: clashSays(clash, other) })
    if (other === undefined) return t('visit.nameClashKeptOneDevice', { name, clash: clashSays(clash, kept) })
    return t('visit.nameClashKeptClash2Not', { name, clash: clashSays(clash, kept), clash2: clashSays(clash, other) })
  })
  return [t('visit.twoDevicesChangedCheck'), ...each].join(' ').slice(0, MOST_OF_NOTE)
}
