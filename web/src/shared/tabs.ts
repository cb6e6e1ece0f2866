// The view of something that is looked at, kept in the address, so that a reload or a link shows the same.
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'

const slug = (name: string) => name.toLowerCase().replaceAll(' ', '-')

export function useTab<T extends string>(tabs: readonly T[]) {
  const route = useRoute()
  const router = useRouter()
  const tab = computed<T>({
    get: () => tabs.find((name) => slug(name) === route.query.view) ?? tabs[0]!,
    set: (name) =>
      void router.replace({ query: { ...route.query, view: name === tabs[0] ? undefined : slug(name) } }),
  })
  const next = () => (tab.value = tabs[(tabs.indexOf(tab.value) + 1) % tabs.length]!)
  return { tab, next }
}
