// Decodes, calls core, encodes; nothing else. One worker paints for every screen.
import { colouringOf } from '@peen/content'
import {
  bakedFaults,
  bakeFigure,
  newRaster,
  toBytes,
  type Coat,
  type Departure,
  type Fault,
  type Figure,
  type Lengths,
  type Measures,
  type Raster,
  type RegionShape,
  type View,
  type ViewId,
  type Worn
} from '@peen/core/figure'
import * as Comlink from 'comlink'
import { bodyOf, coatOf } from '../figure/place'

export type DogSpec = {
  readonly bodyType: string
  readonly colour: string
  readonly withersMm: number
  /** what was measured on this dog beside its height */
  readonly own?: Omit<Measures, 'withersMm'>
  /** the coat whose shapes and texture are drawn; the body's first one where it is not given */
  readonly trim?: string
  /** its legs apart, as it is stood up for a picture along it */
  readonly wide?: boolean
  readonly view: ViewId
  readonly plan: Lengths
  readonly budget: number
}
export type PaintRequest = {
  readonly dog: DogSpec
  readonly worn: Worn
  readonly width: number
  readonly height: number
  readonly view: View
  readonly what: 'silhouette' | 'coarse' | 'hair'
}

const KEPT = 8
/** A coarse picture has half the pixels each way and one hair in five. Chosen on measurements of redraws. */
const COARSE = Object.freeze({ pixels: 0.5, every: 5 })
const figures = new Map<string, Figure>()

function figureFor(dog: DogSpec, faults: readonly Fault[] | undefined, scale: number): Figure {
  const baked = bakedFaults(faults)
  const key = JSON.stringify([dog, baked, scale.toFixed(3)])
  const known = figures.get(key)
  if (known) {
    figures.delete(key)
    figures.set(key, known)
    return known
  }
  const coat: Coat = { ...coatOf(dog), lengths: dog.plan }
  const figure = bakeFigure({
    body: bodyOf(dog, dog.plan),
    withersMm: dog.withersMm,
    view: dog.view,
    colouring: colouringOf(dog.colour),
    coat,
    faults: baked,
    pxPerMm: scale,
    budget: dog.budget
  })
  figures.set(key, figure)
  if (figures.size > KEPT) figures.delete(figures.keys().next().value!)
  return figure
}

let sheet: Raster | null = null
/** One sheet is swept and used again: pictures of a moving coat have the same size. */
function emptySheet(w: number, h: number): Raster {
  if (sheet?.w === w && sheet.h === h) sheet.px.fill(0)
  else sheet = newRaster(w, h)
  return sheet
}

const painter = {
  async paint({ dog, worn, width, height, view, what }: PaintRequest): Promise<ImageBitmap> {
    const figure = figureFor(dog, worn.faults, view.scale)
    const share = what === 'coarse' ? COARSE.pixels : 1
    const [w, h] = [Math.round(width * share), Math.round(height * share)]
    const raster = emptySheet(w, h)
    figure.dress(worn)
    if (what === 'silhouette') figure.paintSilhouette(raster, view)
    else {
      const small = { scale: view.scale * share, originX: view.originX * share, originY: view.originY * share }
      figure.paint(raster, small, what === 'coarse' ? COARSE.every : 1)
    }
    const picture = await createImageBitmap(new ImageData(toBytes(raster), w, h))
    return Comlink.transfer(picture, [picture])
  },
  shapes(dog: DogSpec, scale: number, worn: Worn): readonly RegionShape[] {
    const figure = figureFor(dog, worn.faults, scale)
    figure.dress(worn)
    return figure.shapes()
  },
  departures(dog: DogSpec, scale: number, worn: Worn): readonly Departure[] {
    const figure = figureFor(dog, worn.faults, scale)
    figure.dress(worn)
    return figure.departuresFrom(2.2 / scale)
  }
}

export type Painter = typeof painter
Comlink.expose(painter)
