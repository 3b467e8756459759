// Photographs that were taken without an answer from the server: in this browser's own database until it has them.
import type { Moment, Stance } from '@peen/contract'
import type { PracticeEvent } from '@peen/core/practice'
import { openDB, type DBSchema } from 'idb'

export type KeptPicture = {
  /** its id on the server too: sent twice, it is kept once */
  readonly id: string
  readonly by: string
  readonly visitId: string
  readonly moment: Moment
  readonly stance: Stance
  readonly file: Blob
  /** the tap that names it, put among the taps when the server has the photograph */
  readonly event: PracticeEvent | null
  /** why the server refused it; null while it waits */
  readonly refused: string | null
}

type Shape = DBSchema & { pictures: { key: string; value: KeptPicture } }
const opened = async () =>
  openDB<Shape>('peen-pictures', 1, { upgrade: (fresh) => void fresh.createObjectStore('pictures', { keyPath: 'id' }) })

/** As they were taken: ids grow with time. None where the browser keeps nothing. */
export const keptPictures = (): Promise<readonly KeptPicture[]> =>
  opened().then(
    (db) => db.getAll('pictures'),
    () => []
  )

/** Rejects where the browser keeps nothing. */
export async function keepPicture(picture: KeptPicture): Promise<void> {
  await (await opened()).put('pictures', picture)
}
export async function dropPicture(id: string): Promise<void> {
  await (await opened()).delete('pictures', id)
}
