import { t } from '../words'

/** What a screen is for, by the path of its route; `part` and `apprentice` where it differs by them. */
const HELP: Readonly<Record<string, () => string>> = {
  '/floor': () => t('help.floor'),
  '/floor apprentice': () => t('help.floorApprentice'),
  '/day/:on?': () => t('help.day'),
  '/calendar/:show?/:on?': () => t('help.calendar'),
  '/calendar/:show?/:on? apprentice': () => t('help.calendarApprentice'),
  '/room': () => t('help.room'),
  '/people': () => t('help.people'),
  '/visits/:id/:part?': () => t('help.checkIn'),
  '/visits/:id/:part? set-up': () => t('help.setUp'),
  '/visits/:id/:part? table': () => t('help.tableSheet'),
  '/visits/:id/:part? closing': () => t('help.closing'),
  '/table/:id': () => t('help.table'),
  '/table/:id apprentice': () => t('help.tableApprentice'),
  '/table/:id/end': () => t('help.tableEnd'),
  '/settings': () => t('help.settings'),
  '/ready': () => t('help.supply'),
  '/wall': () => t('help.wall'),
  '/apprentices': () => t('help.apprentices'),
  '/apprentices/:id': () => t('help.apprentice'),
  '/dogs': () => t('help.dogs'),
  '/dogs/:id': () => t('help.dog'),
  '/dogs/:id/profile': () => t('help.profile'),
  '/dogs/:id/adviser': () => t('help.adviser'),
  '/coat': () => t('help.coats'),
  '/coat/:id/:part?': () => t('help.coatNow'),
  '/coat/:id/:part? what-if': () => t('help.coatWhatIf'),
  '/coat/:id/:part? work-back': () => t('help.coatWorkBack'),
  '/coat/:id/:part? grow-out': () => t('help.coatGrowOut'),
  '/coat/:id/:part? book': () => t('help.coatBook'),
  '/coat/:id/:part? next-visit': () => t('help.coatNextVisit'),
  '/trims': () => t('help.trims'),
  '/trims/:id': () => t('help.trim'),
  '/trims/:id/measure/:seen?': () => t('help.measure'),
  '/techniques/:id?': () => t('help.techniques'),
  '/standards': () => t('help.standards'),
  '/standards/:id/:version?': () => t('help.standard'),
  '/standard-drafts/:id': () => t('help.draft'),
  '/plates': () => t('help.plates'),
  '/plates/:trim': () => t('help.plate'),
  '/rack': () => t('help.rack'),
  '/house-rules': () => t('help.houseRules'),
  '/rules/:id?': () => t('help.rules'),
  '/assessments': () => t('help.assessments'),
  '/assessments/:id': () => t('help.assessment'),
  '/pass-marks': () => t('help.passMarks'),
  '/trail': () => t('help.trail'),
  '/backups': () => t('help.backups'),
  '/check/:number?/:code?': () => t('help.check'),
  '/portfolio': () => t('help.portfolio'),
  '/portfolio/:id/:secret': () => t('help.portfolioPage'),
  '/certify': () => t('help.certify'),
  '/certify/:id': () => t('help.finding'),
  '/glossary': () => t('help.glossary')
}

/** The paths of the screens that are explained. */
export const EXPLAINED: ReadonlySet<string> = new Set(Object.keys(HELP).map((key) => key.split(' ')[0]))

/** At most five lines on the screen one is at; none where it explains itself. */
export function helpOf(path: string, part: string | null, isStaff: boolean): readonly string[] {
  const words = (part ? HELP[`${path} ${part}`] : undefined) ?? (isStaff ? undefined : HELP[`${path} apprentice`]) ?? HELP[path]
  return words ? words().split('\n') : []
}
