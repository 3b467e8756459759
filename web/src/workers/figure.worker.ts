// Decodes, calls core, encodes; nothing else. One worker paints for every screen.
import { bodyById, colouringOf } from '@peen/content'
import { bakeFigure, newRaster, toBytes, type Departure, type Figure, type Lengths, type RegionShape, type View } from '@peen/core/figure'
import * as Comlink from 'comlink'

export type DogSpec = {
  readonly bodyType: string
  readonly colour: string
  readonly withersMm: number
  readonly plan: Lengths
  readonly budget: number
}
export type PaintRequest = {
  readonly dog: DogSpec
  readonly lengths: Lengths
  readonly width: number
  readonly height: number
  readonly view: View
  readonly what: 'silhouette' | 'hair'
}

const KEPT = 8
const figures = new Map<string, Figure>()

function figureFor(dog: DogSpec, scale: number): Figure {
  const key = JSON.stringify([dog, scale.toFixed(3)])
  const known = figures.get(key)
  if (known) {
    figures.delete(key)
    figures.set(key, known)
    return known
  }
  const figure = bakeFigure({
    body: bodyById(dog.bodyType),
    withersMm: dog.withersMm,
    colouring: colouringOf(dog.colour),
    lengths: dog.plan,
    pxPerMm: scale,
    budget: dog.budget
  })
  figures.set(key, figure)
  if (figures.size > KEPT) figures.delete(figures.keys().next().value!)
  return figure
}

const painter = {
  async paint({ dog, lengths, width, height, view, what }: PaintRequest): Promise<ImageBitmap> {
    const figure = figureFor(dog, view.scale)
    const raster = newRaster(width, height)
    if (what === 'silhouette') figure.paintSilhouette(raster, view)
    else {
      figure.dress(lengths)
      figure.paint(raster, view)
    }
    const picture = await createImageBitmap(new ImageData(toBytes(raster), width, height))
    return Comlink.transfer(picture, [picture])
  },
  shapes(dog: DogSpec, scale: number, lengths: Lengths): readonly RegionShape[] {
    const figure = figureFor(dog, scale)
    figure.dress(lengths)
    return figure.shapes()
  },
  departures(dog: DogSpec, scale: number, lengths: Lengths): readonly Departure[] {
    const figure = figureFor(dog, scale)
    figure.dress(lengths)
    return figure.departuresFrom(dog.plan, 2.2 / scale)
  }
}

export type Painter = typeof painter
Comlink.expose(painter)
