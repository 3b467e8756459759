import type { Me, SchoolView, Setup, SignIn } from '@peen/contract'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, rememberMe } from '../api/client'

/** Who is signed in, and what every screen knows of the school. */
export const useSessionStore = defineStore('session', () => {
  const me = ref<Me | null>(null)
  const school = ref<SchoolView | null>(null)
  const known = ref(false)
  const needsSetup = ref(false)
  const isStaff = computed(() => me.value !== null && me.value.role !== 'apprentice')
  const isLead = computed(() => me.value?.role === 'lead')

  async function take(person: Me | null): Promise<void> {
    me.value = person
    rememberMe(person)
    school.value = person ? await api.get<SchoolView>('/school') : null
    known.value = true
  }
  /** Finds out once, when the page loads. */
  async function find(): Promise<void> {
    if (known.value) return
    const found = await api.get<{ me: Me | null; needsSetup: boolean }>('/session')
    needsSetup.value = found.needsSetup
    await take(found.me)
  }
  const signIn = async (body: SignIn) => take(await api.post<Me>('/sign-in', body))
  async function setUp(body: Setup): Promise<void> {
    await take(await api.post<Me>('/setup', body))
    needsSetup.value = false
  }
  async function signOut(): Promise<void> {
    await api.post('/sign-out')
    await take(null)
  }
  async function refreshSchool(): Promise<void> {
    if (me.value) school.value = await api.get<SchoolView>('/school')
  }
  return {
    enter: take,
    me,
    school,
    known,
    needsSetup,
    isStaff,
    isLead,
    find,
    signIn,
    setUp,
    signOut,
    refreshSchool,
    forget: () => take(null)
  }
})
