import { client, told, type Schemas, type View } from '../api/client'

type Parts = Schemas['ViewParts']
type Ask = (id: number, have: string) => Promise<Parts>

const ask: Ask = (id, have) =>
  told(
    client.GET('/api/musters/{muster_id}/parts', {
      params: { path: { muster_id: id }, query: { have } },
    }),
  )

/** The view from its parts; `board.calls.3` holds some of the cards. */
export function composed(parts: Parts['parts']): View {
  const view: Record<string, unknown> = {}
  const board: Record<string, unknown> = {}
  const calls: unknown[] = []
  for (const [name, value] of Object.entries(parts)) {
    if (name.startsWith('board.calls.')) calls.push(...(value as unknown[]))
    else if (name.startsWith('board.')) board[name.slice('board.'.length)] = value
    else view[name] = value
  }
  return { ...view, board: { ...board, calls } } as View
}

/** Reads a muster's view, of which only what has changed is sent. */
export function viewReader(read: Ask = ask) {
  let held: { id: number; digests: string; parts: Parts['parts']; view: View } | null = null

  return async function view(id: number): Promise<View> {
    const before = held?.id === id ? held : null
    const { parts, digests } = await read(id, before?.digests ?? '')
    const all = { ...before?.parts, ...parts }
    const next = composed(all)
    // A board that has not changed stays the one it was: nothing of it is drawn anew.
    if (before && !Object.keys(parts).some((name) => name.startsWith('board.')))
      next.board = before.view.board
    held = { id, digests, parts: all, view: next }
    return next
  }
}
