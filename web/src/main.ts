import { LANGUAGE } from '@texts/language'
import { main as texts } from '@texts/app'
import './look/nonce'
import '@fontsource-variable/commissioner'
import '@fontsource-variable/jetbrains-mono'
import './look/tokens.css'
import './look/base.css'
import './look/utilities.css'
import { QueryCache, QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { ApiError } from './api/client'
import { router } from './router'
import { notify } from './shared/notices'

/** A session that has ended leads to the log-in and back to the same place afterwards. */
function toLogIn(error: Error) {
  if (!(error instanceof ApiError) || error.status !== 401 || router.currentRoute.value.name === 'log-in')
    return
  void router.push({ name: 'log-in', query: { next: router.currentRoute.value.fullPath } })
}

const queries = new QueryClient({
  queryCache: new QueryCache({ onError: toLogIn }),
  defaultOptions: {
    // Without a connection a call fails and says so; the library would let it wait without a word.
    mutations: { networkMode: 'always' },
    queries: {
      networkMode: 'always',
      staleTime: 2000,
      retry: (count, error) => error instanceof ApiError && error.status === 0 && count < 3,
    },
  },
})
/** Whatever nobody expected: told, and left in the console for whoever mends it. What was typed stays. */
function unexpected(error: unknown) {
  console.error(error)
  if (error instanceof ApiError) notify(error.message)
  else notify(texts.somethingWentWrong, { reload: true })
}
window.addEventListener('unhandledrejection', (event) => unexpected(event.reason))

document.documentElement.lang = LANGUAGE
const app = createApp(App)
app.config.errorHandler = unexpected
app.use(router).use(VueQueryPlugin, { queryClient: queries }).mount('#app')
