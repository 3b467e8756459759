// A PDF in Peen's faces.
import pdfmake from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { refuse } from '../../http'
import { FACES, faceFor, unprintableWord } from './fonts'

pdfmake.setFonts(FACES as never)
// nothing is fetched, and nothing is read but the fonts themselves
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path: string) => Object.values(FACES).some((face) => Object.values(face).includes(path)))

export const pdfOf = (document: TDocumentDefinitions): Promise<Buffer> => pdfmake.createPdf(document).getBuffer() as Promise<Buffer>

/** A text in the face that has all its letters. @throws Refused where no face that ships has them, naming the word */
export function inFace(given: string): { readonly text: string; readonly font?: string } {
  // an accent written apart from its letter is printed as one with it
  const text = given.normalize('NFC')
  const face = faceFor(text)
  if (face === null)
    throw refuse.invalid([
      {
        path: 'name',
        detail: `“${unprintableWord(text) ?? text}” cannot be printed in the scripts that Peen supports (Latin, Greek, Cyrillic, Armenian, Georgian and others written from left to right). Write it in one of those, or download the record as JSON, which keeps every character.`
      }
    ])
  return face === 'Roboto' ? { text } : { text, font: face }
}
