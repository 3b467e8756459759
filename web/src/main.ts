import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { whenSignedOut } from './api/client'
import App from './App.vue'
import { painter } from './figure/painter'
import { router } from './router'
import { useSessionStore } from './stores/session'
import './styles.css'

// the painting worker starts while the page is still being built: every screen shows a dog
painter()

const app = createApp(App).use(createPinia()).use(router)
whenSignedOut(() => {
  void useSessionStore()
    .forget()
    .then(() => router.push('/sign-in'))
})
app.mount('#app')
