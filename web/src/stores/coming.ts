import type { Me, Setup, SignIn, Unlock } from '@peen/contract'
import { useLocalStorage } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import { ask, isUnreachable, rememberMe } from '../api/client'
import { signInOf, type KeptSignIn } from '../offline/kept-sign-in'

type Session = {
  /** makes a person the one who is in, or no one; `forget`: what the one before has read goes from this tablet */
  readonly take: (person: Me | null, forget?: boolean) => Promise<void>
  readonly goOn: (kept: KeptSignIn) => void
  readonly needsSetup: Ref<boolean>
}

/** Coming in and going: by password; and on a tablet that people share by PIN, or without the server under a picked name. */
export function comingAndGoing({ take, goOn, needsSetup }: Session) {
  /** goes on under a name that was only picked */
  const isPicked = ref(false)
  /** it was locked and could not say so to the server yet */
  const locked = useLocalStorage('peen.locked', false)

  /** Locks it. What its person has read stays, for the hours in which they may go on without the server. */
  async function lock(): Promise<void> {
    locked.value = true
    await shut()
  }
  /**
   * No one is in on a tablet that was locked; the server hears of it as soon as it answers. Who went on under a picked name stays until
   * then: asking in vain puts no one out.
   */
  async function shut(): Promise<void> {
    if (!locked.value) return
    if (!isPicked.value) await take(null, false)
    try {
      const { me: left, needsSetup: needs } = await ask('signedIn')
      if (isPicked.value) await take(null, false)
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
  async function signIn(body: SignIn): Promise<void> {
    await shut()
    await take(await ask('signIn', { body }))
  }

  async function setUp(body: Setup): Promise<void> {
    await take(await ask('setUp', { body }))
    needsSetup.value = false
  }
  async function signOut(): Promise<void> {
    try {
      await ask('signOut')
    } catch (error) {
      if (!isUnreachable(error)) throw error
      // the server hears of it as soon as it answers
      locked.value = true
    }
    await take(null)
  }
  return { isPicked, locked, lock, shut, unlock, pick, signIn, setUp, signOut }
}
