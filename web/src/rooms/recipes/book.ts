import { computed, onUnmounted, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { useDraft, type Held } from './draft'

type Recipe = Schemas['RecipeOut']
export type Kind = Schemas['NewRecipeIn']['kind']

/** Drafts that were left before they were kept, by recipe and version: nothing is lost by looking at
 *  another recipe, or by going to another room. */
const left = new Map<string, Held>()

/** The user's recipes and the one under the pen: chosen, begun, kept, copied, put away. */
export function useBook() {
  const muster = useMuster()
  const list = ref<Recipe[] | null>(null)
  const code = ref<string | null>(null)
  const trials = ref<Schemas['TrialOut'][]>([])
  /** A recipe that was begun and is not kept yet. */
  const begun = ref<{ kind: Kind } | null>(null)
  /** Which units follow is asked before a recipe in use is kept. */
  const asking = ref(false)
  const follow = ref<string[]>([])
  const draft = useDraft()

  const chosen = computed(() => list.value?.find((one) => one.recipe.id === code.value) ?? null)
  const kind = computed(() => begun.value?.kind ?? chosen.value?.recipe.kind ?? null)
  /** Why it cannot be kept; null: it can. */
  const why = computed(() => {
    if (begun.value && !draft.passes.value.length) return 'it has no pass yet: type one below'
    return begun.value || draft.changed.value ? null : 'nothing is changed yet'
  })

  async function load(first: string | null) {
    await reload()
    const one =
      list.value?.find((each) => each.recipe.id === first) ??
      list.value?.find((each) => each.used_by.length) ??
      list.value?.[0]
    if (one) await choose(one.recipe.id)
  }

  async function reload() {
    const found = await muster.attempt(() => told(client.GET('/api/recipes')))
    if (found) list.value = found
  }

  const called = (one: Recipe | null | undefined) =>
    one ? `${one.recipe.id}@${one.recipe.version}` : ''

  function leave() {
    const found = draft.held()
    if (found) left.set(called(chosen.value), found)
    else left.delete(called(chosen.value))
  }
  onUnmounted(leave)

  async function choose(id: string) {
    leave()
    await open(id)
  }

  async function open(id: string) {
    code.value = id
    begun.value = null
    asking.value = false
    const next = list.value?.find((one) => one.recipe.id === id)
    draft.take(next?.recipe ?? null)
    const held = left.get(called(next))
    if (held) draft.resume(held)
    trials.value = []
    const asked = client.GET('/api/recipes/{code}/trials', { params: { path: { code: id } } })
    const found = await told(asked).catch(() => [])
    if (code.value === id) trials.value = found
  }

  /** An empty recipe under the pen; it is kept once it has a pass. */
  function begin(name: string, forKind: Kind) {
    leave()
    code.value = null
    trials.value = []
    draft.take(null)
    draft.name.value = name
    begun.value = { kind: forKind }
  }

  async function took(act: () => Promise<Recipe[]>): Promise<Recipe[] | null> {
    const found = await muster.attempt(act)
    if (found) list.value = found
    return found
  }

  async function keepNew(forKind: Kind) {
    const body = {
      name: draft.name.value,
      kind: forKind,
      passes: draft.passes.value,
      subject: draft.subject.value,
    }
    const found = await took(() => told(client.POST('/api/recipes', { body })))
    if (found) await choose(found.at(-1)?.recipe.id ?? '')
  }

  async function keep() {
    if (begun.value) return keepNew(begun.value.kind)
    const now = chosen.value
    if (!now) return
    if (now.used_by.length && !asking.value) {
      asking.value = true
      follow.value = now.used_by.map((one) => `${one.muster}:${one.unit}`)
      return
    }
    const body = {
      name: draft.name.value,
      seen: now.recipe.version,
      passes: draft.passes.value,
      subject: draft.subject.value,
      follow: follow.value,
    }
    const path = { code: now.recipe.id }
    if (!(await took(() => told(client.POST('/api/recipes/{code}', { params: { path }, body })))))
      return
    left.delete(called(now))
    await open(now.recipe.id)
    if (muster.view) await muster.load(muster.view.id)
  }

  async function putAway(id: string, away: boolean) {
    const params = { path: { code: id } }
    const found = await took(() =>
      told(client.POST('/api/recipes/{code}/away', { params, body: { away } })),
    )
    if (!found) return
    const next = found.find((one) => (away ? !one.put_away : one.recipe.id === id))
    if (next) await choose(next.recipe.id)
  }

  async function copy() {
    const params = { path: { code: code.value ?? '' } }
    const found = await took(() => told(client.POST('/api/recipes/{code}/copy', { params })))
    if (found) await choose(found.at(-1)?.recipe.id ?? '')
  }

  async function taken(id: string) {
    await reload()
    await choose(id)
  }

  /** What a repair makes of the draft. */
  function mend(way: Schemas['PricedRepair']) {
    const known = new Map([...draft.passes.value, ...way.changed].map((one) => [one.key, one]))
    draft.change(() => {
      draft.passes.value = way.order.flatMap((key) => known.get(key) ?? [])
      draft.subject.value = way.subject
    })
  }

  return {
    list, code, trials, begun, asking, follow, draft, chosen, kind, why, load, choose, begin, keep,
    putAway, copy, taken, mend,
  } // prettier-ignore
}

export type Book = ReturnType<typeof useBook>
