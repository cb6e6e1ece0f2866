// What has been so once: a part that is asked for is loaded then, and stays.
import { ref, type Ref, watchEffect } from 'vue'

export function useOnce(is: () => boolean): Readonly<Ref<boolean>> {
  const was = ref(false)
  watchEffect(() => {
    if (is()) was.value = true
  })
  return was
}
