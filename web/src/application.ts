import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { whenAsked, whenChanging, whenPasswordNeeded, whenSignedOut, whenTokenMissing } from './api/client'
import App from './App.vue'
import { router } from './router'
import { useReachStore } from './stores/reach'
import { useSayPasswordStore } from './stores/say-password'
import { useSavedStore } from './stores/saved'
import { useSessionStore } from './stores/session'
import './styles.css'

// the painting worker starts beside the page: every screen shows a dog
void import('./figure/painter').then(({ painter }) => painter())

const app = createApp(App).use(createPinia()).use(router)
const toTheDoor = () => router.push('/sign-in')
whenSignedOut(() => void useSessionStore().forget().then(toTheDoor))
whenPasswordNeeded(() => useSayPasswordStore().ask())
whenAsked(useReachStore().told)
// who goes on without the server is known to it again before anything is sent
useReachStore().whileLost(async () => {
  const session = useSessionStore()
  if (!session.known) await session.find()
  else if (!(await session.renew())) await toTheDoor()
})
whenTokenMissing(async () => {
  const session = useSessionStore()
  if (session.isRecalled) await session.renew()
})
// the top line is true of every change, whichever screen sends it
whenChanging(() => useSavedStore().begin())
app.mount('#app')
void import('./offline/worker').then(({ keepApplication }) => keepApplication(router))
