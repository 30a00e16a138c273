import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'

export interface Step {
  room: string
  /** What it speaks of, as a selector; the first that is shown is marked. */
  at: string
  words: string
  /** The same without a mouse, on a phone. */
  phone?: string
}

/** The tour of the README, on the real screens. */
export const STEPS: Step[] = [
  {
    room: 'plan',
    at: '[aria-label="Calls by tray and sitting"], [aria-label="The evening"]',
    words:
      'Rows are trays, each night is one pleat, hatching is drying. The right arrow goes from call to call; below the board stands why each is where it is.',
    phone:
      'An evening as one path: from call to call, with the paint that goes on. Press one to read why it stands there.',
  },
  {
    room: 'plan',
    at: '[aria-label="The chosen call"] button, [aria-label="The evening"]',
    words:
      'Take a call by the hand, or press M: rails show where else it may stand and what that costs. Dropped, it is pinned and the rest mends. U takes it back.',
    phone: 'On a wider screen a call can be dragged to where it suits you better; the rest mends.',
  },
  {
    room: 'plan',
    at: '[aria-label="What is left, and offers"]',
    words:
      'Offers, each priced: Look lays the plan that would come of it over this one, Take does it. Under Print lie a run sheet, tray tickets and your calendar.',
  },
  {
    room: 'bench',
    at: '.pips, main',
    words:
      'One call at a time. Enter starts it, Space ticks a model, a long press marks a touch-up, U takes a tick back. End early, and the plan mends.',
    phone:
      'One call at a time. Press a model when it is done, hold it for a touch-up. End early, and the plan mends.',
  },
  {
    room: 'roll',
    at: 'input[name="line"]',
    words:
      'Type 6 archers 28 mm and Enter, or paste a whole roster. Every change can be taken back.',
  },
  {
    room: 'recipes',
    at: 'main h1, main',
    words:
      'A recipe is a stack of passes: press any word to change it, drag a pass by its number. What would dissolve, silver or vanish is said where it happens, with what mends it.',
  },
  {
    room: 'colour',
    at: '.mix, main',
    words:
      'Type a colour and find a mix of your paints in whole drops. Meant and mixed meet in one field; hold it, and they change sides.',
  },
  {
    room: 'supplies',
    at: 'main table, main',
    words: 'What all that is still to come needs of each paint, what is short, and what it costs.',
  },
  {
    room: 'house',
    at: 'main h1, main',
    words:
      'Your room and your ways: turn the dial to a damp day, and waits stretch and the plan mends. The tour is found again by its name: type tour.',
  },
]

/** 'ended', or the number of the step; empty: never offered yet. */
const kept = useLocalStorage('tour', '')

export function useTour() {
  const number = computed(() => (/^\d+$/.test(kept.value) ? Number(kept.value) : null))
  return {
    number,
    step: computed(() => (number.value === null ? null : (STEPS[number.value] ?? null))),
    offered: computed(() => kept.value === ''),
    begin: () => (kept.value = '0'),
    go: (to: number) => (kept.value = to >= STEPS.length ? 'ended' : String(Math.max(0, to))),
    end: () => (kept.value = 'ended'),
  }
}
