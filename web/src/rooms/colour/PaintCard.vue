<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import { useHouse } from '../../house'
import Patch from '../../parts/Patch.vue'
import { useShelf, type Paint } from '../../shelf'
import { useVocabulary } from '../../vocabulary'
import { count } from '../../words'

/** A paint: its label, what is left, what its swatches showed. */
const props = defineProps<{ one: Paint }>()
const emit = defineEmits<{ target: [colour: string] }>()
const shelf = useShelf()
const house = useHouse()
const known = useVocabulary()
const KINDS: Schemas['ReadIn']['kind'][] = ['masstone', 'tint', 'over black', 'over white']
const kind = ref<Schemas['ReadIn']['kind']>('masstone')
const times = ref(3)
const grams = ref('')
const typed = ref('')
const wet = ref(false)

const twins = computed(() =>
  (shelf.paints ?? []).filter((other) => props.one.twins.includes(other.id)),
)

function set(key: string, value: unknown) {
  void shelf.change(props.one.id, { ...props.one.paint, [key]: value })
}

async function read() {
  const colour = /^#[0-9a-f]{6}$/.test(typed.value.toLowerCase()) ? typed.value.toLowerCase() : null
  const body = {
    kind: kind.value, colour, wet: wet.value, share: 0.2, coats: 1, times: times.value,
  } // prettier-ignore
  if (await shelf.read(props.one.id, body)) typed.value = ''
}

const value = (event: Event) => (event.target as HTMLInputElement).value
const number = (event: Event) => (value(event) === '' ? null : Number(value(event)))
</script>

<template>
  <section class="mb-4 border-y border-rule py-3" :aria-label="one.paint.name">
    <div class="flex flex-wrap items-center gap-4">
      <div class="flex">
        <Patch :colour="one.paint.colour" :width="60" :height="40" /><Patch
          :colour="one.dry"
          :width="60"
          :height="40"
        />
      </div>
      <div class="min-w-56 flex-1">
        <h2>{{ one.called }}</h2>
        <p class="fig text-14 text-soft">
          {{ [one.paint.range, one.paint.code].filter(Boolean).join(' ') }} label
          {{ one.paint.colour }}, dry {{ one.dry }}, {{ known.paint_kinds[one.kind]
          }}<template v-if="!one.clear"
            >; covers black in
            {{
              one.covers_black === null ? 'no number of coats' : count(one.covers_black, 'coat')
            }}; one coat hides {{ one.hides }} %, 98 is hidden strictly</template
          ><template v-if="one.covers_cm2">; what is left covers {{ one.covers_cm2 }} cm²</template>
        </p>
      </div>
      <button v-if="!one.clear" class="btn" @click="emit('target', one.dry)">Match this</button>
      <button class="btn" @click="shelf.takeOff(one)">Take off the shelf</button>
    </div>
    <p v-for="twin in twins" :key="twin.id" class="text-14">
      <span class="warn">Twice</span>: {{ twin.paint.name }} {{ twin.paint.range }}
      {{ twin.paint.code }} stands on the shelf too{{
        twin.called === one.called ? ', another pot of this paint' : ', another paint'
      }}.
    </p>
    <p v-if="one.sounds_like" class="text-14" role="status">
      By its name it may be <b>{{ known.paint_kinds[one.sounds_like] }}</b>.
      <button class="link" @click="set('kind', one.sounds_like)">It is</button>
      <button class="link" @click="set('kind', one.kind)">
        No, it is {{ known.paint_kinds[one.kind] }}
      </button>
    </p>
    <div class="mt-2 grid grid-cols-4 gap-3 max-md:grid-cols-2 [&_.field]:w-full">
      <label class="grid gap-1 text-14"
        >Medium
        <select class="field" :value="one.paint.medium" @change="set('medium', value($event))">
          <option v-for="row in house.known?.media" :key="row.name">{{ row.name }}</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >Kind
        <select class="field" :value="one.kind" @change="set('kind', value($event))">
          <option v-for="(words, each) in known.paint_kinds" :key="each" :value="each">
            {{ words }}
          </option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >Opacity
        <select class="field" :value="one.opacity" @change="set('opacity', value($event))">
          <option>opaque</option>
          <option>semi-opaque</option>
          <option>semi-transparent</option>
          <option>transparent</option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >Pot, ml
        <input
          class="field fig"
          type="number"
          min="0"
          step="any"
          :value="one.paint.size_ml"
          @change="set('size_ml', number($event))"
      /></label>
      <label class="grid gap-1 text-14"
        >Price of a pot
        <input
          class="field fig"
          type="number"
          min="0"
          step="any"
          :value="one.paint.price"
          @change="set('price', number($event))"
      /></label>
      <label class="grid gap-1 text-14"
        >Empty pot, g
        <input
          class="field fig"
          type="number"
          min="0"
          step="any"
          :value="one.paint.tare_g"
          @change="set('tare_g', number($event) ?? 0)"
      /></label>
    </div>
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <p class="fig w-40">
        <b class="text-18">{{
          one.paint.left_ml === null || one.paint.left_ml === undefined
            ? 'not weighed'
            : `${Math.round(one.paint.left_ml * 10) / 10} ml left`
        }}</b>
      </p>
      <button class="btn" @click="shelf.weigh(one.id, null)">Weigh it</button>
      <label class="grid gap-1 text-14"
        >or typed, g with pot
        <input
          v-model="grams"
          class="field fig w-28"
          type="number"
          min="0"
          step="any"
          @change="grams && shelf.weigh(one.id, Number(grams))"
      /></label>
      <button v-if="one.paint.size_ml" class="btn" @click="shelf.bought(one.id, one.paint.size_ml)">
        Bought a pot
      </button>
    </div>
    <div v-if="!one.clear" class="mt-3 flex flex-wrap items-end gap-3">
      <label class="grid gap-1 text-14"
        >Swatch
        <select v-model="kind" class="field">
          <option v-for="each in KINDS" :key="each" :value="each">
            {{ each === 'tint' ? 'tint, 1 in 5 of white' : each }}
          </option>
        </select></label
      >
      <label class="grid gap-1 text-14"
        >Readings
        <input v-model.number="times" class="field fig w-20" type="number" min="1" max="20"
      /></label>
      <label class="grid gap-1 text-14"
        >or its colour, typed
        <input v-model="typed" class="field fig w-32" maxlength="7" placeholder="from the reader"
      /></label>
      <label class="flex min-h-11 items-center gap-2 text-14"
        ><input v-model="wet" type="checkbox" class="size-5 accent-ink" /> still wet</label
      >
      <button class="btn" @click="read">Read it</button>
    </div>
    <p v-if="one.swatches.length" class="mt-2 text-14">
      {{ count(one.swatches.length, 'swatch', 'swatches') }} taught it.
      <button class="link" @click="shelf.unlearn(one.id)">Forget all it learnt</button>
    </p>
    <ul v-if="one.swatches.length" class="flex flex-wrap gap-4" aria-label="Swatches">
      <li v-for="each in one.swatches" :key="each.fact" class="fig flex items-center gap-2 text-14">
        <Patch :colour="each.reading.colour" /> {{ each.reading.kind
        }}{{ each.reading.wet ? ', wet' : '' }}{{ each.reading.inferred ? ', from a pot' : '' }}
        <button
          class="link"
          :aria-label="`Take back the ${each.reading.kind}`"
          @click="shelf.forget(each.fact)"
        >
          take back
        </button>
      </li>
    </ul>
  </section>
</template>
