import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { whenChanging, whenSignedOut } from './api/client'
import App from './App.vue'
import { router } from './router'
import { useSavedStore } from './stores/saved'
import { useSessionStore } from './stores/session'
import './styles.css'

// the painting worker starts beside the page: every screen shows a dog
void import('./figure/painter').then(({ painter }) => painter())

const app = createApp(App).use(createPinia()).use(router)
whenSignedOut(() => {
  void useSessionStore()
    .forget()
    .then(() => router.push('/sign-in'))
})
// the top line is true of every change, whichever screen sends it
whenChanging(() => useSavedStore().begin())
app.mount('#app')
