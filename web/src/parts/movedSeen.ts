import { computed, ref } from 'vue'
import { useMuster } from '../muster'

const seen = ref(sessionStorage.getItem('moved-seen') ?? '')

/** What moved when the plan mended, until it is said to be seen. */
export function useMoved() {
  const muster = useMuster()
  const fresh = computed(() => {
    const view = muster.view
    return view && view.progress.made_for !== seen.value ? view : null
  })

  function understand() {
    seen.value = muster.view?.progress.made_for ?? ''
    sessionStorage.setItem('moved-seen', seen.value)
  }

  return {
    words: computed(() => fresh.value?.moved_words ?? []),
    moved: computed(() => fresh.value?.moved ?? []),
    understand,
  }
}
