// What a backup came to, in sentences.
import type { BackupsView, BackupView } from '@peen/contract'
import { t } from '../words'

const WHY: Readonly<Record<BackupView['why'], string>> = {
  daily: t('people.nightly'),
  byHand: t('people.hand'),
  beforeMigration: t('people.beforeUpdate'),
  beforeRestore: t('people.beforeRestore')
}
export const sayWhy = ({ why }: BackupView): string => WHY[why]

export const isProven = ({ proof }: BackupView): boolean => proof !== null && proof.trail && proof.derived !== 'other'

const MB = 1024 ** 2
/** "5.2 MB", "310 MB". */
export const saySize = (bytes: number): string => t('people.bytesMb', { bytes: (bytes / MB).toFixed(bytes < 10 * MB ? 1 : 0) })

/** "Proven: restored beside the school, 347 visits, the trail whole, every chart the same." */
export function sayProof({ proof }: BackupView): string {
  if (proof === null) return t('people.notProvenTestRestoreDid')
  const trail = proof.trail ? t('people.auditTrailIntact') : t('people.butAuditTrailDoesNot')
  const charts = { same: t('people.everyChartSame'), other: t('people.butSomeChartsComeOut'), older: t('people.chartsRecalculated') }[
    proof.derived
  ]
  return t('people.testRestored', {
    proven: proof.trail && proof.derived !== 'other' ? t('people.proven') : t('people.notProven'),
    visits: proof.visits,
    trail,
    charts
  })
}

/** Days after which a missing backup is a danger: a weekend and a day. */
const LATE_DAYS = 4
const DAY_MS = 86400000

/** The first line of the screen. `whenLast`: the moment of the newest proven one in words. */
export function sayState(
  { isKept, backups, failure }: BackupsView,
  whenLast: string | null,
  now: Date
): { readonly says: string; readonly isBad: boolean } {
  if (!isKept) return { says: t('people.serverMakesNoBackupsWhoever'), isBad: false }
  const last = backups.find(isProven)
  if (!last) return { says: failure ? t('people.noBackupHasSucceededYet') : t('people.thereNoBackupYet'), isBad: true }
  const isLate = now.getTime() - Date.parse(last.at) > LATE_DAYS * DAY_MS
  return {
    says: isLate ? t('people.lastProvenBackupOldWhenLast', { whenLast }) : t('people.backedUpProvenWhenLast', { whenLast }),
    isBad: isLate
  }
}
