// What a worker is given to read one photograph.
import type { DogView, PhotoMarks } from '@peen/contract'
import type { Seen } from '@peen/core/measure'
import type { Standard } from '@peen/core/standard'
import { coatOf } from '../figure/place'
import type { OtherPicture, PhotoTask } from '../workers/measure.worker'

/** Plain data: a worker takes nothing reactive. */
export const plain = <T>(value: T) => JSON.parse(JSON.stringify(value)) as T

/** A dog in its trim, as it was marked on a picture. */
export function photoTask(
  dog: DogView,
  standard: Standard,
  seen: Seen,
  marks: PhotoMarks,
  moment: OtherPicture['moment'] = 'after'
): PhotoTask {
  const { drawnAs: trim, lengthsMm: lengths } = standard.plan
  return plain({ dog, standard, seen, moment, marks, coat: { ...coatOf({ ...dog, trim }), lengths } })
}
