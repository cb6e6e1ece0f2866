// The view of something that is looked at, kept in the address, so that a reload or a link shows the same.
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'

/** Of views, by their name in the address, the one that is shown; the first is that of an address without a view. */
export function useTab<T extends string>(tabs: Record<T, string>) {
  const names = Object.keys(tabs) as T[]
  const route = useRoute()
  const router = useRouter()
  const tab = computed<T>({
    get: () => names.find((name) => name === route.query.view) ?? names[0]!,
    set: (name) =>
      void router.replace({ query: { ...route.query, view: name === names[0] ? undefined : name } }),
  })
  const next = () => (tab.value = names[(names.indexOf(tab.value) + 1) % names.length]!)
  return { tab, next }
}
