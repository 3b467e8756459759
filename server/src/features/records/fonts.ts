// Which of the fonts that ship with Peen has every letter of a text; a text that none has is refused, never printed as boxes.
import { create, type Font } from 'fontkit'
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

const require = createRequire(import.meta.url)
const folder = (name: string) => dirname(require.resolve(`${name}/package.json`))
const roboto = (file: string) => join(folder('pdfmake'), 'fonts/Roboto', file)
const dejavu = (file: string) => join(folder('dejavu-fonts-ttf'), 'ttf', file)

type Face = { readonly normal: string; readonly bold: string; readonly italics: string; readonly bolditalics: string }

/** Static, whole TTF files, in the order in which they are tried. */
export const FACES: Readonly<Record<string, Face>> = {
  Roboto: {
    normal: roboto('Roboto-Regular.ttf'),
    bold: roboto('Roboto-Medium.ttf'),
    italics: roboto('Roboto-Italic.ttf'),
    bolditalics: roboto('Roboto-MediumItalic.ttf')
  },
  DejaVu: {
    normal: dejavu('DejaVuSans.ttf'),
    bold: dejavu('DejaVuSans-Bold.ttf'),
    italics: dejavu('DejaVuSans-Oblique.ttf'),
    bolditalics: dejavu('DejaVuSans-BoldOblique.ttf')
  }
}

const opened = new Map<string, Font>()
function fontAt(file: string): Font {
  const known = opened.get(file)
  if (known) return known
  const font = create(readFileSync(file)) as Font
  opened.set(file, font)
  return font
}

/** Written from right to left, or with letters that change by their neighbours or stack: the layout package does not set these. */
const NOT_SET =
  /[\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}\p{Script=Devanagari}\p{Script=Bengali}\p{Script=Tamil}\p{Script=Thai}\p{Script=Khmer}\p{Script=Myanmar}\p{Script=Lao}\p{Script=Mongolian}]/u

/** A letter that takes no room of its own and needs no glyph where it stands: joiners and variation selectors. */
const SILENT = /^(?:\p{Cc}|\p{Cf}|\p{Variation_Selector})$/u

/** The first face that has every letter of a text in every weight it is set in; null where none has. */
export function faceFor(text: string): string | null {
  const composed = text.normalize('NFC')
  if (NOT_SET.test(composed)) return null
  const letters = [...new Set(composed)].filter((letter) => !SILENT.test(letter))
  const has = ({ normal, bold }: Face) =>
    [normal, bold].every((file) => letters.every((letter) => fontAt(file).hasGlyphForCodePoint(letter.codePointAt(0)!)))
  return Object.keys(FACES).find((name) => has(FACES[name])) ?? null
}

/** The first word of a text that no face has whole. */
export const unprintableWord = (text: string): string | null => text.split(/\s+/).find((word) => faceFor(word) === null) ?? null

/** A line of text as the paths of its letters, for a picture that must not depend on the fonts of the machine. Size in px; centred on x. */
export function pathOf(text: string, { size, x, y, bold = false }: { size: number; x: number; y: number; bold?: boolean }): string {
  const face = FACES[faceFor(text) ?? 'DejaVu']
  const font = fontAt(bold ? face.bold : face.normal)
  const run = font.layout(text.normalize('NFC'))
  const scale = size / font.unitsPerEm
  let at = x - (run.advanceWidth * scale) / 2
  const letters = run.glyphs.map((glyph, i) => {
    const path = `<path transform="translate(${at.toFixed(2)} ${y}) scale(${scale} ${-scale})" d="${glyph.path.toSVG()}"/>`
    at += run.positions[i]!.xAdvance * scale
    return path
  })
  return letters.join('')
}
