import { ref } from 'vue'

/** What is being typed to be found; null: nothing is. */
export const finding = ref<string | null>(null)

export function beginFinding(word = '') {
  finding.value = word
}

export interface Found {
  /** Unit, recipe, paint, call, room or act. */
  kind: string
  name: string
  more: string
  go: () => void
}

/** All small letters, without accents. */
const plain = (text: string) => text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '')

/**
 * How well what is typed names something: each word begins a word of the name, in any order. None
 * where one does not; a name that begins so is best, then one of which more is typed.
 */
export function rank(typed: string, name: string, more: string): number {
  const words = plain(typed).split(/\s+/).filter(Boolean)
  if (!words.length) return 0
  const said = plain(name)
  const all = `${said} ${plain(more)}`.split(/[^\p{L}\p{N}]+/u)
  if (!words.every((word) => all.some((one) => one.startsWith(word)))) return 0
  const own = words.filter((word) => said.split(/[^\p{L}\p{N}]+/u).some((one) => one.startsWith(word)))
  const begins = said.startsWith(words.join(' ')) ? 2 : 0
  return 1 + begins + own.length / words.length + words.join('').length / (10 * said.length + 10)
} // prettier-ignore

/** The best of each kind in turn, so that one kind never hides the others. */
export function best(typed: string, all: Found[], most: number, ofKind: number): Found[] {
  const ranked = all
    .map((one) => ({ one, by: rank(typed, one.name, `${one.more} ${one.kind}`) }))
    .filter((row) => row.by > 0)
    .sort((a, b) => b.by - a.by)
  const counted = new Map<string, number>()
  return ranked
    .filter(({ one }) => {
      const many = (counted.get(one.kind) ?? 0) + 1
      counted.set(one.kind, many)
      return many <= ofKind
    })
    .slice(0, most)
    .map((row) => row.one)
}
