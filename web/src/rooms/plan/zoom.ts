import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch, type Ref } from 'vue'
import { filling, fold, inView, type Span } from './fold'

/** A minute so wide at first: an evening shows its calls with their names. */
const USUAL = 1.35
const STEP = 1.25
/** So many pixels beyond what is in view are drawn too, and anew after so many. */
const BEYOND = 500
/** The hand rests when it has not turned the scale for so long. */
const REST_MS = 140

/**
 * The part of the plan in view: `box` scrolls itself, without a script; the scale turns by Ctrl and
 * wheel, by two fingers, by keys, about the place under the hand.
 */
export function useZoom(
  box: Ref<HTMLElement | null>,
  spans: Ref<Span[]>,
  width: Ref<number>,
  /** Whether there is so little that all of it can be drawn at once. */
  all: () => boolean,
) {
  const perMinute = ref(USUAL)
  const least = computed(() => Math.min(USUAL, filling(spans.value, width.value)))
  const most = computed(() =>
    Math.max(USUAL, ...spans.value.map((one) => filling([one], width.value - 24))),
  )
  const scale = computed(() => Math.min(most.value, Math.max(least.value, perMinute.value)))
  const time = computed(() => fold(spans.value, scale.value))
  const left = ref(0)
  /** What is drawn: it follows the scroll in steps, so that most frames of it need no script. */
  // Numbers, not an object of them: what depends on them rests while they stay what they are.
  const from = computed(() => (all() ? 0 : (Math.floor(left.value / BEYOND) - 1) * BEYOND))
  const to = computed(() =>
    all() ? Infinity : (Math.ceil((left.value + width.value) / BEYOND) + 1) * BEYOND,
  )
  const seen = computed(() => inView(time.value, left.value, left.value + width.value))
  const first = computed(() => seen.value.first)
  const shown = computed(() => seen.value.shown)

  useEventListener(box, 'scroll', () => (left.value = box.value?.scrollLeft ?? 0), {
    passive: true,
  })

  /** Turn the scale; the moment at `at` pixels from the left edge stays where it is. */
  function scaleBy(factor: number, at = width.value / 2) {
    const moment = time.value.moment(left.value + at)
    perMinute.value = Math.min(most.value, Math.max(least.value, scale.value * factor))
    // The new width must be there before it can be scrolled to.
    void nextTick(() => scrollTo(time.value.at(moment) - at))
  }

  /** While the hand turns the scale the picture is only stretched; once it rests, it is laid out. */
  const stretch = ref(1)
  const origin = ref(0)
  let resting = 0
  function stretchBy(factor: number, at: number) {
    const wanted = scale.value * stretch.value * factor
    stretch.value = Math.min(most.value, Math.max(least.value, wanted)) / scale.value
    origin.value = left.value + at
    window.clearTimeout(resting)
    resting = window.setTimeout(() => {
      const by = stretch.value
      stretch.value = 1
      scaleBy(by, at)
    }, REST_MS)
  }

  function scrollTo(x: number) {
    const to = Math.max(0, x)
    if (box.value) box.value.scrollLeft = to
    left.value = box.value?.scrollLeft ?? to
  }

  function show(sitting: number, alone = false) {
    const span = spans.value[sitting]
    if (!span) return
    if (alone) perMinute.value = filling([span], width.value - 24)
    void nextTick(() => scrollTo(time.value.spans[sitting]?.left ?? 0))
  }

  function whole() {
    perMinute.value = least.value
    void nextTick(() => scrollTo(0))
  }

  /** Bring a moment into view where it is not. */
  function reach(moment: number) {
    const x = time.value.at(moment)
    if (x < left.value || x > left.value + width.value - 40) scrollTo(x - width.value / 3)
  }

  useEventListener(
    box,
    'wheel',
    (event: WheelEvent) => {
      if (!event.ctrlKey && !event.metaKey) return
      event.preventDefault()
      const edge = box.value?.getBoundingClientRect().left ?? 0
      stretchBy(Math.exp(-event.deltaY / 300), Math.max(0, event.clientX - edge - aside.value))
    },
    { passive: false },
  )
  const aside = ref(0)

  let apart = 0
  const between = (event: TouchEvent) => {
    const [one, two] = [event.touches[0], event.touches[1]]
    if (!one || !two) return null
    return { apart: Math.abs(one.clientX - two.clientX), middle: (one.clientX + two.clientX) / 2 }
  }
  useEventListener(
    box,
    'touchmove',
    (event: TouchEvent) => {
      const now = between(event)
      if (!now || now.apart < 20) return
      event.preventDefault()
      const edge = box.value?.getBoundingClientRect().left ?? 0
      if (apart) stretchBy(now.apart / apart, Math.max(0, now.middle - edge - aside.value))
      apart = now.apart
    },
    { passive: false },
  )
  useEventListener(box, 'touchend', () => (apart = 0), { passive: true })
  watch([least, most], () => (left.value = box.value?.scrollLeft ?? 0), { flush: 'post' })

  return {
    time, from, to, first, shown, aside, stretch, origin,
    closer: () => scaleBy(STEP), further: () => scaleBy(1 / STEP),
    show, whole, reach, scrollTo,
  } // prettier-ignore
}
