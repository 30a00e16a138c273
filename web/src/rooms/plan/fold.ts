/** Folded time: sittings at true minutes, each gap between them one pleat. */

export interface Span {
  start: number
  end: number
}

export interface Fold {
  spans: (Span & { left: number; right: number; nights: number })[]
  width: number
  perMinute: number
  at: (moment: number) => number
}

const PLEAT = 20

/** Lay sittings out over `width` pixels. A moment between two sittings lies within their pleat. */
export function fold(sittings: Span[], width: number): Fold {
  const minutes = sittings.reduce((sum, one) => sum + (one.end - one.start) / 60_000, 0)
  const free = width - PLEAT * Math.max(0, sittings.length - 1)
  const perMinute = minutes ? free / minutes : 1
  let left = 0
  const spans = sittings.map((one, index) => {
    const right = left + ((one.end - one.start) / 60_000) * perMinute
    const next = sittings[index + 1]
    const nights = next ? Math.round((next.start - one.end) / 86_400_000 + 0.3) : 0
    const laid = { ...one, left, right, nights: Math.max(1, nights) }
    left = right + PLEAT
    return laid
  })
  const at = (moment: number): number => {
    for (const [index, span] of spans.entries()) {
      if (moment < span.start) {
        const before = spans[index - 1]
        if (!before) return span.left
        const share = (moment - before.end) / (span.start - before.end)
        return before.right + share * PLEAT
      }
      if (moment <= span.end) return span.left + ((moment - span.start) / 60_000) * perMinute
    }
    return (spans.at(-1)?.right ?? 0) + PLEAT
  }
  return { spans, width, perMinute, at }
}

/** How many sittings from `first` on fit, so that a minute is at least `least` pixels wide. */
export function howMany(sittings: Span[], first: number, width: number, least: number): number {
  let used = 0
  let many = 0
  for (const one of sittings.slice(first)) {
    used += ((one.end - one.start) / 60_000) * least + PLEAT
    if (many && used > width) break
    many += 1
  }
  return Math.max(1, many)
}
