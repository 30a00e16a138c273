import '@fontsource-variable/archivo/wdth.css'
import '@fontsource/atkinson-hyperlegible/latin-400.css'
import '@fontsource/atkinson-hyperlegible/latin-700.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import './theme.css'

createApp(App).use(createPinia()).use(router).mount('#app')
