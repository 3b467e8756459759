// Backups: when each was made, and what restoring it came to.

/** `proof` is null until the backup was restored once. `trail`: whether all its entries fit. `derived`: whether charts and coats come out the same. */
export type BackupView = {
  readonly at: string
  readonly why: 'daily' | 'byHand' | 'beforeMigration' | 'beforeRestore'
  readonly file: string
  readonly bytes: number
  readonly proof: {
    readonly provenAt: string
    readonly visits: number
    readonly events: number
    readonly gradings: number
    readonly trail: boolean
    readonly derived: 'same' | 'other' | 'older'
  } | null
}

export type BackupsView = {
  /** this server makes backups at all */
  readonly isKept: boolean
  /** one every night */
  readonly isNightly: boolean
  readonly folder: string
  /** the folder of another disk that gets a copy */
  readonly second: string | null
  readonly hasPassphrase: boolean
  /** what is under way, in the words of the program that makes it */
  readonly underWay: string | null
  readonly failure: { readonly at: string; readonly says: string } | null
  /** the newest first */
  readonly backups: readonly BackupView[]
}
