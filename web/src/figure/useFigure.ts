import type { Departure, RegionShape } from '@peen/core/figure'
import { useDebounceFn } from '@vueuse/core'
import { computed, nextTick, shallowRef, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { isPlainDrawing as isPlain } from '../composables/useDogDrawing'
import { askPainter, painter, type DrawnCoat } from './painter'

/** Places to touch are read on cells of 3 mm: a bake as coarse as that is enough for them. */
const TOUCH_PX_PER_MM = 0.5
const TOUCH_BUDGET = 500

/** Places to touch and departures of a drawn dog: the picture comes first. Places follow when the hand rests; departures follow the hand. */
export function useFigure(
  drawn: MaybeRefOrGetter<DrawnCoat>,
  box: MaybeRefOrGetter<{ readonly w: number; readonly h: number }>,
  showsDepartures: MaybeRefOrGetter<boolean>
) {
  const shapes = shallowRef<readonly RegionShape[]>([])
  const departures = shallowRef<readonly Departure[]>([])
  const asked = () => {
    const { w, h } = toValue(box)
    return w > 0 && h > 0 ? askPainter(toValue(drawn), w, h) : null
  }
  let reading = false
  let again = false
  // the picture is asked for first, and while one answer is awaited only the newest wish waits
  async function readDepartures(): Promise<void> {
    if (reading) {
      again = true
      return
    }
    reading = true
    try {
      await nextTick()
      const ask = toValue(showsDepartures) ? asked() : null
      if (ask) departures.value = await painter().departures(ask.dog, ask.view.scale, ask.worn)
    } finally {
      reading = false
    }
    if (!again) return
    again = false
    void readDepartures()
  }
  async function readShapes(): Promise<void> {
    const ask = asked()
    if (!ask) return
    // where no hair is drawn no finely baked dog waits in the worker, and places to touch need none
    const [dog, scale] = isPlain.value
      ? [{ ...ask.dog, budget: TOUCH_BUDGET }, Math.min(ask.view.scale, TOUCH_PX_PER_MM)]
      : [ask.dog, ask.view.scale]
    shapes.value = await painter().shapes(dog, scale, ask.worn)
  }
  const readShapesSoon = useDebounceFn(readShapes, 250)
  const key = computed(() => {
    const { dog, plan, from } = toValue(drawn)
    return JSON.stringify([dog.bodyType, dog.colour, dog.withersMm, dog.own, dog.trim, plan, from, toValue(box)])
  })
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
