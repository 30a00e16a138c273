import { onKeyStroke } from '@vueuse/core'
import { onUnmounted, reactive } from 'vue'
import { beginFinding, finding } from './finding'
import { letterKeys } from './light'

export interface Key {
  key: string
  shows: string
  does: string
  act: () => void
}

/** The keys of the room in view, for the dialog that `?` opens. */
export const roomKeys = reactive<Key[]>([])

/** A letter that is a key waits so long whether it begins a word. */
const WORD_MS = 220

function typing(event: KeyboardEvent): boolean {
  const at = event.target as HTMLElement | null
  if (!at) return false
  // Letters and digits mean nothing to a box or a dot; arrows and the space bar do.
  if (at instanceof HTMLInputElement && ['radio', 'checkbox'].includes(at.type))
    return !/^[a-z0-9]$/i.test(event.key)
  if (['INPUT', 'TEXTAREA', 'SELECT'].includes(at.tagName)) return true
  // A dial turns by arrows itself.
  if (at.closest('[role="slider"]') && event.key.startsWith('Arrow')) return true
  const pressable = at.closest(
    'button, a, [role="button"], [role="menu"], [role="dialog"], [role="listbox"]',
  )
  return Boolean(pressable) && [' ', 'Enter'].includes(event.key)
}

/** Keys that hold while the calling room is in view. */
export function useKeys(keys: Key[]) {
  roomKeys.push(...keys)
  onUnmounted(() => {
    for (const key of keys) roomKeys.splice(roomKeys.indexOf(key), 1)
  })
}

/** The one listener: keys of the room in view, and words that are typed to be found. */
export function useKeyboard(mayFind: () => boolean) {
  let waiting: { letter: string; timer: number } | null = null

  onKeyStroke((event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || typing(event)) return
    if (finding.value !== null && event.key.length === 1) {
      // The field is not there yet: what is typed meanwhile goes behind what was.
      event.preventDefault()
      finding.value += event.key
      return
    }
    if (document.querySelector('[role="dialog"]')) return
    const letter = /^\p{L}$/u.test(event.key)
    const key = letter ? event.key.toLowerCase() : event.key
    // Of two the newer one counts: a room's own before what holds everywhere.
    const found = [...roomKeys].reverse().find((one) => one.key === key)
    if (!letter) {
      if (found) {
        event.preventDefault()
        found.act()
      }
      return
    }
    if (waiting) {
      window.clearTimeout(waiting.timer)
      event.preventDefault()
      const word = waiting.letter + event.key
      waiting = null
      return beginFinding(word)
    }
    const acts = found && letterKeys.value
    if (!acts && !mayFind()) return
    event.preventDefault()
    if (!acts) return beginFinding(event.key)
    if (!mayFind()) return found.act()
    const timer = window.setTimeout(() => {
      waiting = null
      found.act()
    }, WORD_MS)
    waiting = { letter: event.key, timer }
  })
}
