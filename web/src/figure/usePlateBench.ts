import { bodyById, coatFor, drawnFaults, faultOf, type DrawnFault } from '@peen/content'
import { DRAWN_REGIONS, type DrawnRegion, type Fault, type Lengths, type Shape } from '@peen/core/figure'
import { regionName, REGIONS, type RegionId } from '@peen/core/regions'
import { sayLength } from '@peen/core/units'
import { computed, ref, shallowRef, watch } from 'vue'
import type { PlateNote } from './plate-note'
import { VIEW_NAMES } from './shape-words'
import { t } from '../words'

type Side = 'left' | 'right'

const PAIRED: ReadonlySet<string> = new Set(REGIONS.filter(({ paired }) => paired).map(({ id }) => id))
/** Places that are noted in the margin, by what a view shows; the rest answers to a touch. */
const NOTED: Readonly<Record<string, readonly DrawnRegion[]>> = {
  side: ['skull', 'beard', 'neckTop', 'back', 'ribs', 'skirt', 'chest', 'foreleg', 'thigh', 'rearPastern', 'tail', 'earOutside'],
  head: ['skull', 'brow', 'cheek', 'beard', 'earOutside', 'muzzle'],
  front: ['chest', 'foreleg', 'shoulder', 'skull', 'neckSide'],
  rear: ['thigh', 'rearPastern', 'croup', 'tail', 'ribs'],
  above: ['back', 'ribs', 'neckTop', 'loin', 'skull', 'tail']
}

/** What one does with a plate: look from a side, move lengths and shapes of either side, let it grow, put a fault on it. */
export function usePlateBench(coatId: () => string, viewId: () => string) {
  const coat = computed(() => coatFor('', coatId()))
  const body = computed(() => bodyById(coat.value.body))
  const view = computed(() => VIEW_NAMES.find(({ id }) => id === viewId()) ?? VIEW_NAMES[0])
  const moved = ref<Record<Side, Partial<Record<RegionId, number>>>>({ left: {}, right: {} })
  // as they are, not wrapped: whether they were moved is seen by whether they are still the plan's
  const shapes = shallowRef<readonly Shape[]>(coat.value.shapes)
  const days = ref(0)
  const fault = ref<DrawnFault | null>(null)
  const amount = ref(0)
  const selected = ref<{ readonly region: DrawnRegion; readonly side: Side } | null>(null)

  function reset(): void {
    moved.value = { left: {}, right: {} }
    shapes.value = coat.value.shapes
    days.value = 0
    fault.value = null
    selected.value = null
  }
  watch(coatId, reset)

  const lengthsOf = (side: Side): Lengths => ({ ...coat.value.lengths, ...moved.value[side] })
  const near = computed<Side>(() => (view.value.mirrored ? 'right' : 'left'))
  const lengths = computed(() => lengthsOf('left'))
  const lengthsB = computed(() => lengthsOf('right'))
  /** faults that this trim can have */
  const offered = computed(() => drawnFaults.filter(({ needs }) => !needs || coat.value.shapes.some(({ kind }) => kind === needs)))
  const faults = computed<readonly Fault[]>(() => (fault.value ? [faultOf(fault.value, amount.value)] : []))

  function setLength(value: number): void {
    const place = selected.value
    if (!place) return
    const sides: readonly Side[] = PAIRED.has(place.region) ? [place.side] : ['left', 'right']
    const next = { ...moved.value }
    for (const side of sides) next[side] = { ...next[side], [place.region]: value }
    moved.value = next
  }
  function setShape(i: number, field: string, value: number): void {
    shapes.value = shapes.value.map((shape, j) => (i === j ? ({ ...shape, [field]: value } as Shape) : shape))
  }
  function pick(region: RegionId, side: Side | null): void {
    if ((DRAWN_REGIONS as readonly string[]).includes(region)) selected.value = { region: region as DrawnRegion, side: side ?? near.value }
  }
  function choose(next: DrawnFault | null): void {
    fault.value = next
    amount.value = next?.usual ?? 0
  }

  const isMoved = computed(
    () =>
      days.value > 0 ||
      fault.value !== null ||
      shapes.value !== coat.value.shapes ||
      [moved.value.left, moved.value.right].some((side) => Object.keys(side).length > 0)
  )

  const notes = computed(() =>
    notesOn({ view: view.value, planned: coat.value.lengths, now: lengthsOf(near.value), fault: fault.value, amount: amount.value })
  )

  return {
    coat,
    body,
    view,
    moved,
    shapes,
    days,
    fault,
    amount,
    selected,
    lengths,
    lengthsB,
    lengthsOf,
    faults,
    offered,
    notes,
    isMoved,
    reset,
    setLength,
    setShape,
    pick,
    choose
  }
}

type Shown = {
  readonly view: (typeof VIEW_NAMES)[number]
  readonly planned: Lengths
  readonly now: Lengths
  readonly fault: DrawnFault | null
  readonly amount: number
}

/** What stands in the margin: the fault, then the places that this view shows, with what was planned where it is off. */
function notesOn({ view, planned, now, fault, amount }: Shown): PlateNote[] {
  const faulty = fault ? [faultNote(fault, amount)] : []
  const regions = (NOTED[view.from] ?? []).filter((region) => region !== fault?.at)
  const places = regions.map((region, i): PlateNote => {
    const [mm, plannedMm] = [now[region] ?? 0, planned[region] ?? 0]
    const tone = mm > plannedMm ? 'long' : mm < plannedMm ? 'short' : undefined
    return {
      id: region,
      region,
      side: view.from === 'side' ? null : 'left',
      numeral: String(faulty.length + i + 1),
      heading: regionName(region),
      lines: [
        { text: sayLength(mm, 'mm'), bold: true, glyph: tone },
        ...(tone ? [{ text: t('figure.plannedLength', { length: sayLength(plannedMm, 'mm') }) }] : [])
      ],
      tone
    }
  })
  return [...faulty, ...places]
}

function faultNote({ at, name, field, unit, kind }: DrawnFault, amount: number): PlateNote {
  const text = field ? `${amount} ${unit}` : t('figure.noBevels')
  // a longer right cheek is pointed at on the right
  const side = kind === 'difference' ? 'right' : null
  return { id: 'fault', region: at, side, heading: name, lines: [{ text, bold: true, glyph: 'fails' }] }
}
