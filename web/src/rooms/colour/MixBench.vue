<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import Patch from '../../parts/Patch.vue'
import { useShelf, type Mix } from '../../shelf'
import LadderView from './LadderView.vue'
import { useVocabulary } from '../../vocabulary'
import { readHex, saidOf as said, type Mixing } from './mixing'
import Reach from './Reach.vue'
import SavePot from './SavePot.vue'
import Target from './Target.vue'

/** Target and predicted mix side by side, drops as beads, the ladder of coats. */
const props = defineProps<{ mixing: Mixing }>()
const { target, most, inStock, kinds, found, drops, varnish, predicted, additions, total } =
  props.mixing
const shelf = useShelf()
const known = useVocabulary()
const text = ref(target.value)
const wrong = ref(false)

watch(target, (now) => {
  text.value = now
  wrong.value = false
})

function set() {
  const hex = readHex(text.value)
  wrong.value = hex === null
  if (!hex) return
  target.value = hex
  void props.mixing.match()
}

/** A group is taken in or left out; one at least stays. */
function ask(group: string) {
  const now = kinds.value.includes(group)
    ? kinds.value.filter((one) => one !== group)
    : [...kinds.value, group]
  if (!now.length) return
  kinds.value = now
  void props.mixing.match()
}

const least = computed(() => Math.min(...found.value.map((one) => one.difference)))

/** What a mix has before the others: it is the simplest that no eye tells, or the closest. */
function before(mix: Mix, n: number): string {
  const words = [n === 0 ? 'simplest' : '', mix.difference === least.value ? 'closest' : '']
  return words.filter(Boolean).join(', ')
}
const colourOf = (paint: number) => shelf.colours.find((one) => one.id === paint)?.dry ?? 'none'
</script>

<template>
  <section aria-labelledby="mixing">
    <h2 id="mixing" class="sr-only">Mixing bench</h2>
    <form class="flex flex-wrap items-end gap-3" @submit.prevent="set">
      <label class="grid gap-1 text-14"
        >The colour that is meant, dry
        <span class="flex">
          <input
            type="color"
            class="h-11 w-12 border-[1.5px] border-key bg-ground p-1"
            :value="target"
            aria-label="Choose the colour"
            @change="((text = ($event.target as HTMLInputElement).value), set())"
          />
          <input v-model="text" class="field fig w-28" maxlength="9" spellcheck="false" />
        </span>
      </label>
      <Target @choose="((text = $event), set())" />
      <label class="grid gap-1 text-14"
        >Paints at most
        <select v-model.number="most" class="field fig" @change="mixing.match">
          <option v-for="n in [1, 2, 3, 4]" :key="n" :value="n">{{ n }}</option>
        </select></label
      >
      <label class="flex min-h-11 items-center gap-2 text-14"
        ><input
          v-model="inStock"
          type="checkbox"
          class="size-5 accent-ink"
          @change="mixing.match"
        />
        in stock only</label
      >
      <button class="btn btn-main">Find a mix</button>
    </form>
    <fieldset class="mt-1 flex flex-wrap items-center gap-x-4 text-14">
      <legend class="sr-only">Mix from</legend>
      <span aria-hidden="true">Mix from</span>
      <label
        v-for="group in known.paint_groups"
        :key="group"
        class="flex min-h-9 items-center gap-2"
        ><input
          type="checkbox"
          class="size-5 accent-ink"
          :checked="kinds.includes(group)"
          @change="ask(group)"
        />
        {{ group }}</label
      >
    </fieldset>
    <p v-if="wrong" class="warn" role="alert">
      That is no colour: type six hexadecimal digits such as #6b7a3a.
    </p>

    <div class="mt-4 grid grid-cols-[300px_1fr] gap-6 max-lg:grid-cols-1">
      <div>
        <div class="bg-paper p-5">
          <svg
            width="260"
            height="130"
            role="img"
            :aria-label="`Meant ${target}, mixed ${predicted?.colour ?? 'nothing yet'}`"
          >
            <rect x="1" y="1" width="129" height="128" :fill="target" />
            <rect
              x="130"
              y="1"
              width="129"
              height="128"
              :fill="predicted?.colour ?? 'var(--paper)'"
            />
            <rect x=".5" y=".5" width="259" height="129" fill="none" stroke="var(--key)" />
            <path d="M130 0v7M130 123v7" stroke="var(--key)" stroke-width="2" />
          </svg>
        </div>
        <p class="fig flex justify-between text-14 text-soft">
          <span>meant {{ target }}</span
          ><span v-if="predicted">mixed, dry {{ predicted.colour }}</span>
        </p>
        <p v-if="predicted?.difference != null" class="fig mt-1" role="status">
          <b class="text-22">{{ predicted.difference.toFixed(1) }}</b>
          <span class="text-14"> apart (CIEDE2000): {{ predicted.apart }}</span>
        </p>
      </div>
      <div>
        <ul aria-label="Drops">
          <li
            v-for="one in drops"
            :key="one.paint"
            class="flex min-h-11 items-center gap-3 border-b border-rule"
          >
            <b class="fig w-8 text-right text-22">{{ one.drops }}</b>
            <span class="w-36 truncate max-md:flex-1">{{ one.name }}</span>
            <svg class="h-6 w-0 min-w-0 flex-1 max-md:hidden" aria-hidden="true">
              <circle
                v-for="n in Math.min(one.drops, 24)"
                :key="n"
                :cx="n * 18 - 8"
                cy="12"
                r="7.5"
                :fill="colourOf(one.paint)"
                stroke="var(--key)"
              />
            </svg>
            <button
              class="btn px-3"
              :aria-label="`− one drop of ${one.name}`"
              @click="mixing.step(one.paint, -1)"
            >
              &minus;
            </button>
            <button
              class="btn px-3"
              :aria-label="`+ one drop of ${one.name}`"
              @click="mixing.step(one.paint, 1)"
            >
              +
            </button>
          </li>
        </ul>
        <p v-if="!drops.length" class="text-soft">
          Nothing in the pot: find a mix, or put drops in from the shelf with +1.
        </p>
        <div v-else class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 text-14">
          <span class="fig"
            ><b>{{ total }}</b> {{ total === 1 ? 'drop' : 'drops' }}</span
          >
          <label class="flex items-center gap-2"
            >varnish on top
            <select v-model.number="varnish" class="field fig">
              <option :value="0">none</option>
              <option :value="0.1">10 %</option>
              <option :value="0.2">20 %</option>
              <option :value="0.3">30 %</option>
            </select></label
          >
          <span v-if="predicted?.varnish_drops" class="fig"
            >and <b>{{ predicted.varnish_drops }}</b> drops of varnish, kept apart</span
          >
          <button class="link" @click="mixing.reach">What to add to come nearer</button>
        </div>
        <ul v-if="additions.length" class="mt-1 text-14" aria-label="What to add">
          <li v-for="one in additions" :key="said(one)" class="fig flex items-center gap-3">
            <Patch :colour="one.colour" />
            <button v-if="one.drops.length" class="link" @click="mixing.pour(one)">
              add {{ said(one) }}
            </button>
            <span v-else>nothing to add</span>
            <span class="text-soft">{{ one.difference.toFixed(1) }} apart</span>
          </li>
        </ul>
      </div>
    </div>

    <LadderView v-if="predicted" :ladders="predicted.ladders" :hides="predicted.hides_after" />
    <SavePot v-if="drops.length" :mixing="mixing" />

    <div v-if="found.length" class="mt-4">
      <h3 class="text-16 font-bold">Mixes that match</h3>
      <ol>
        <li v-for="(one, n) in found" :key="said(one)" class="border-b border-rule">
          <button
            class="fig flex min-h-11 w-full items-center gap-3 text-left"
            @click="mixing.take(one)"
          >
            <span class="flex"><Patch :colour="target" /><Patch :colour="one.colour" /></span>
            <b class="w-10 text-right">{{ one.difference.toFixed(1) }}</b>
            <span class="flex-1">{{ said(one) }}</span>
            <b v-if="before(one, n)" class="text-14">{{ before(one, n) }}</b>
            <span class="text-14 text-soft">{{ one.in_stock ? '' : 'not all in stock' }}</span>
          </button>
        </li>
      </ol>
      <p class="text-14 text-soft">
        Within 1 of the closest no eye tells them apart: of those the fewest paints and drops stand
        first.
      </p>
    </div>
    <Reach :mixing="mixing" />
  </section>
</template>
