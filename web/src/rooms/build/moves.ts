import type { Schemas } from '../../api/client'
import type { Change, Way } from './build'

type Mouth = Schemas['Mouth']

/** A joint closed before another pass: before the first it is fixed, later it is left apart. */
export function placed(
  unit: string,
  mouth: Mouth,
  columns: Schemas['Column'][],
  to: number,
): Change {
  const column = Math.min(columns.length, Math.max(0, to))
  const before = columns[column]?.key ?? 'end'
  const fixed = mouth.way === 'fix' || mouth.way === 'mask'
  const way = column === 0 ? (fixed ? mouth.way : 'fix') : fixed ? 'apart' : mouth.way
  return { do: 'set_joint', unit, joint: mouth.joint, way, before }
}

/** The streams with one joint moved, before the server has said what comes of it: order alone. */
export function shifted(
  view: Schemas['BuildView'],
  joint: string,
  way: Way,
  before: string | null | undefined,
): Schemas['BuildView'] {
  const at = view.columns.findIndex((one) => one.key === before)
  const column = before === 'end' ? view.columns.length : at
  if (column < 0) return view
  return {
    ...view,
    mouths: view.mouths.map((one) =>
      one.joint === joint ? { ...one, way, column, trouble: '' } : one,
    ),
    streams: view.streams.map((one) => (one.joint === joint ? { ...one, joins: column } : one)),
  }
}

/** Where a joint lies, in words. */
export function place(columns: Schemas['Column'][], column: number): string {
  if (column === 0) return 'before any paint'
  const next = columns[column]
  return next ? `before '${next.name}'` : 'last of all'
}
