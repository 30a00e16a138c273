import { ref, type Ref } from 'vue'
import { useMuster } from './muster'

export type Form = {
  body: { file: string }
  bodySerializer: () => FormData
}

/** A file that is shown before it is taken in: chosen, looked at by the server, taken or left. */
export function useUpload<Preview, Taken>(
  look: (form: Form) => Promise<Preview>,
  take: (form: Form) => Promise<Taken>,
) {
  const muster = useMuster()
  const file = ref<File | null>(null)
  const preview = ref(null) as Ref<Preview | null>

  function form(): Form {
    const data = new FormData()
    if (file.value) data.append('file', file.value)
    return { body: { file: '' }, bodySerializer: () => data }
  }

  async function choose(event: Event) {
    const field = event.target as HTMLInputElement
    file.value = field.files?.[0] ?? null
    // Else the same file, mended, could not be chosen again.
    field.value = ''
    leave()
    if (file.value) preview.value = await muster.attempt(() => look(form()))
  }

  async function taken(): Promise<Taken | null> {
    const done = await muster.attempt(() => take(form()))
    if (done) leave()
    return done
  }

  function leave() {
    preview.value = null
  }

  return { preview, choose, taken, leave }
}
