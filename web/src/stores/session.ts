import type { Me, SchoolView, Setup, SignIn } from '@peen/contract'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { cache } from '../api/cache'
import { ask, isUnreachable, rememberMe } from '../api/client'
import { keepSignIn, recallSignIn } from '../offline/kept-sign-in'
import { readAs } from '../offline/read'
import { A_DAY_MS, forgetReplies } from '../offline/replies'

/** Who is signed in, and what every screen knows of the school. */
export const useSessionStore = defineStore('session', () => {
  const me = ref<Me | null>(null)
  const school = ref<SchoolView | null>(null)
  const known = ref(false)
  /** goes on without the server: who it is was known here from before */
  const isRecalled = ref(false)
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
  /** The school's time at a moment of this tablet's clock (ms; now if none is given), ISO; a clock that stands is read as it was told last. */
  function time(at: number = Date.now()): string {
    if (!school.value) return new Date(at).toISOString()
    return school.value.clockRuns ? new Date(at + aheadMs).toISOString() : school.value.now
  }

  async function keepSchool(): Promise<void> {
    school.value = await ask('school')
    sync(school.value.now)
    await keepHere()
  }
  /** Keeps on this tablet who is signed in, so that a page opens without the server. */
  async function keepHere(): Promise<void> {
    if (!me.value || !school.value) return keepSignIn(null, Date.now())
    const { csrf: _token, ...person } = me.value
    await keepSignIn({ me: person, school: school.value, aheadMs }, Date.now())
  }
  async function take(person: Me | null): Promise<void> {
    const before = me.value?.id
    // what one person read is not shown to the next
    if (before !== person?.id) cache.clear()
    if (before !== undefined && before !== person?.id) await forgetReplies({ person: before })
    isRecalled.value = false
    me.value = person
    readAs(person?.id ?? '')
    rememberMe(person)
    if (person) await keepSchool()
    else {
      school.value = null
      await keepHere()
    }
    known.value = true
  }
  /** Finds out once, when the page loads. Without an answer the one goes on who was signed in here last, for some hours. */
  async function find(): Promise<void> {
    if (known.value) return
    try {
      const found = await ask('signedIn')
      needsSetup.value = found.needsSetup
      await take(found.me)
    } catch (error) {
      if (!isUnreachable(error)) throw error
      await recall()
    }
    void forgetReplies({ before: Date.now() - A_DAY_MS })
  }
  async function recall(): Promise<void> {
    const kept = await recallSignIn(Date.now())
    if (!kept) return
    aheadMs = kept.aheadMs
    readAs(kept.me.id)
    me.value = { ...kept.me, csrf: '' }
    school.value = kept.school.clockRuns ? { ...kept.school, now: new Date(Date.now() + aheadMs).toISOString() } : kept.school
    isRecalled.value = true
    known.value = true
  }
  /** Asks the server anew who is signed in, once it answers again. @returns whether it is still the same person */
  async function renew(): Promise<boolean> {
    const before = me.value?.id
    const found = await ask('signedIn')
    needsSetup.value = found.needsSetup
    if (found.me && found.me.id === before && !isRecalled.value) return true
    await take(found.me)
    return found.me?.id === before
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
    isRecalled,
    renew,
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
