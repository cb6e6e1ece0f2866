// Parts that are loaded only where they are looked at: the code editor and the chart library weigh more than all the rest,
// and nobody hands anything in before they have read what is there.
import {
  type AsyncComponentLoader,
  type Component,
  defineAsyncComponent,
  onMounted,
  onScopeDispose,
} from 'vue'
import Loading from './states/Loading.vue'
import NotLoaded from './states/NotLoaded.vue'

export function lazy<T extends Component>(loader: AsyncComponentLoader<T>): T {
  return defineAsyncComponent({
    loader: loader as AsyncComponentLoader,
    loadingComponent: Loading,
    errorComponent: NotLoaded,
    delay: 150,
  }) as T
}

/** Loads what is likely to be needed next at the first sign of a person, so that a key that leads there finds it. */
export function loadSoon(...loaders: (() => Promise<unknown>)[]) {
  const signs = ['pointermove', 'pointerdown', 'keydown'] as const
  function load() {
    stop()
    for (const one of loaders) void one().catch(() => undefined)
  }
  const stop = () => signs.forEach((sign) => window.removeEventListener(sign, load))
  onMounted(() => signs.forEach((sign) => window.addEventListener(sign, load, { passive: true })))
  onScopeDispose(stop)
}

export const HandIn = lazy(() => import('./hand-in/HandIn.vue'))
export const CodeView = lazy(() => import('./code/CodeView.vue'))
export const LivePlot = lazy(() => import('./plots/LivePlot.vue'))
export const RunPlot = lazy(() => import('./plots/RunPlot.vue'))
export const TransferPlot = lazy(() => import('./plots/TransferPlot.vue'))
