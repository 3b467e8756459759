// Earlier pictures of one view, measured again to be averaged with the newest.
import type { DogView, PhotoMarks, PictureMarks } from '@peen/contract'
import { MOST_AVERAGED } from '@peen/contract'
import type { MeasureId, PictureMeasure } from '@peen/core/measure'
import type { Standard } from '@peen/core/standard'
import type { PhotoTask } from '../workers/measure.worker'
import { photoTask } from './photo-task'
import { openReader } from './useReader'

type Marked = PictureMarks & { readonly marks: PhotoMarks }

/** Earlier pictures of a view whose outline was found: as many as are averaged, the newest first. */
export const earlierOf = (earlier: readonly PictureMarks[], seen: PictureMarks['seen']): readonly Marked[] =>
  earlier.filter((one): one is Marked => one.seen === seen && (one.marks?.outline.length ?? 0) > 2).slice(0, MOST_AVERAGED)

/** Is the outline one that is asked about nowhere? What another says goes on no sheet. */
export async function isSure(reader: ReturnType<typeof openReader>, task: PhotoTask): Promise<boolean> {
  await reader.loaded()
  return reader.propose(task).then(
    ({ disagreements }) => disagreements.length === 0,
    () => false
  )
}

/** What each of them says, one after the other: each is decoded whole. One that cannot be read, or is asked about, says nothing. */
export async function measuredEarlier(
  dog: DogView,
  standard: Standard,
  earlier: readonly Marked[],
  ids: readonly MeasureId[]
): Promise<readonly (readonly PictureMeasure[])[]> {
  const found: (readonly PictureMeasure[])[] = []
  for (const { pictureId, seen, marks } of earlier) {
    const reader = openReader(pictureId)
    const task = photoTask(dog, standard, seen, marks)
    const report = await isSure(reader, task)
      .then((is) => (is ? reader.measure(task, [...ids]) : null))
      .catch(() => null)
    reader.close()
    if (report) found.push(report.found.measures)
  }
  return found
}
