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

  /** Passes with keys that no other has. */
  function put(found: Pass[]) {
    change(() => {
      for (const one of found) {
        const taken = new Set(passes.value.map((pass) => pass.key))
        let key = one.key
        for (let n = 2; taken.has(key); n += 1) key = `${one.key.slice(0, 21)}-${n}`
        passes.value.push({ ...one, key })
      }
    })
  }

  function move(index: number, by: number) {
    change(() => {
      const [one] = passes.value.splice(index, 1)
      if (one) passes.value.splice(index + by, 0, one)
    })
  }

  const changed = computed(
    () =>
      kept.value !== null &&
      (name.value !== kept.value.name ||
        JSON.stringify(subject.value) !== JSON.stringify(subjectOf(kept.value)) ||
        JSON.stringify(passes.value) !== JSON.stringify(kept.value.passes)),
  )
  return { kept, name, subject, passes, steps, changed, take, change, back, put, move }
}

/** Whether a pass touches a zone; one that names none touches all, places lie in every zone. */
export function touches(pass: Pass, zone: string): boolean {
  const zones = (pass.zones ?? []).filter((one) => one !== 'recesses' && one !== 'edges')
  return !zones.length || zones.includes(zone)
}
