import type { Departure, RegionShape } from '@peen/core/figure'
import { useDebounceFn } from '@vueuse/core'
import { computed, shallowRef, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { askPainter, painter, type DrawnCoat } from './painter'

/** Places to touch and departures of a drawn dog. Places follow when the hand rests; departures follow the hand. */
export function useFigure(
  drawn: MaybeRefOrGetter<DrawnCoat>,
  box: MaybeRefOrGetter<{ readonly w: number; readonly h: number }>,
  showsDepartures: MaybeRefOrGetter<boolean>
) {
  const shapes = shallowRef<readonly RegionShape[]>([])
  const departures = shallowRef<readonly Departure[]>([])
  const asked = () => {
    const { w, h } = toValue(box)
    return w > 0 ? askPainter(toValue(drawn), w, h) : null
  }
  async function readDepartures(): Promise<void> {
    const ask = toValue(showsDepartures) ? asked() : null
    if (ask) departures.value = await painter().departures(ask.dog, ask.view.scale, ask.worn)
  }
  async function readShapes(): Promise<void> {
    const ask = asked()
    if (ask) shapes.value = await painter().shapes(ask.dog, ask.view.scale, ask.worn)
  }
  const readShapesSoon = useDebounceFn(readShapes, 250)
  const key = computed(() => {
    const { dog, plan, from } = toValue(drawn)
    return JSON.stringify([dog.bodyType, dog.colour, dog.withersMm, dog.own, dog.trim, plan, from, toValue(box)])
  })
  watch(key, () => void readShapes(), { immediate: true })
  watch(
    () => [key.value, toValue(drawn), toValue(showsDepartures)],
    () => {
      void readDepartures()
      void readShapesSoon()
    },
    { immediate: true, deep: true, flush: 'post' }
  )
  return { shapes, departures }
}
