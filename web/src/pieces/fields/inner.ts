// Naive UI does not pass every attribute on to the element that has the focus; these are set on it after each rendering.
import { type ComponentPublicInstance, inject, onMounted, onUpdated, type Ref, useAttrs, watch } from 'vue'
import { FIELD } from './field-context'

/** What is for the control itself: all but the class and the style, which are for the whole component. */
export function ofControl(attributes: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(attributes).filter(([name]) => name !== 'class' && name !== 'style'),
  )
}

export type Attributes = Record<string, string | undefined>

/** The input inside a picker of days or times: its label, its name, and whether it has to be filled in. */
export function usePickerInput(root: Readonly<Ref<ComponentPublicInstance | null>>) {
  const attrs = useAttrs()
  const label = inject(FIELD, null)
  useInnerAttributes(root, 'input', () => ({
    id: label?.id,
    'aria-label': attrs['aria-label'] as string | undefined,
    required: attrs.required !== undefined && attrs.required !== false ? '' : undefined,
  }))
}

export function useInnerAttributes(
  root: Readonly<Ref<ComponentPublicInstance | null>>,
  selector: string,
  attributes: () => Attributes,
) {
  function apply() {
    const inner = (root.value?.$el as HTMLElement | undefined)?.querySelector(selector)
    for (const [name, value] of Object.entries(attributes()))
      if (value === undefined) inner?.removeAttribute(name)
      else inner?.setAttribute(name, value)
  }
  onMounted(apply)
  onUpdated(apply)
  watch(attributes, apply, { flush: 'post' })
}
