import { useLocalStorage } from '@vueuse/core'
import { watchEffect } from 'vue'

/** Two lights: day and lamp. */
export const light = useLocalStorage<'day' | 'lamp'>('light', 'day')
/** Letter keys can be switched off, for those whom they surprise. */
export const letterKeys = useLocalStorage('letter-keys', true)

watchEffect(() => {
  document.documentElement.dataset.light = light.value
})

export function turnLight() {
  light.value = light.value === 'day' ? 'lamp' : 'day'
}
