import './theme/fonts'
import './theme/tokens.css'
import './theme/element.css'
import './theme/base.css'

import { createPinia } from 'pinia'
import { createApp } from 'vue'

import App from './App.vue'
import { keepShell } from './features/shell/logic/keepShell'
import { watchLanding } from './features/shell/logic/landing'
import { router } from './router'

watchLanding(router)
if (import.meta.env.PROD) keepShell()
// Reading the program, asking for the page's own files and drawing the frame around it are three tasks: between them a
// touch is answered, and the files are on their way before anything is drawn.
setTimeout(() => {
  const app = createApp(App).use(createPinia()).use(router)
  setTimeout(() => app.mount('#app'))
})
