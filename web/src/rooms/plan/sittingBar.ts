/** How the boxes of the sittings to come lie in their bar. */

export const WIDEST = 22
export const ROOM = 17 * WIDEST
/** So many boxes stand after the last used one where no parade day ends them. */
export const AHEAD = 3
export const FLAG = 14

interface Sitting {
  used_s: number
  after_parade: boolean
}

export interface Laid {
  /** How many boxes are drawn. */
  many: number
  step: number
  /** One box in so many carries its day. */
  labelled: number
  /** Where the parade day's flag stands. */
  flag: number
  at: (index: number) => number
}

/** All up to the parade day and every one that is used, at least those in view. */
export function layOut(sittings: Sitting[], inView: number, parade: boolean): Laid {
  const before = sittings.filter((one) => !one.after_parade).length
  const used = sittings.reduce((last, one, index) => (one.used_s ? index + 1 : last), 0)
  const wanted = parade ? Math.max(used, before) : used + AHEAD
  const many = Math.min(sittings.length, Math.max(wanted, inView))
  const step = Math.min(WIDEST, ROOM / Math.max(1, many))
  return {
    many,
    step,
    labelled: Math.ceil(20 / step),
    flag: Math.min(before, many) * step,
    at: (index) => index * step + (parade && index >= before ? FLAG : 0),
  }
}
