import '@fontsource-variable/hanken-grotesk'
import '@fontsource-variable/newsreader'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import './frame/bonitas.css'
import './frame/element.css'
import './frame/parts.css'
import './frame/pages.css'
import { keepPages } from './away/away.ts'
import { vCards } from './parts/cards.ts'
import { router } from './router.ts'

createApp(App).directive('cards', vCards).use(createPinia()).use(router).mount('#bonitas')
keepPages()
