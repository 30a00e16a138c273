/** Folded time: sittings at true minutes, each gap between them one pleat. */

export interface Span {
  start: number
  end: number
}

export interface Fold {
  spans: (Span & { left: number; right: number })[]
  width: number
  perMinute: number
  at: (moment: number) => number
  /** The moment at a place; within a pleat, the start of the sitting after it. */
  moment: (x: number) => number
}

export const PLEAT = 20

const minutesOf = (spans: Span[]) =>
  spans.reduce((sum, one) => sum + (one.end - one.start) / 60_000, 0)

/** The pixels a minute has where these sittings fill a width. */
export function filling(sittings: Span[], width: number): number {
  const free = width - PLEAT * Math.max(0, sittings.length - 1)
  return Math.max(0.02, free / Math.max(1, minutesOf(sittings)))
}

/** Lay sittings out. A moment between two sittings lies within their pleat. */
export function fold(sittings: Span[], perMinute: number): Fold {
  let left = 0
  const spans = sittings.map((one) => {
    const right = left + ((one.end - one.start) / 60_000) * perMinute
    const laid = { ...one, left, right }
    left = right + PLEAT
    return laid
  })
  const width = spans.at(-1)?.right ?? 0

  /** The first sitting that ends at or after a moment, or reaches a place. */
  function first(holds: (span: (typeof spans)[number]) => boolean): number {
    let [low, high] = [0, spans.length]
    while (low < high) {
      const middle = (low + high) >> 1
      const span = spans[middle]
      if (span && holds(span)) high = middle
      else low = middle + 1
    }
    return low
  }

  const at = (moment: number): number => {
    const index = first((span) => span.end >= moment)
    const span = spans[index]
    if (!span) return width + PLEAT
    if (moment >= span.start) return span.left + ((moment - span.start) / 60_000) * perMinute
    const before = spans[index - 1]
    if (!before) return span.left
    return before.right + ((moment - before.end) / (span.start - before.end)) * PLEAT
  }
  const moment = (x: number): number => {
    const span = spans[first((one) => one.right >= x)] ?? spans.at(-1)
    if (!span) return 0
    const share = Math.min(span.right, Math.max(span.left, x)) - span.left
    return span.start + (share / perMinute) * 60_000
  }
  return { spans, width, perMinute, at, moment }
}

/** The sittings in view between two places, at least one: the first and how many. */
export function inView(time: Fold, left: number, right: number): { first: number; shown: number } {
  const found = time.spans.flatMap((span, index) =>
    span.right > left + 8 && span.left < right - 8 ? [index] : [],
  )
  return { first: found[0] ?? 0, shown: Math.max(1, found.length) }
}
