import { CoreError } from '../../error'

/** A picture as bytes: red, green, blue, alpha of each pixel, row by row from the top. */
export type Picture = { readonly width: number; readonly height: number; readonly rgba: Uint8ClampedArray | Uint8Array }

/** A picture made smaller for looking at colours: `by` pixels of it are one pixel here, either way. */
export type Shrunk = Picture & { readonly by: number }

const LEAST_SIDE_PX = 16

/** @throws CoreError `noPicture` for a picture under 16 px a side or with bytes missing */
export function checkPicture({ width, height, rgba }: Picture): void {
  if (width < LEAST_SIDE_PX || height < LEAST_SIDE_PX || rgba.length < width * height * 4)
    throw new CoreError({
      code: 'noPicture',
      path: 'picture',
      got: `${width} x ${height} px`,
      limit: `${LEAST_SIDE_PX} px or more a side, four bytes a pixel`
    })
}

/** Means of whole squares of pixels, as few as bring the picture under `mostPx`. */
export function shrink(picture: Picture, mostPx: number): Shrunk {
  const { width, height, rgba } = picture
  const by = Math.max(1, Math.ceil(Math.sqrt((width * height) / mostPx)))
  if (by === 1) return { ...picture, by }
  const [w, h] = [Math.floor(width / by), Math.floor(height / by)]
  const small = new Uint8ClampedArray(w * h * 4)
  const n = by * by
  const sums = new Float64Array(w * 3)
  for (let y = 0; y < h; y++) {
    sums.fill(0)
    for (let dy = 0; dy < by; dy++) {
      let i = (y * by + dy) * width * 4
      for (let x = 0, o = 0; x < w; x++, o += 3)
        for (let dx = 0; dx < by; dx++, i += 4) {
          sums[o]! += rgba[i]!
          sums[o + 1]! += rgba[i + 1]!
          sums[o + 2]! += rgba[i + 2]!
        }
    }
    for (let x = 0, o = y * w * 4; x < w; x++, o += 4) {
      for (let c = 0; c < 3; c++) small[o + c] = sums[x * 3 + c]! / n
      small[o + 3] = 255
    }
  }
  return { width: w, height: h, rgba: small, by }
}
