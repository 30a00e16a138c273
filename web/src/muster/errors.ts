import { ref } from 'vue'
import { Complaint } from '../api/client'

/** What is under way and what went wrong last. `outdated` is called where another came before. */
export function useErrors(outdated: () => Promise<void>) {
  const complaints = ref<string[]>([])
  const busy = ref(false)
  /** The status of what failed last. */
  const failed = ref(0)

  async function attempt<T>(act: () => Promise<T>): Promise<T | null> {
    busy.value = true
    try {
      const result = await act()
      complaints.value = []
      return result
    } catch (error) {
      complaints.value = error instanceof Complaint ? error.complaints : [String(error)]
      failed.value = error instanceof Complaint ? error.status || 503 : 500
      if (error instanceof Complaint && error.status === 409) await outdated()
      return null
    } finally {
      busy.value = false
    }
  }

  return { complaints, busy, failed, attempt }
}
