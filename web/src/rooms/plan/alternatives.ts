import { computed, ref, shallowRef, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { hours } from '../../words'

export type Change = Schemas['ChangesIn']['command']
export interface Offer {
  words: string
  command: Change
}
type Plan = Schemas['AlternativePlan']

/** A plan beside the plan: tried, kept by name, taken or left. */
export function useAlternatives() {
  const muster = useMuster()
  const tried = shallowRef<(Plan & { offer: Offer }) | null>(null)
  const trying = ref<string | null>(null)
  const kept = ref<Schemas['AlternativeOut'][]>([])
  /** The one that was let go last, so that it can be put back. */
  const gone = shallowRef<Offer | null>(null)
  const id = computed(() => muster.view?.id)
  const path = () => ({ params: { path: { muster_id: id.value ?? 0 } } })

  watch(
    id,
    async (now) => {
      kept.value = []
      tried.value = null
      if (now === undefined) return
      kept.value = await told(
        client.GET('/api/musters/{muster_id}/plan/alternatives', path()),
      ).catch(() => [])
    },
    { immediate: true },
  )
  // What was tried beside another state of the muster says nothing of this one.
  watch(
    () => [muster.view?.version, muster.view?.progress.made_for],
    () => (tried.value = null),
  )

  async function look(offer: Offer) {
    trying.value = offer.words
    const body = { command: offer.command }
    const found = await muster.attempt(() =>
      told(client.POST('/api/musters/{muster_id}/plan/try', { ...path(), body })),
    )
    trying.value = null
    if (found) tried.value = { ...found, offer }
  }

  async function take(offer: Offer) {
    if (await muster.command(offer.command as never)) tried.value = null
  }

  async function keep(offer: Offer) {
    const body = { name: offer.words.slice(0, 120), command: offer.command }
    const next = await muster.attempt(() =>
      told(client.POST('/api/musters/{muster_id}/plan/alternatives', { ...path(), body })),
    )
    if (next) kept.value = next
  }

  async function letGo(alternative: number) {
    const params = { path: { muster_id: id.value ?? 0, alternative_id: alternative } }
    const done = await muster.attempt(async () => {
      await told(
        client.DELETE('/api/musters/{muster_id}/plan/alternatives/{alternative_id}', { params }),
      )
      return true
    })
    if (!done) return
    const one = kept.value.find((each) => each.id === alternative)
    gone.value = one ? { words: one.name, command: one.command } : null
    kept.value = kept.value.filter((each) => each.id !== alternative)
  }

  async function putBack() {
    const offer = gone.value
    gone.value = null
    if (offer) await keep(offer)
  }

  return {
    tried,
    trying,
    kept,
    gone,
    look,
    take,
    keep,
    letGo,
    putBack,
    leave: () => (tried.value = null),
  }
}

const more = (n: number, one: string, many: string) =>
  `${Math.abs(n)} ${n > 0 ? 'more' : 'fewer'} ${Math.abs(n) === 1 ? one : many}`

/** What tells another plan from this one, in a few phrases; nothing where they are alike. */
export function difference(
  tried: Plan,
  now: { head: Schemas['Head']; board: Schemas['Board'] },
  day: (iso: string) => string,
): { words: string; warn: boolean }[] {
  const said: { words: string; warn: boolean }[] = []
  const say = (words: string, warn = false) => said.push({ words, warn })
  const { left_models: left, late_models: late } = tried.head
  if (left || now.head.left_models) say(left ? `${left} models left` : 'nothing left', left > 0)
  if (late || now.head.late_models) say(late ? `${late} models late` : 'all in time', late > 0)
  const work = Math.round((tried.board.hands_on_s - now.board.hands_on_s) / 60)
  if (work) say(`${hours(Math.abs(work) * 60)} ${work > 0 ? 'more' : 'less'} at the bench`)
  const openings = tried.openings - tried.openings_now
  if (openings) say(more(openings, 'set-up', 'set-ups'))
  const [then, before] = [day(tried.board.finish), day(now.board.finish)]
  if (tried.board.pieces.length && then !== before) say(`done ${then}, not ${before}`)
  const free = tried.head.sittings_in_hand - now.head.sittings_in_hand
  if (free) say(more(free, 'sitting in hand', 'sittings in hand'))
  return said
}
