// What a backup came to, in sentences.
import type { BackupsView, BackupView } from '@peen/contract'

const WHY: Readonly<Record<BackupView['why'], string>> = {
  daily: 'by night',
  byHand: 'by hand',
  beforeMigration: 'before a newer Peen',
  beforeRestore: 'before a restore'
}
export const sayWhy = ({ why }: BackupView): string => WHY[why]

export const isProven = ({ proof }: BackupView): boolean => proof !== null && proof.trail && proof.derived !== 'other'

const MB = 1024 ** 2
/** "5.2 MB", "310 MB". */
export const saySize = (bytes: number): string => `${(bytes / MB).toFixed(bytes < 10 * MB ? 1 : 0)} MB`

/** "Proven: restored beside the school, 347 visits, the trail whole, every chart the same." */
export function sayProof({ proof }: BackupView): string {
  if (proof === null) return 'Not proven: restoring it did not come to its end.'
  const trail = proof.trail ? 'the trail whole' : 'but its trail does not fit'
  const charts = { same: 'every chart the same', other: 'but charts come out otherwise', older: 'charts worked out again' }[proof.derived]
  return `${proof.trail && proof.derived !== 'other' ? 'Proven' : 'Not proven'}: restored beside the school, ${proof.visits} ${proof.visits === 1 ? 'visit' : 'visits'}, ${trail}, ${charts}.`
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
  if (!isKept) return { says: 'This server makes no backups. Who runs its database makes them.', isBad: false }
  const last = backups.find(isProven)
  if (!last) return { says: failure ? 'No backup could be made yet.' : 'There is no backup yet.', isBad: true }
  const isLate = now.getTime() - Date.parse(last.at) > LATE_DAYS * DAY_MS
  return { says: isLate ? `The last proven backup is old: ${whenLast}.` : `Backed up and proven on ${whenLast}.`, isBad: isLate }
}
