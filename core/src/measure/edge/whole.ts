// Is what stands out one whole dog? What speaks against it, in sentences.
import type { Framing } from './backdrop'
import { areaOf, largestOf } from './mask'

/** Less of the picture than this is no dog; more of it is no backdrop. Chosen. */
export const DOG_SHARES = Object.freeze({ least: 0.01, most: 0.8 })
/** A second body of this share of the first is another dog, or a person. Chosen. */
const SECOND_SHARE = 0.25
/** A whole dog stands on a table, a head comes up from below and fills some of the picture: shares of its height and area. Chosen. */
const REACHES_DOWN: Readonly<Record<Framing, number>> = { body: 0.55, head: 0.6 }
/** And no dog is so small that all of it lies below this share of the height: that is a piece of its table. Chosen. */
const REACHES_UP = 0.6
const HEAD_SHARE = 0.04

/** What else is known of a body: the area of the next one by its own, and what was told of its edge. */
type Known = { readonly second01: number; readonly isAlike: boolean; readonly isTableOff: boolean; readonly isFar: boolean }

const CUT_OFF = Object.freeze({
  above: 'The dog is cut off at the edge of the picture.',
  low: 'The outline runs out of the picture at the table: touch the table as backdrop. If the dog itself is cut off, take another picture.'
})

/** The doubts of a body, and whether nothing may be told of it. */
export function toldOf(
  body: Uint8Array,
  width: number,
  height: number,
  framing: Framing,
  { second01, isAlike, isTableOff, isFar }: Known
): { readonly doubts: readonly string[]; readonly unfit: boolean } {
  const isTwo = second01 > SECOND_SHARE
  const cut = cutOff(body, width, height, framing)
  const isAll = areaOf(body) > DOG_SHARES.most * width * height
  const isOff = isElsewhere(body, width, height, framing)
  const what = framing === 'body' ? 'is no dog that stands on the table' : 'is no head before the camera'
  const doubts = [
    isAlike ? 'The dog and the backdrop look too alike: touch the backdrop, or draw the edge by hand.' : '',
    isTwo ? 'There is something else in the picture, nearly as large: only one dog can be measured.' : '',
    cut === 'nowhere' ? '' : CUT_OFF[cut],
    isFar ? 'A place you put on the edge is far from the outline: paint what is missing, or what is too much, first.' : '',
    isTableOff ? 'The table stood out as well and was taken off: check along the feet.' : '',
    isOff ? `What stands out ${what}: touch it if it is no dog, and paint the dog.` : '',
    isAll ? 'Nearly the whole picture was taken for dog: step back, or touch the backdrop.' : ''
  ].filter((doubt) => doubt !== '')
  return { doubts, unfit: isTwo || cut !== 'nowhere' || isAll || isOff }
}

/** The largest body is none of one whole dog: it runs out of the picture, fills it, or lies elsewhere. */
export function isNoDog(mask: Uint8Array, width: number, height: number, framing: Framing): boolean {
  const body = largestOf(mask, width, height)
  return (
    areaOf(body) > DOG_SHARES.most * width * height || isCutOff(body, width, height, framing) || isElsewhere(body, width, height, framing)
  )
}

function isElsewhere(body: Uint8Array, width: number, height: number, framing: Framing): boolean {
  const lowest = Math.floor(body.lastIndexOf(1) / width)
  const highest = Math.floor(body.indexOf(1) / width)
  if (framing === 'body' && highest > REACHES_UP * height) return true
  return lowest < REACHES_DOWN[framing] * height || (framing === 'head' && areaOf(body) < HEAD_SHARE * width * height)
}

const isCutOff = (body: Uint8Array, width: number, height: number, framing: Framing) => cutOff(body, width, height, framing) !== 'nowhere'

/** Where a body runs out of the picture: a dog's table does so low down, and may have been taken for dog. */
function cutOff(body: Uint8Array, width: number, height: number, framing: Framing): 'nowhere' | 'low' | 'above' {
  const below = (height - 1) * width
  for (let x = 0; x < width; x++) if (body[x]) return 'above'
  let where: 'nowhere' | 'low' = 'nowhere'
  for (let x = 0; x < width; x++) if (framing === 'body' && body[below + x]) where = 'low'
  // a head runs out below, and its neck may do so at the lowest part of the sides
  const rows = framing === 'head' ? Math.floor(height * 0.85) : height
  for (let y = 0; y < rows; y++) {
    if (!body[y * width] && !body[y * width + width - 1]) continue
    if (framing === 'head' || y < TABLE_FROM * height) return 'above'
    where = 'low'
  }
  return where
}
/** A table begins no higher than this share of the picture. Chosen. */
const TABLE_FROM = 0.55
