// What changed between two versions, in words: where, from what, to what.
import type { Change, Clash } from '@peen/core/changes'
import type { Standard } from '@peen/core/standard'
import { isRegionId, regionName } from '@peen/core/regions'
import { upperFirst } from '@peen/core/units'
import { t } from '../words'

const FIELD_WORDS: Readonly<Record<string, string>> = {
  lookAt: t('library.whatLook'),
  usualMinutes: t('library.usualMinutes2'),
  standardMin: t('library.standardTimeMinutes2'),
  passMark: t('library.passMark2'),
  bodyType: t('library.bodyType2'),
  targetMm: t('library.targetMm2'),
  grownOutMm: t('library.grownOutMm2'),
  uMm: t('library.measuringErrorMm'),
  commonMm: t('library.sharedMeasuringErrorMm'),
  mendNow: t('library.canCorrectedDay'),
  levels: t('library.level'),
  how: '',
  plan: '',
  work: t('library.whatDone2'),
  passes: t('library.pass'),
  leavesMm: t('library.leavesMm'),
  standsMm: t('library.coatLeftMm'),
  does: t('library.how'),
  lengthsMm: t('library.lengthMm'),
  ownFault: t('library.typicalFault3'),
  makes: t('library.whatDefines2'),
  criteria: '',
  toolId: t('library.tool2'),
  after: t('library.comesAfter'),
  figure: t('library.figure'),
  clean: t('library.cleanWhen2'),
  hold: t('library.holdPoint2')
}

export type SaidChange = { readonly where: string; readonly before: string | null; readonly after: string | null }

/** @param labelOf the name of a list member by its id, where it has one */
export function sayChange({ path, before, after }: Change, labelOf: (id: string) => string | undefined): SaidChange {
  const words = path.flatMap((part, i) => {
    const label = labelOf(part)
    if (label) return [label]
    const [place, ...rest] = part.split(', ')
    if (isRegionId(place)) return [regionName(place), ...rest]
    if (/^\d+$/.test(part)) return [path[i - 1] === 'levels' ? String(Number(part) - 1) : part]
    const word = FIELD_WORDS[part] ?? part
    return word === '' ? [] : [word]
  })
  return { where: upperFirst(words.join(', ')), before, after }
}

/** What two devices wrote otherwise in one draft: "Skirt line, target, mm". */
export function clashName({ path }: Clash, { criteria }: Standard): string {
  return sayChange({ path, before: null, after: null }, (id) => criteria.find((one) => one.id === id)?.label).where
}

/** What one of them says: a number, a range, words; of a whole member its name. */
export function clashSays(value: unknown): string {
  if (value === undefined) return t('library.missing')
  if (value === null) return 'open'
  if (Array.isArray(value))
    return value.every((one) => typeof one === 'number') ? value.join(' to ') : t('library.nThem', { n: value.length })
  if (typeof value !== 'object') return value === true ? 'yes' : value === false ? 'no' : String(value)
  const { label, name, say } = value as Readonly<Record<string, unknown>>
  return ([label, name, say].find((words) => typeof words === 'string') as string | undefined) ?? 'changed'
}
