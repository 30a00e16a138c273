import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'

export type Pass = Schemas['Pass']
type Recipe = Schemas['RecipeOut']['recipe']

export type Subject = Schemas['Subject']

interface State {
  name: string
  subject: Subject
  passes: Pass[]
}

/** A draft that was left before it was kept. */
export interface Held {
  state: State
  steps: State[]
}

const copyOf = <T>(value: T) => JSON.parse(JSON.stringify(value)) as T

/** What a recipe is for; of a new one, hard plastic that is played with. */
export function subjectOf(recipe: Recipe | null): Subject {
  return {
    material: recipe?.material ?? 'polystyrene',
    materials: recipe?.materials ?? [],
    use: recipe?.use ?? 'played',
    fragile: recipe?.fragile ?? [],
    scale: recipe?.scale ?? 72,
  }
}

/** A recipe under the pen: what is changed, and every step of it, to be taken back. */
export function useDraft() {
  const kept = ref<Recipe | null>(null)
  const name = ref('')
  const subject = ref<Subject>(subjectOf(null))
  const passes = ref<Pass[]>([])
  const steps = ref<State[]>([])

  const now = (): State =>
    copyOf({ name: name.value, subject: subject.value, passes: passes.value })

  function set(state: State) {
    name.value = state.name
    subject.value = copyOf(state.subject)
    passes.value = copyOf(state.passes)
  }

  function take(recipe: Recipe | null) {
    kept.value = recipe
    steps.value = []
    set({
      name: recipe?.name ?? '',
      subject: subjectOf(recipe),
      passes: recipe?.passes ?? [],
    })
  }

  /** What is changed and not kept, with the way back; none where nothing is changed. */
  const held = (): Held | null =>
    changed.value ? copyOf({ state: now(), steps: steps.value }) : null

  /** Go on where one left off. */
  function resume(found: Held) {
    set(found.state)
    steps.value = copyOf(found.steps)
  }

  /** As it is kept; what was changed can be taken back. */
  function drop() {
    const recipe = kept.value
    if (!recipe) return
    change(() =>
      set({ name: recipe.name, subject: subjectOf(recipe), passes: copyOf(recipe.passes) }),
    )
  }

  /** Change the draft so that it can be taken back. */
  function change(act: () => void) {
    const before = now()
    act()
    if (JSON.stringify(before) !== JSON.stringify(now())) steps.value.push(before)
  }

  function back() {
    const last = steps.value.pop()
    if (last) set(last)
  }

  const at = (key: string | null) => passes.value.findIndex((one) => one.key === key)

  /** Passes with keys that no other has, over the pass `on` (none: on top of all); their keys. */
  function put(found: Pass[], on: string | null = null): string[] {
    const keys: string[] = []
    change(() => {
      let place = at(on) < 0 ? passes.value.length : at(on) + 1
      for (const one of found) {
        const taken = new Set(passes.value.map((pass) => pass.key))
        let key = one.key
        for (let n = 2; taken.has(key); n += 1) key = `${one.key.slice(0, 21)}-${n}`
        passes.value.splice(place++, 0, { ...one, key })
        keys.push(key)
      }
    })
    return keys
  }

  /** Move a pass by so many places, as far as there are any. */
  function move(key: string, by: number) {
    change(() => {
      const from = at(key)
      const to = Math.min(passes.value.length - 1, Math.max(0, from + by))
      const [one] = from < 0 ? [] : passes.value.splice(from, 1)
      if (one) passes.value.splice(to, 0, one)
    })
  }

  /** Lay a pass right over another; over none: at the bottom. */
  function layOver(key: string, on: string | null) {
    if (key === on) return
    change(() => {
      const [one] = at(key) < 0 ? [] : passes.value.splice(at(key), 1)
      if (one) passes.value.splice(at(on) + 1, 0, one)
    })
  }

  function takeOut(key: string) {
    change(() => (passes.value = passes.value.filter((one) => one.key !== key)))
  }

  function edit(pass: Pass) {
    change(() => (passes.value = passes.value.map((one) => (one.key === pass.key ? pass : one))))
  }

  /** One step thicker or thinner, by the property that does it. */
  function thicken(key: string, what: 'coats' | 'thick', by: number) {
    const one = passes.value[at(key)]
    if (!one) return
    const most = what === 'coats' ? 9 : 20
    edit({ ...one, [what]: Math.min(most, Math.max(1, (one[what] ?? 1) + by)) })
  }

  /** Whether a pass is done to a zone, turned: among those named, else among those left out. */
  function turnZone(key: string, zone: string) {
    const one = passes.value[at(key)]
    if (!one) return
    const turned = (names: string[] = []) =>
      names.includes(zone) ? names.filter((name) => name !== zone) : [...names, zone]
    edit(one.zones?.length ? { ...one, zones: turned(one.zones) } : { ...one, all_but: turned(one.all_but) }) // prettier-ignore
  }

  const changed = computed(
    () =>
      kept.value !== null &&
      (name.value !== kept.value.name ||
        JSON.stringify(subject.value) !== JSON.stringify(subjectOf(kept.value)) ||
        JSON.stringify(passes.value) !== JSON.stringify(kept.value.passes)),
  )
  return {
    kept, name, subject, passes, steps, changed, take, held, resume, drop, change, back, put, move, layOver, takeOut,
    edit, thicken, turnZone,
  } // prettier-ignore
}

export type Draft = ReturnType<typeof useDraft>
