import './look/nonce'
import '@fontsource-variable/commissioner'
import '@fontsource-variable/jetbrains-mono'
import './look/tokens.css'
import './look/base.css'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { ApiError } from './api/client'
import { router } from './router'

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 2000,
      retry: (count, error) => error instanceof ApiError && error.status === 0 && count < 3,
    },
  },
})
createApp(App).use(router).use(VueQueryPlugin, { queryClient: queries }).mount('#app')
