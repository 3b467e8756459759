import type { Me, SchoolView, Setup, SignIn } from '@peen/contract'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { cache } from '../api/cache'
import { ask, rememberMe } from '../api/client'

/** Who is signed in, and what every screen knows of the school. */
export const useSessionStore = defineStore('session', () => {
  const me = ref<Me | null>(null)
  const school = ref<SchoolView | null>(null)
  const known = ref(false)
  const needsSetup = ref(false)
  const isStaff = computed(() => me.value !== null && me.value.role !== 'apprentice')
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
  const isLead = computed(() => me.value?.role === 'lead')

  /** How far this device's clock is behind the school's, ms: what a tap says of its time is the school's own, however the tablet is set. */
  let aheadMs = 0
  /** Takes over the school's time, as every answer of a live screen tells it. */
  function sync(now: string): void {
    aheadMs = Date.parse(now) - Date.now()
    if (school.value && school.value.now !== now) school.value = { ...school.value, now }
  }
  /** The school's time now, ISO; a clock that stands is read as it was told last. */
  function time(): string {
    if (!school.value) return new Date().toISOString()
    return school.value.clockRuns ? new Date(Date.now() + aheadMs).toISOString() : school.value.now
  }

  async function keepSchool(): Promise<void> {
    school.value = await ask('school')
    sync(school.value.now)
  }
  async function take(person: Me | null): Promise<void> {
    // what one person read is not shown to the next
    if (me.value?.id !== person?.id) cache.clear()
    me.value = person
    rememberMe(person)
    if (person) await keepSchool()
    else school.value = null
    known.value = true
  }
  /** Finds out once, when the page loads. */
  async function find(): Promise<void> {
    if (known.value) return
    const found = await ask('signedIn')
    needsSetup.value = found.needsSetup
    await take(found.me)
  }
  const signIn = async (body: SignIn) => take(await ask('signIn', { body }))
  async function setUp(body: Setup): Promise<void> {
    await take(await ask('setUp', { body }))
    needsSetup.value = false
  }
  async function signOut(): Promise<void> {
    await ask('signOut')
    await take(null)
  }
  async function refreshSchool(): Promise<void> {
    if (me.value) await keepSchool()
  }
  return {
    enter: take,
    sync,
    time,
    me,
    school,
    known,
    needsSetup,
    isStaff,
    isLead,
    today,
    standardNames,
    standardName,
    find,
    signIn,
    setUp,
    signOut,
    refreshSchool,
    forget: () => take(null)
  }
})
