<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import Patch from '../../parts/Patch.vue'
import { useVocabulary } from '../../vocabulary'

/** A colour from a photograph with something grey or white in it; and the targets that are kept. */
const emit = defineEmits<{ choose: [colour: string] }>()
type Place = [number, number]
const muster = useMuster()
const known = useVocabulary()
const picture = ref<Schemas['PictureOut'] | null>(null)
const greys = ref<Place[]>([])
const place = ref<Place | null>(null)
const cross = ref<Place>([0.5, 0.5])
const presses = ref<'grey' | 'place'>('grey')
const reference = ref('white')
const seen = ref<Schemas['SeenOut'] | null>(null)
const wrong = ref('')
const name = ref('')
const unit = ref('')
const kept = ref<Schemas['TargetOut'][]>([])
const away = ref<Schemas['TargetOut'] | null>(null)
const loading = ref(false)

onMounted(async () => {
  kept.value = await told(client.GET('/api/targets')).catch(() => [])
})

async function choose(event: Event) {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (!file) return
  const data = new FormData()
  data.append('file', file)
  loading.value = true
  const taken = await muster.attempt(() =>
    told(client.POST('/api/pictures', { body: { file: '' }, bodySerializer: () => data })),
  )
  loading.value = false
  if (taken) show(taken)
}

function show(one: Schemas['PictureOut']) {
  picture.value = one
  greys.value = []
  place.value = null
  seen.value = null
  wrong.value = ''
  presses.value = 'grey'
}

/** Where the loupe looks: under the pointer, else where the cross stands. */
const looked = ref<Place | null>(null)
const LOUPE = 132
const TIMES = 6
const loupe = computed(() => {
  const one = picture.value
  const at = looked.value ?? cross.value
  if (!one) return {}
  const [wide, high] = [one.width * TIMES, one.height * TIMES]
  return {
    backgroundImage: `url(/api/pictures/${one.id})`,
    backgroundSize: `${wide}px ${high}px`,
    backgroundPosition: `${LOUPE / 2 - at[0] * wide}px ${LOUPE / 2 - at[1] * high}px`,
  }
})

function over(event: PointerEvent) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  looked.value = [
    held((event.clientX - box.left) / box.width),
    held((event.clientY - box.top) / box.height),
  ]
}

function press(event: MouseEvent) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  set([(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height])
}

const held = (value: number) => Math.min(1, Math.max(0, value))

/** The arrows move a cross over the picture, Enter presses where it stands. */
function key(event: KeyboardEvent) {
  const by = event.shiftKey ? 0.05 : 0.01
  const step: Record<string, Place> = {
    ArrowLeft: [-by, 0],
    ArrowRight: [by, 0],
    ArrowUp: [0, -by],
    ArrowDown: [0, by],
  }
  const moved = step[event.key]
  if (moved) cross.value = [held(cross.value[0] + moved[0]), held(cross.value[1] + moved[1])]
  else if (event.key === 'Enter' || event.key === ' ') set(cross.value)
  else return
  event.preventDefault()
}

function set(at: Place) {
  cross.value = [held(at[0]), held(at[1])]
  if (presses.value === 'grey') {
    greys.value = greys.value.length < 4 ? [...greys.value, cross.value] : [cross.value]
    if (greys.value.length === 1 && !place.value) presses.value = 'place'
  } else place.value = cross.value
  void judge()
}

async function judge() {
  if (!picture.value || !greys.value.length || !place.value) return
  const body = { greys: greys.value, place: place.value, reference: reference.value }
  const params = { path: { picture_id: picture.value.id } }
  seen.value = null
  wrong.value = ''
  try {
    seen.value = await told(client.POST('/api/pictures/{picture_id}/colour', { params, body }))
    emit('choose', seen.value.colour)
  } catch (error) {
    wrong.value = error instanceof Error ? error.message : String(error)
  }
}

async function keep() {
  if (!seen.value || !picture.value) return
  const body = {
    name: name.value, colour: seen.value.colour, unit: unit.value, picture: picture.value.id,
  } // prettier-ignore
  const next = await muster.attempt(() => told(client.POST('/api/targets', { body })))
  if (!next) return
  kept.value = next
  name.value = ''
}

async function gone(one: Schemas['TargetOut'], back: boolean) {
  const params = { path: { target_id: one.id }, query: { back } }
  const next = await muster.attempt(() =>
    told(client.POST('/api/targets/{target_id}/gone', { params })),
  )
  if (!next) return
  kept.value = next
  away.value = back ? null : one
}

const units = computed(() => (muster.view?.roll ?? []).map((row) => row.unit.name))
const marks = computed(() => [
  ...greys.value.map((at, n) => ({ at, words: `grey ${n + 1}` })),
  ...(place.value ? [{ at: place.value, words: 'place' }] : []),
])
const percent = (value: number) => `${(value * 100).toFixed(1)}%`
</script>

<template>
  <details class="mt-4 border-t border-rule pt-2">
    <summary class="min-h-11 cursor-pointer content-center">
      A colour from a photograph or a model{{ kept.length ? `, and ${kept.length} kept` : '' }}
    </summary>
    <ul v-if="kept.length" aria-label="Kept targets">
      <li
        v-for="one in kept"
        :key="one.id"
        class="flex min-h-11 flex-wrap items-center gap-3 border-b border-rule"
      >
        <img
          v-if="one.picture"
          :src="`/api/pictures/${one.picture}`"
          alt=""
          class="h-10 w-14 object-cover"
          loading="lazy"
        />
        <Patch :colour="one.colour" />
        <b>{{ one.name }}</b>
        <span class="fig text-14 text-soft">{{ one.unit }} {{ one.colour }}</span>
        <button class="link" @click="emit('choose', one.colour)">Match it</button>
        <button class="link" :aria-label="`Put ${one.name} away`" @click="gone(one, false)">
          Put away
        </button>
      </li>
    </ul>
    <p v-if="away" class="text-14" role="status">
      {{ away.name }} put away.
      <button class="link" @click="gone(away, true)">Bring it back</button>
    </p>
    <div class="my-2 flex flex-wrap items-end gap-3">
      <label class="btn cursor-pointer focus-within:outline-2"
        >Choose a picture<input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          class="sr-only"
          @change="choose"
      /></label>
      <span v-if="loading" role="status">Taking it in …</span>
      <span class="max-w-[60ch] text-14 text-soft"
        >With white paper or a grey card beside the model, in the same light. It is kept without
        place, date and camera.</span
      >
    </div>
    <template v-if="picture">
      <div class="my-2 flex flex-wrap items-end gap-3">
        <fieldset class="flex gap-4">
          <legend class="text-14">A press marks</legend>
          <label class="flex min-h-11 items-center gap-2"
            ><input v-model="presses" type="radio" value="grey" class="size-5 accent-ink" /> what is
            {{ reference }}</label
          >
          <label class="flex min-h-11 items-center gap-2"
            ><input v-model="presses" type="radio" value="place" class="size-5 accent-ink" /> the
            place</label
          >
        </fieldset>
        <label class="grid gap-1 text-14"
          >Beside it lies something
          <select v-model="reference" class="field" @change="judge">
            <option v-for="one in known.references" :key="one">{{ one }}</option>
          </select></label
        >
        <button v-if="greys.length" class="link" @click="((greys = []), (presses = 'grey'))">
          Press the {{ reference }} anew
        </button>
      </div>
      <div
        class="relative inline-block max-w-full cursor-crosshair"
        role="application"
        tabindex="0"
        aria-label="The picture: arrows move the cross, Enter presses"
        @click="press"
        @pointermove="over"
        @pointerleave="looked = null"
        @keydown="((looked = null), key($event))"
      >
        <img
          :src="`/api/pictures/${picture.id}`"
          :width="picture.width"
          :height="picture.height"
          alt="The photograph"
          class="block h-auto max-h-[60vh] w-auto max-w-full"
        />
        <svg class="pointer-events-none absolute inset-0 size-full" aria-hidden="true">
          <g v-for="one in marks" :key="one.words">
            <circle
              :cx="percent(one.at[0])"
              :cy="percent(one.at[1])"
              r="9"
              fill="none"
              stroke="#fff"
              stroke-width="4"
            />
            <circle
              :cx="percent(one.at[0])"
              :cy="percent(one.at[1])"
              r="9"
              fill="none"
              stroke="#111"
              stroke-width="2"
              :stroke-dasharray="one.words === 'place' ? undefined : '4 3'"
            />
          </g>
          <circle :cx="percent(cross[0])" :cy="percent(cross[1])" r="2.5" fill="#fff" />
          <circle :cx="percent(cross[0])" :cy="percent(cross[1])" r="1.5" fill="#111" />
        </svg>
        <div
          class="pointer-events-none absolute top-2 border border-key bg-paper bg-no-repeat"
          :class="(looked ?? cross)[0] < 0.5 ? 'right-2' : 'left-2'"
          :style="{ width: `${LOUPE}px`, height: `${LOUPE}px`, ...loupe }"
          aria-hidden="true"
          data-loupe
        >
          <svg :width="LOUPE" :height="LOUPE">
            <circle
              :cx="LOUPE / 2"
              :cy="LOUPE / 2"
              r="9"
              fill="none"
              stroke="#fff"
              stroke-width="3"
            />
            <circle :cx="LOUPE / 2" :cy="LOUPE / 2" r="9" fill="none" stroke="#111" />
          </svg>
        </div>
      </div>
      <p v-if="!greys.length" class="text-soft">Press what is {{ reference }}, then the place.</p>
      <p v-if="wrong" role="alert"><span class="warn">Not judged</span>: {{ wrong }}</p>
      <div v-if="seen" class="mt-2" role="status">
        <p class="fig flex items-center gap-3">
          <Patch :colour="seen.colour" :width="88" /> {{ seen.colour }}, the light taken out
        </p>
        <p v-for="one in seen.warnings" :key="one" class="text-14">
          <span class="warn">Beware</span>: {{ one }}.
        </p>
        <form class="flex flex-wrap items-end gap-3" @submit.prevent="keep">
          <label class="grid gap-1 text-14"
            >Keep it as
            <input
              v-model="name"
              class="field w-48"
              required
              maxlength="60"
              placeholder="Last year's hull"
          /></label>
          <label class="grid gap-1 text-14"
            >of
            <select v-model="unit" class="field">
              <option value="">no unit</option>
              <option v-for="one in units" :key="one">{{ one }}</option>
            </select></label
          >
          <button class="btn">Keep</button>
        </form>
      </div>
    </template>
  </details>
</template>
