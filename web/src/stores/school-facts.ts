import type { SchoolView } from '@peen/contract'
import { computed, type Ref } from 'vue'

/** The school's time on a tablet, however its own clock is set: what a tap says of its time is the school's own. */
export function schoolTime(school: Ref<SchoolView | null>) {
  /** how far this device's clock is behind the school's, ms */
  let aheadMs = 0
  /** Takes over the school's time, as every answer of a live screen tells it. */
  function sync(now: string): void {
    aheadMs = Date.parse(now) - Date.now()
    if (school.value && school.value.now !== now) school.value = { ...school.value, now }
  }
  /** The school's time at a moment of this tablet's clock (ms; now if none is given), ISO; a clock that stands is read as it was told last. */
  function time(at: number = Date.now()): string {
    if (!school.value) return new Date(at).toISOString()
    return school.value.clockRuns ? new Date(at + aheadMs).toISOString() : school.value.now
  }
  /** Goes on by what was known of the school's clock before. */
  function recall(kept: SchoolView, ahead: number): void {
    aheadMs = ahead
    school.value = kept.clockRuns ? { ...kept, now: new Date(Date.now() + ahead).toISOString() } : kept
  }
  return { sync, time, recall, aheadMs: () => aheadMs }
}

/** What screens ask of the school all the time: its day, and how trims are called. */
export function schoolNames(school: Ref<SchoolView | null>) {
  /** today in the school's own zone, YYYY-MM-DD */
  const today = computed(() =>
    school.value
      ? new Intl.DateTimeFormat('en-CA', { timeZone: school.value.timeZone, dateStyle: 'short' }).format(new Date(school.value.now))
      : ''
  )
  /** every trim once, by its newest name */
  const standardNames = computed(() => {
    const names = new Map<string, string>()
    for (const { id, name } of school.value?.standards ?? []) if (!names.has(id)) names.set(id, name)
    return [...names].map(([id, name]) => ({ id, name }))
  })
  const standardName = (id: string) => standardNames.value.find((one) => one.id === id)?.name ?? id
  return { today, standardNames, standardName }
}
