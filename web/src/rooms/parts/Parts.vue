<script setup lang="ts">
import { ref } from 'vue'
import type { Pip } from '../../api/client'
import ActButton from '../../parts/ActButton.vue'
import DateField from '../../parts/DateField.vue'
import Figure from '../../parts/Figure.vue'
import Patch from '../../parts/Patch.vue'
import PipStrip from '../../parts/PipStrip.vue'
import Swatch from '../../parts/Swatch.vue'
import TimeField from '../../parts/TimeField.vue'
import Unplanned from '../../parts/Unplanned.vue'
import { light, turnLight } from '../../light'

/** The shared parts on one page, so that the next room looks like the last. */
const TOKENS = ['ground', 'paper', 'past', 'rule', 'key', 'soft', 'ink', 'warning']
const SIZES = [13, 14, 16, 18, 20, 22, 28, 30]
const day = ref('2027-03-27')
const time = ref('19:30')
const line = ref('24 pikes foot 1/72')
const checked = ref(true)
const pip = (model: number, done: number, more: Partial<Pip> = {}): Pip => ({
  model, done, of: 4, wet: false, touch_up: false, ...more,
}) // prettier-ignore
const STRIPS: { words: string; pips: Pip[] }[] = [
  { words: 'nothing done', pips: [pip(1, 0), pip(2, 0)] },
  { words: 'half done, dry', pips: [pip(1, 2), pip(2, 2)] },
  { words: 'half done, wet', pips: [pip(1, 2, { wet: true }), pip(2, 3, { wet: true })] },
  { words: 'needs a touch-up', pips: [pip(1, 3, { touch_up: true }), pip(2, 4)] },
]
const RULES = [
  { words: 'rule, 1 px', width: 1, colour: 'var(--rule)', dash: undefined },
  { words: 'key line, 1 px, round paint', width: 1, colour: 'var(--key)', dash: undefined },
  { words: 'join and selection, 2 px', width: 2, colour: 'var(--ink)', dash: undefined },
  { words: 'late, 3 px, with its word', width: 3, colour: 'var(--warning)', dash: undefined },
  { words: 'stood here before', width: 1, colour: 'var(--ink)', dash: '3 3' },
  { words: 'waits for another unit', width: 2, colour: 'var(--ink)', dash: '2 4' },
  { words: 'rail of a legal place, 5 px', width: 5, colour: 'var(--key)', dash: undefined },
]
</script>

<template>
  <div class="flex items-center justify-between">
    <h1>Shared parts</h1>
    <button class="link" @click="turnLight">{{ light === 'day' ? 'Lamp' : 'Day' }}</button>
  </div>
  <p class="max-w-[70ch] text-soft">
    A room is made of these. What is not here is either a room's own or wants a place here first.
  </p>
  <section class="border-t border-rule py-3" aria-labelledby="tokens">
    <h2 id="tokens">Neutrals, and one warning</h2>
    <ul class="mt-2 grid grid-cols-4 gap-3">
      <li v-for="one in TOKENS" :key="one" class="flex items-center gap-2">
        <span class="size-8 border border-key" :style="{ background: `var(--${one})` }" />{{ one }}
      </li>
    </ul>
  </section>
  <section class="border-t border-rule py-3" aria-labelledby="type">
    <h2 id="type">Type</h2>
    <p class="flex flex-wrap items-baseline gap-x-5">
      <span v-for="one in SIZES" :key="one" class="fig" :style="{ fontSize: `${one}px` }"
        >{{ one }} Reed 19:30</span
      >
    </p>
    <p>
      Prose is set in Atkinson Hyperlegible; <b>figures 1 234</b> and headings in Archivo.
      <span class="warn">Late</span> has its word.
      <span class="text-soft">Soft is for what may be passed over.</span>
    </p>
  </section>
  <section class="border-t border-rule py-3" aria-labelledby="acts">
    <h2 id="acts">Acts</h2>
    <div class="mt-2 flex flex-wrap items-center gap-4">
      <button class="btn btn-main">The one that is meant</button>
      <button class="btn">Another</button>
      <ActButton why="choose a weekday first" @press="() => {}">Next</ActButton>
      <button class="link">In a sentence</button>
      <span><span class="kbd fig">M</span> its key</span>
      <Figure words="10" title="What a figure is made of"><li>ten sittings</li></Figure>
    </div>
  </section>
  <section class="border-t border-rule py-3" aria-labelledby="fields">
    <h2 id="fields">Fields</h2>
    <div class="mt-2 flex flex-wrap items-start gap-4">
      <label class="grid gap-1 text-14">A line <input v-model="line" class="field" /></label>
      <label class="grid gap-1 text-14"
        >A choice
        <select class="field">
          <option>figure</option>
        </select></label
      >
      <span class="grid gap-1 text-14">A day <DateField v-model="day" label="A day" /></span>
      <span class="grid gap-1 text-14">A time <TimeField v-model="time" label="A time" /></span>
      <label class="flex min-h-11 items-center gap-2 self-end"
        ><input v-model="checked" type="checkbox" class="size-5 accent-ink" /> each week</label
      >
    </div>
  </section>
  <section class="border-t border-rule py-3" aria-labelledby="paint">
    <h2 id="paint">Paint, always on paper with its key line</h2>
    <div class="mt-2 flex flex-wrap items-center gap-5">
      <span class="flex items-center gap-2"><Swatch colour="#66703f" />paint</span>
      <span class="flex items-center gap-2"><Swatch colour="#f4f1e6" />off-white</span>
      <span class="flex items-center gap-2"><Swatch colour="#111416" />black</span>
      <span class="flex items-center gap-2"><Swatch finish="matt" />clear, matt</span>
      <span class="flex items-center gap-2"><Swatch finish="satin" />satin</span>
      <span class="flex items-center gap-2"><Swatch finish="gloss" />gloss</span>
      <span class="flex items-center gap-2"
        ><Patch colour="#a8823c" :width="32" :height="30" />patch</span
      >
    </div>
  </section>
  <section class="border-t border-rule py-3" aria-labelledby="pips">
    <h2 id="pips">Pips: a model is a pip, everywhere the same</h2>
    <ul class="mt-2 flex flex-wrap gap-8">
      <li v-for="one in STRIPS" :key="one.words" class="grid gap-1 text-14">
        <PipStrip :pips="one.pips" :name="one.words" />{{ one.words }}
      </li>
    </ul>
  </section>
  <section class="border-t border-rule py-3" aria-labelledby="lines">
    <h2 id="lines">Lines</h2>
    <ul class="mt-2 grid grid-cols-2 gap-x-8 text-14">
      <li v-for="one in RULES" :key="one.words" class="flex min-h-7 items-center gap-3">
        <svg width="60" height="8" aria-hidden="true">
          <path
            d="M0 4H60"
            :stroke="one.colour"
            :stroke-width="one.width"
            :stroke-dasharray="one.dash"
          /></svg
        >{{ one.words }}
      </li>
    </ul>
  </section>
  <section class="border-t border-rule py-3" aria-labelledby="said">
    <h2 id="said">What is said in trouble: what, where, how to mend it</h2>
    <Unplanned :words="['Guns: this cannot be worked out: take the newest change back']" />
    <p class="mt-2"><span class="warn">Not done:</span> 'lancers': say how many first</p>
    <p class="text-soft" role="status">Reading the muster … stands where something is awaited.</p>
  </section>
</template>
