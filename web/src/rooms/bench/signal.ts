import { useLocalStorage, useWakeLock } from '@vueuse/core'
import { onUnmounted, ref } from 'vue'

const INVERTED_MS = 2000

/** Whether signals sound; muted, the screen inverts instead. */
export const sound = useLocalStorage('sound', true)

/** Signals for the bench: a short tone, or the screen inverted for two seconds. */
export function useSignal() {
  const wake = useWakeLock()
  const inverted = ref(false)
  let audio: AudioContext | null = null
  let timer = 0

  /** Browsers allow sound and the wake lock only from a press. */
  function unlock() {
    audio ??= new AudioContext()
    void audio.resume().catch(() => undefined)
    if (wake.isSupported.value) void wake.request('screen').catch(() => undefined)
  }

  function signal() {
    if (sound.value && audio?.state === 'running') {
      const tone = audio.createOscillator()
      const gain = audio.createGain()
      gain.gain.value = 0.2
      tone.frequency.value = 660
      tone.connect(gain).connect(audio.destination)
      tone.start()
      tone.stop(audio.currentTime + 0.35)
      return
    }
    inverted.value = true
    clearTimeout(timer)
    timer = window.setTimeout(() => (inverted.value = false), INVERTED_MS)
  }

  onUnmounted(() => {
    clearTimeout(timer)
    void audio?.close()
    void wake.release().catch(() => undefined)
  })
  return { unlock, signal, inverted }
}
