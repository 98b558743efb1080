import '@fontsource-variable/hanken-grotesk'
import '@fontsource-variable/newsreader'
import { createApp } from 'vue'
import ClientLetter from './ClientLetter.vue'
import './for.css'

createApp(ClientLetter).mount('#for')
