// What every printed page needs: the drawn dog on paper, letters that the font has, the file.
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { askPainter, painter, type DrawnCoat } from '../figure/painter'
import { saveFile } from '../api/save-file'
import { t } from '../words'

/** Scripts that the shipped font holds whole. */
const PRINTED = /^[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Script=Inherited}\p{N}\p{P}\p{Zs}\n=+<>|~^$€£½¼¾°×±²³µ]*$/u

/** Names the first word that the font cannot print; null where all of it can be. */
export function unprintable(text: string): string | null {
  return text.split(/\s+/).find((word) => !PRINTED.test(word)) ?? null
}

/** Refuses a text that the font cannot print, naming the word. */
export function refuseUnprintable(texts: readonly string[]): void {
  const wrong = unprintable(texts.join(' '))
  if (wrong) throw new Error(t('library.cannotBePrinted', { word: wrong }))
}

/** The drawn dog as a PNG in a data address, on white paper. */
export async function pictureOnPaper(drawn: DrawnCoat, width: number, height: number): Promise<string> {
  const bitmap = await painter().paint({ ...askPainter(drawn, width, height), what: 'hair' })
  const canvas = document.createElement('canvas')
  canvas.width = bitmap.width
  canvas.height = bitmap.height
  const context = canvas.getContext('2d')!
  context.fillStyle = '#ffffff'
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.drawImage(bitmap, 0, 0)
  return canvas.toDataURL('image/png')
}

/** Lays a document out and hands it to the browser as a file. The layout package and its fonts are large: loaded when asked for. */
export async function savePdf(laidOut: TDocumentDefinitions, name: string): Promise<void> {
  const [{ default: pdfMake }, { default: fonts }] = await Promise.all([import('pdfmake/build/pdfmake'), import('pdfmake/build/vfs_fonts')])
  pdfMake.addVirtualFileSystem(fonts)
  saveFile(await pdfMake.createPdf(laidOut).getBlob(), name)
}
