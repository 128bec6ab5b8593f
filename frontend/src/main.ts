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
// Reading the program and drawing the first page are two tasks: between them a touch is answered.
setTimeout(() => createApp(App).use(createPinia()).use(router).mount('#app'))
