import type { Me, SchoolView, Setup, SignIn, Unlock } from '@peen/contract'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { cache } from '../api/cache'
import { ask, isUnreachable, rememberMe } from '../api/client'
import { endSignIn, keepSignIn, recallSignIn, signInOf, type KeptSignIn } from '../offline/kept-sign-in'
import { readAs } from '../offline/read'
import { A_DAY_MS, forgetReplies } from '../offline/replies'

/** Who is signed in, and what every screen knows of the school. */
export const useSessionStore = defineStore('session', () => {
  const me = ref<Me | null>(null)
  const school = ref<SchoolView | null>(null)
  const known = ref(false)
  /** goes on without the server: who it is was known here from before */
  const isRecalled = ref(false)
  /** goes on under a name that was only picked, on a tablet that people share */
  const isPicked = ref(false)
  /** a shared tablet that was locked and could not say so to the server yet */
  const locked = useLocalStorage('peen.locked', false)
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
    if (!me.value || !school.value) return
    const { csrf: _token, ...person } = me.value
    await keepSignIn({ me: person, school: school.value, aheadMs }, Date.now())
  }
  /** `forget`: what the one before has read goes from this tablet. */
  async function take(person: Me | null, forget = true): Promise<void> {
    const before = me.value?.id
    // what one person read is not shown to the next
    if (before !== person?.id) cache.clear()
    if (forget && before !== undefined && before !== person?.id) await forgetReplies({ person: before })
    isRecalled.value = false
    isPicked.value = false
    me.value = person
    readAs(person?.id ?? '')
    rememberMe(person)
    if (person) await keepSchool()
    else {
      school.value = null
      await endSignIn(forget ? (before ?? null) : null)
    }
    known.value = true
  }
  /** Finds out once, when the page loads. Without an answer the one goes on who was signed in here last, for some hours. */
  async function find(): Promise<void> {
    if (known.value) return
    if (locked.value) return shut()
    try {
      const found = await ask('signedIn')
      needsSetup.value = found.needsSetup
      await take(found.me)
    } catch (error) {
      if (!isUnreachable(error)) throw error
      const kept = await recallSignIn(Date.now())
      if (kept) goOn(kept)
    }
    void forgetReplies({ before: Date.now() - A_DAY_MS })
  }
  /** Without the server, as one whom it knew here before. */
  function goOn(kept: KeptSignIn): void {
    aheadMs = kept.aheadMs
    readAs(kept.me.id)
    me.value = { ...kept.me, csrf: '' }
    school.value = kept.school.clockRuns ? { ...kept.school, now: new Date(Date.now() + aheadMs).toISOString() } : kept.school
    isRecalled.value = true
    known.value = true
  }
  /** Asks the server anew who is signed in, once it answers again. @returns whether it is still the same person */
  async function renew(): Promise<boolean> {
    if (locked.value) {
      await shut()
      return false
    }
    const before = me.value?.id
    const found = await ask('signedIn')
    needsSetup.value = found.needsSetup
    if (found.me && found.me.id === before && !isRecalled.value) return true
    await take(found.me)
    return found.me?.id === before
  }
  async function signIn(body: SignIn): Promise<void> {
    await shut()
    await take(await ask('signIn', { body }))
  }

  /** Locks a shared tablet. What its person has read stays, for the hours in which they may go on without the server. */
  async function lock(): Promise<void> {
    locked.value = true
    await shut()
  }
  /** Nobody is in on a tablet that was locked; the server hears of it as soon as it answers. */
  async function shut(): Promise<void> {
    if (!locked.value) return
    await take(null, false)
    try {
      const { me: left, needsSetup: needs } = await ask('signedIn')
      needsSetup.value = needs
      if (left) {
        rememberMe(left)
        await ask('signOut')
      }
      locked.value = false
    } catch (error) {
      if (!isUnreachable(error)) throw error
    } finally {
      rememberMe(null)
    }
  }
  async function unlock(body: Unlock): Promise<void> {
    await shut()
    await take(await ask('unlockTablet', { body }), false)
  }
  /** Without the server: goes on as one who was in here in the last hours. Each tap says so. */
  async function pick(id: string): Promise<void> {
    const kept = await signInOf(id, Date.now())
    if (!kept) return
    goOn(kept)
    locked.value = true
    isPicked.value = true
  }
  /** The password was said after the PIN. */
  async function sayPassword(password: string): Promise<void> {
    await ask('sayPassword', { body: { password } })
    if (me.value) me.value = { ...me.value, byPin: false }
  }
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
    isPicked,
    lock,
    unlock,
    pick,
    sayPassword,
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
