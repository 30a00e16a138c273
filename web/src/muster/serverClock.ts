import { computed, ref, type Ref } from 'vue'
import type { View } from '../api/client'
import { sentenceWords } from '../dates'
import { clockIn, dayIn, timeIn } from '../words'

/** The server's clock, so that every device shows the same time; words in the muster's zone. */
export function useServerClock(view: Ref<View | null>) {
  /** Server time minus ours, ms. */
  const ahead = ref(0)
  const zone = computed(() => view.value?.head.zone ?? 'UTC')
  const clock = computed(() => clockIn(zone.value))
  /** HH:MM, to reckon with. */
  const time = computed(() => timeIn(zone.value))
  const day = computed(() => dayIn(zone.value))

  function follow(now: string) {
    ahead.value = Date.parse(now) - Date.now()
  }

  const stamp = () => new Date(Date.now() + ahead.value).toISOString()

  return {
    ahead,
    zone,
    clock,
    time,
    day,
    said: (words: string) => sentenceWords(words),
    follow,
    stamp,
  }
}
