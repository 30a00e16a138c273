import { computed, ref, shallowRef, type Ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { count, hours } from '../../words'
import type { Fold } from './fold'
import type { Box } from './layout'

export type Place = Schemas['AlternativeStart']

export interface Rail {
  place: Place
  /** Where the call would lie. */
  x: number
  w: number
  /** How far the place reaches: dropped anywhere here, it is this one. */
  left: number
  right: number
  words: string
}

/** A press becomes a drag after so many pixels. */
const MEANT = 5
/** A finger takes a call up when it has rested on it for so long. */
const HOLD_MS = 300
/** Let go so far above or below its row, the call stays where it was. */
const FAR = 90
const DAY = 86_400

/** What a place costs; `short`: for the board, where it shares the room with others. */
export function placeWords(place: Place, short = false): string {
  if (place.as_planned) return 'as planned'
  const said = [
    place.cost_s
      ? `${place.cost_s > 0 ? 'adds' : 'saves'} ${hours(Math.abs(place.cost_s))}`
      : 'costs nothing',
  ]
  const days = Math.round(place.finish_s / DAY)
  if (days) said.push(`done ${Math.abs(days)} d ${days > 0 ? 'later' : 'sooner'}`)
  const all = place.moves.length + place.more
  if (all === 1 && place.moves.length) return [...said, ...place.moves].join(', ')
  if (!all) return said.join(', ')
  if (short) return [...said, `${count(all, 'call')} to other sittings`].join(', ')
  return [...said, ...place.moves, `${count(place.more, 'other call')} to other sittings`].join(
    ', ',
  )
}

/**
 * A call taken up, by hand or by keys: its legal places, the one aimed at, and dropping it there.
 * `where` turns a pointer's place into one on the board.
 */
export function useCallDrag(time: Ref<Fold>, where: (x: number, y: number) => [number, number]) {
  const muster = useMuster()
  const held = shallowRef<Box | null>(null)
  const byHand = ref(false)
  const by = ref({ x: 0, y: 0 })
  const places = shallowRef<Place[] | null>(null)
  const aim = ref<number | null>(null)
  let pressed: { box: Box; x: number; y: number; pointer: number; touch: boolean } | null = null
  let holding = 0

  const rails = computed<Rail[]>(() =>
    (places.value ?? []).map((place) => {
      const x = time.value.at(Date.parse(place.start))
      const low = Date.parse(place.pin)
      const span = time.value.spans.find((one) => low >= one.start && low < one.end)
      const end = time.value.at(Date.parse(place.end))
      const w = Math.max(3, Math.min(end, span?.right ?? end) - x)
      return { place, x, w, left: span?.left ?? x, right: span?.right ?? x, words: placeWords(place, true) }
    }),
  ) // prettier-ignore
  const aimed = computed(() => (aim.value === null ? null : (rails.value[aim.value] ?? null)))

  async function takeUp(box: Box) {
    held.value = box
    places.value = null
    aim.value = null
    by.value = { x: 0, y: 0 }
    const id = muster.view?.id
    if (id === undefined) return
    const query = { call: box.card.id }
    const found = await muster.attempt(() =>
      told(
        client.GET('/api/musters/{muster_id}/plan/alternative-starts', {
          params: { path: { muster_id: id }, query },
        }),
      ),
    )
    if (held.value !== box) return
    if (!found?.length) return letGo()
    places.value = found
    const mine = found.findIndex((one) => one.as_planned)
    if (!byHand.value) aim.value = Math.max(0, mine)
    else follow()
  }

  function letGo() {
    held.value = null
    places.value = null
    aim.value = null
    byHand.value = false
    pressed = null
    window.clearTimeout(holding)
  }

  /** Aim at the place whose sitting the hand is over, or the nearest. */
  function follow() {
    const box = held.value
    if (!box || !rails.value.length) return
    if (Math.abs(by.value.y) > FAR) return void (aim.value = null)
    const x = box.x + by.value.x
    const off = rails.value.map((rail) => Math.max(0, rail.left - x, x - rail.right))
    aim.value = off.indexOf(Math.min(...off))
  }

  async function drop() {
    const [box, rail] = [held.value, aimed.value]
    letGo()
    if (!box || !rail || (rail.place.as_planned && box.card.pinned)) return
    const { pin: start, slack_s } = rail.place
    await muster.command({ do: 'pin_call', call: box.card.id, start, slack_s })
  }

  function step(on: number) {
    if (!rails.value.length) return
    aim.value = Math.min(rails.value.length - 1, Math.max(0, (aim.value ?? 0) + on))
  }

  function press(event: PointerEvent, box: Box) {
    if (event.button || held.value) return
    const [x, y] = where(event.clientX, event.clientY)
    const touch = event.pointerType === 'touch'
    pressed = { box, x, y, pointer: event.pointerId, touch }
    // A finger that only brushes a call scrolls the board; one that rests on it takes it up.
    if (touch) holding = window.setTimeout(() => pressed && begin(), HOLD_MS)
  }

  function begin() {
    if (!pressed) return
    byHand.value = true
    const moved = by.value
    void takeUp(pressed.box)
    by.value = moved
  }

  function moved(event: PointerEvent) {
    if (!pressed || event.pointerId !== pressed.pointer) return
    const [x, y] = where(event.clientX, event.clientY)
    by.value = { x: x - pressed.x, y: y - pressed.y }
    if (!held.value && Math.hypot(by.value.x, by.value.y) > MEANT) {
      if (pressed.touch) return letGo()
      begin()
    }
    if (byHand.value) follow()
  }

  /** Whether a drag ended, not a press. */
  function released(event: PointerEvent): boolean {
    if (!pressed || event.pointerId !== pressed.pointer) return false
    const dragged = byHand.value
    pressed = null
    window.clearTimeout(holding)
    if (dragged) void drop()
    return dragged
  }

  return {
    held, byHand, by, places, rails, aim, aimed, takeUp, letGo, drop, step, press, moved, released,
  } // prettier-ignore
}
