import { useRouter } from 'vue-router'
import { useOutboxStore } from '../stores/outbox'
import { useReachStore } from '../stores/reach'
import { useSessionStore } from '../stores/session'

/** Leaves this tablet: for the next person where people share it, for good where they do not. */
export function useHandOver() {
  const session = useSessionStore()
  const outbox = useOutboxStore()
  const reach = useReachStore()
  const router = useRouter()
  const sent = async () => void (reach.isLost || (await outbox.flush()))
  /** Locks a tablet that people share. */
  async function handOver(): Promise<void> {
    await sent()
    await session.lock()
    await router.push('/sign-in')
  }
  /** Signs out. What was tapped goes with the one who tapped it. */
  async function leave(): Promise<void> {
    await sent()
    await session.signOut()
    await router.push('/sign-in')
  }
  return { handOver, leave }
}
