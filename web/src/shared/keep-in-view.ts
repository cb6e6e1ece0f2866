// A row of links that is wider than a phone: the one of the place shown is brought into view.
import { nextTick, type TemplateRef, watch } from 'vue'

export function keepCurrentInView(row: TemplateRef<HTMLElement>, place: () => unknown) {
  watch(
    place,
    async () => {
      await nextTick()
      const current = row.value?.querySelector('[aria-current]')
      current?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
    },
    { immediate: true, flush: 'post' },
  )
}
