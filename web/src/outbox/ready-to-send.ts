// A photograph as it leaves the tablet: one that a camera made very large is made smaller here, so that it is sent and not refused.
import { isHeic, MOST_PICTURE_MB } from '@peen/contract'
import { t } from '../words'

const MB = 1_048_576
/** A file this small goes as it is. Chosen: most tablets' own cameras stay under it. */
const SMALL_MB = 5
/** What is made smaller is still larger than what the server keeps, px of its long side. Chosen. */
const LONG_SIDE_PX = 4096
const QUALITY = 0.92

/** One at a time: a picture of 48 million pixels takes some 200 MB while it is open. */
let opening: Promise<unknown> = Promise.resolve()

/**
 * The file itself, or the same picture smaller: upright, without where it was taken.
 * @throws Error with a sentence: a HEIC file, or one too large to send that this browser cannot open
 */
export async function readyToSend(file: Blob): Promise<Blob> {
  if (isHeic(new Uint8Array(await file.slice(0, 12).arrayBuffer()))) throw new Error(t('shell.pictureIsHeic'))
  if (file.size <= SMALL_MB * MB) return file
  const made = opening.then(() => smaller(file))
  opening = made.catch(() => undefined)
  const small = await made
  if (small) return small
  // what cannot be opened here, the server may still open, or say why not
  if (file.size <= MOST_PICTURE_MB * MB) return file
  throw new Error(t('shell.pictureTooLarge', { size: Math.ceil(file.size / MB), most: MOST_PICTURE_MB }))
}

async function smaller(file: Blob): Promise<Blob | null> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null)
  if (!bitmap) return null
  const by = Math.min(1, LONG_SIDE_PX / Math.max(bitmap.width, bitmap.height))
  const canvas = new OffscreenCanvas(Math.round(bitmap.width * by), Math.round(bitmap.height * by))
  const context = canvas.getContext('2d')!
  context.imageSmoothingQuality = 'high'
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY }).catch(() => null)
}
