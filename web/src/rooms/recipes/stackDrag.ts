import { onUnmounted, ref, type Ref } from 'vue'

export interface Dragged {
  key: string
  /** The pass that it would lie over; null: at the bottom. */
  on: string | null
  /** Where the rail is drawn, in px from the top of the list. */
  rail: number
  /** Pulled out at the side: let go, it is taken out. */
  out: boolean
}

const FROM_PX = 6
const OUT_PX = 60

/** Passes dragged within their list, whose rows stand from the last pass to the first and carry
 *  their key as `data-pass`. */
export function useStackDrag(
  list: Ref<HTMLElement | null>,
  act: { layOver: (key: string, on: string | null) => void; takeOut: (key: string) => void },
) {
  const dragged = ref<Dragged | null>(null)
  let stop = () => {}

  function place(event: PointerEvent, key: string): Dragged | null {
    const box = list.value?.getBoundingClientRect()
    if (!list.value || !box) return null
    const rows = [...list.value.querySelectorAll<HTMLElement>('[data-pass]')].map((row) => ({
      key: row.dataset.pass ?? '',
      at: row.getBoundingClientRect(),
    }))
    const over = rows.find((row) => event.clientY < row.at.top + row.at.height / 2)
    const on = over ? over.key : null
    const rail = (over ? over.at.top : (rows.at(-1)?.at.bottom ?? box.bottom)) - box.top
    const out = event.clientX < box.left - OUT_PX || event.clientX > box.right + OUT_PX
    return { key, on, rail, out }
  }

  function start(event: PointerEvent, key: string) {
    if (event.button) return
    const from = { x: event.clientX, y: event.clientY }
    const moved = (now: PointerEvent) => {
      if (!dragged.value && Math.hypot(now.clientX - from.x, now.clientY - from.y) < FROM_PX) return
      now.preventDefault()
      dragged.value = place(now, key)
    }
    const ended = () => {
      const last = dragged.value
      stop()
      if (!last) return
      if (last.out) act.takeOut(last.key)
      else if (last.on !== last.key) act.layOver(last.key, last.on)
    }
    const left = (now: KeyboardEvent) => now.key === 'Escape' && stop()
    stop = () => {
      dragged.value = null
      window.removeEventListener('pointermove', moved)
      window.removeEventListener('pointerup', ended)
      window.removeEventListener('pointercancel', stop)
      window.removeEventListener('keydown', left)
    }
    window.addEventListener('pointermove', moved)
    window.addEventListener('pointerup', ended)
    window.addEventListener('pointercancel', stop)
    window.addEventListener('keydown', left)
  }

  onUnmounted(() => stop())
  return { dragged, start }
}
