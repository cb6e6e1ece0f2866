// The library keeps the focus on the control while its list is open and marks the option that comes next by a class alone;
// who cannot see the mark learns of it by aria-activedescendant.
import { nextTick } from 'vue'

const MARKED = '.n-base-select-option--pending, .n-dropdown-option-body--pending'

/** Points `control` at the marked option of the list with this id; at nothing where the list is closed. */
export async function pointAtOption(control: Element | null | undefined, list: string) {
  await nextTick()
  const marked = document.getElementById(list)?.querySelector(MARKED)
  const option = marked?.id ? marked : marked?.parentElement
  if (option?.id) control?.setAttribute('aria-activedescendant', option.id)
  else control?.removeAttribute('aria-activedescendant')
}
