import type { Me, SchoolView } from '@peen/contract'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { cache } from '../api/cache'
import { ask, isUnreachable, rememberMe } from '../api/client'
import { endSignIn, keepSignIn, recallSignIn, type KeptSignIn } from '../offline/kept-sign-in'
import { readAs } from '../offline/read'
import { A_DAY_MS, forgetReplies } from '../offline/replies'
import { comingAndGoing } from './coming'
import { schoolNames, schoolTime } from './school-facts'

/** Who is signed in, and what every screen knows of the school. */
export const useSessionStore = defineStore('session', () => {
  const me = ref<Me | null>(null)
  const school = ref<SchoolView | null>(null)
  const known = ref(false)
  /** goes on without the server: who it is was known here from before */
  const isRecalled = ref(false)
  const needsSetup = ref(false)
  const isStaff = computed(() => me.value !== null && me.value.role !== 'apprentice')
  const isLead = computed(() => me.value?.role === 'lead')

  const clock = schoolTime(school)
  const names = schoolNames(school)

  async function keepSchool(): Promise<void> {
    school.value = await ask('school')
    clock.sync(school.value.now)
    await keepHere()
  }
  /** Keeps on this tablet who is signed in, so that a page opens without the server. */
  async function keepHere(): Promise<void> {
    if (!me.value || !school.value) return
    const { csrf: _token, ...person } = me.value
    await keepSignIn({ me: person, school: school.value, aheadMs: clock.aheadMs() }, Date.now())
  }
  /** `forget`: what the one before has read goes from this tablet. */
  async function take(person: Me | null, forget = true): Promise<void> {
    const before = me.value?.id
    // what one person read is not shown to the next
    if (before !== person?.id) cache.clear()
    if (forget && before !== undefined && before !== person?.id) await forgetReplies({ person: before })
    isRecalled.value = false
    coming.isPicked.value = false
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
  const { locked, shut, ...coming } = comingAndGoing({ take, goOn, needsSetup })
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
    clock.recall(kept.school, kept.aheadMs)
    readAs(kept.me.id)
    me.value = { ...kept.me, csrf: '' }
    rememberMe(null)
    isRecalled.value = true
    known.value = true
  }
  /** Asks the server again who is signed in, once it answers. @returns whether it is still the same person */
  const renew = (): Promise<boolean> => (renewing ??= askAgain().finally(() => (renewing = null)))
  let renewing: Promise<boolean> | null = null
  async function askAgain(): Promise<boolean> {
    if (locked.value) {
      await shut()
      return me.value !== null
    }
    const before = me.value?.id
    const found = await ask('signedIn')
    needsSetup.value = found.needsSetup
    if (found.me && found.me.id === before && !isRecalled.value) return true
    await take(found.me)
    return found.me?.id === before
  }
  /** The password was said after the PIN. */
  async function sayPassword(password: string): Promise<void> {
    await ask('sayPassword', { body: { password } })
    if (me.value) me.value = { ...me.value, byPin: false }
  }
  async function refreshSchool(): Promise<void> {
    if (me.value) await keepSchool()
  }
  return {
    enter: take,
    sync: clock.sync,
    time: clock.time,
    me,
    school,
    known,
    isRecalled,
    ...coming,
    sayPassword,
    renew,
    needsSetup,
    isStaff,
    isLead,
    ...names,
    find,
    refreshSchool,
    forget: () => take(null)
  }
})
