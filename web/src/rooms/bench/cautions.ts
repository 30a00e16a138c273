import { ref, type Ref } from 'vue'
import type { Schemas } from '../../api/client'

/** Asks once a sitting before a call whose cautions are serious is begun. */
export function useCautions(card: Ref<Schemas['CallCard'] | null>, sitting: () => string) {
  const asking = ref(false)
  const key = () => `read:${sitting()}:${card.value?.cautions.join('|')}`

  /** Whether the call may begin now; else the question stands. */
  function mayBegin(): boolean {
    if (!card.value?.serious || sessionStorage.getItem(key())) return true
    asking.value = true
    return false
  }

  function read() {
    sessionStorage.setItem(key(), 'yes')
    asking.value = false
  }
  return { asking, mayBegin, read }
}
