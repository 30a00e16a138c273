import { onKeyStroke } from '@vueuse/core'
import { onUnmounted, reactive } from 'vue'
import { letterKeys } from './light'

export interface Key {
  key: string
  shows: string
  does: string
  act: () => void
}

/** The keys of the room in view, for the dialog that `?` opens. */
export const roomKeys = reactive<Key[]>([])

function typing(event: KeyboardEvent): boolean {
  const at = event.target as HTMLElement | null
  if (!at) return false
  // Letters and digits mean nothing to a box or a dot; arrows and the space bar do.
  if (at instanceof HTMLInputElement && ['radio', 'checkbox'].includes(at.type))
    return !/^[a-z0-9]$/i.test(event.key)
  if (['INPUT', 'TEXTAREA', 'SELECT'].includes(at.tagName)) return true
  // A dial turns by arrows itself.
  if (at.closest('[role="slider"]') && event.key.startsWith('Arrow')) return true
  const pressable = at.closest('button, a, [role="menu"], [role="dialog"], [role="listbox"]')
  return Boolean(pressable) && [' ', 'Enter'].includes(event.key)
}

/** Keys that hold while the calling room is in view. */
export function useKeys(keys: Key[]) {
  roomKeys.push(...keys)
  onKeyStroke((event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || typing(event)) return
    if (document.querySelector('[role="dialog"]')) return
    const letter = /^[a-z]$/i.test(event.key)
    if (letter && !letterKeys.value) return
    const found = keys.find((one) => one.key === (letter ? event.key.toLowerCase() : event.key))
    if (!found) return
    event.preventDefault()
    found.act()
  })
  onUnmounted(() => {
    for (const key of keys) roomKeys.splice(roomKeys.indexOf(key), 1)
  })
}
