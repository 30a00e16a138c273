<script setup lang="ts">
import { useIntervalFn, useWakeLock } from '@vueuse/core'
import { computed, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useKeys } from '../../keys'
import { light } from '../../light'
import { useMuster, type Fact } from '../../muster'
import Swatch from '../../parts/Swatch.vue'
import { count } from '../../words'
import { readMix } from '../recipes/mix'
import Beads from './Beads.vue'
import BenchPips from './BenchPips.vue'
import Drying from './Drying.vue'

const muster = useMuster()
const bench = computed(() => muster.view?.bench)
const card = computed(() => bench.value?.call ?? null)
const now = ref(Date.now() + muster.ahead)
const asking = ref(false)
const minutes = ref(60)
const wake = useWakeLock()

useIntervalFn(() => (now.value = Date.now() + muster.ahead), 1000)
useIntervalFn(() => {
  if (muster.waiting.length) void muster.send()
}, 5000)

const stamp = () => new Date(Date.now() + muster.ahead).toISOString()
const open = computed(() => bench.value?.pips.filter((pip) => pip.state === 'open') ?? [])
const current = computed(() => open.value[0]?.model ?? null)
const parts = computed(() => readMix(card.value?.mix ?? ''))
const title = computed(() => {
  const one = card.value
  const paint = parts.value[0]?.name
  return one ? (paint ? `${paint}, ${one.name}` : one.name) : ''
})
const inSitting = computed(() => Boolean(bench.value?.sitting_end))
const endsAbout = computed(() => {
  const one = card.value
  if (!one) return null
  if (!bench.value?.running) return one.end
  const left = open.value.length * one.per_item_s * 1000
  return new Date(now.value + left).toISOString()
})
const mustClean = computed(() => {
  const from = bench.value?.clean_up_from
  return from ? now.value > Date.parse(from) - 5 * 60_000 : false
})

function fact(kind: Fact['kind'], more: Partial<Fact> = {}): Fact {
  return {
    id: crypto.randomUUID(),
    kind,
    at: stamp(),
    unit: card.value?.unit ?? '',
    pass_keys: card.value?.pass_keys ?? [],
    model: 0,
    tray: Number(card.value?.tray.split('.').at(-1) ?? 0),
    start: null,
    of: null,
    ...more,
  } as Fact
}

const since = ref<string | null>(null)

function begin() {
  if (!card.value || bench.value?.running) return
  since.value = stamp()
  if (wake.isSupported.value) void wake.request('screen').catch(() => undefined)
  void muster.record([fact('begin', { at: since.value })])
}

/** Tick every open model up to and including this one; the time since the last is shared evenly. */
function tickThrough(model: number) {
  if (!bench.value?.running || bench.value.paused) return
  const mine = open.value.filter((pip) => pip.model <= model)
  if (!mine.length) return
  const end = Date.parse(stamp())
  const per = (card.value?.per_item_s ?? 60) * 1000
  // Our clock is set by the server's at every answer, and may go back by a little.
  const from = Math.min(end, since.value ? Date.parse(since.value) : end - per * mine.length)
  const step = (end - from) / mine.length
  const facts = mine.map((pip, index) =>
    fact('tick', {
      model: pip.model,
      start: new Date(from + step * index).toISOString(),
      at: new Date(from + step * (index + 1)).toISOString(),
    }),
  )
  since.value = new Date(end).toISOString()
  if (mine.length === open.value.length) facts.push(fact('end'))
  void muster.record(facts)
}

function tick() {
  if (current.value !== null) tickThrough(current.value)
}

function end(answer?: 'done' | 'open') {
  if (!bench.value?.running) return begin()
  if (open.value.length && answer === undefined) {
    asking.value = true
    return
  }
  asking.value = false
  if (answer === 'done') return tickThrough(Infinity)
  void muster.record([fact('end')])
}

function pause() {
  if (!bench.value?.running) return
  since.value = stamp()
  void muster.record([fact('pause')])
}

function takeBack() {
  const last = bench.value?.last_fact
  if (last) void muster.record([fact('take_back', { of: last })])
}

function touchUp(model: number) {
  void muster.record([fact('touch_up', { model })])
}

async function skip(how: 'later' | 'leave out') {
  const one = card.value
  if (!one) return
  if (bench.value?.running) await muster.record([fact('end')])
  if (how === 'leave out') {
    const models = open.value.map((pip) => pip.model)
    await muster.command({ do: 'leave_out', unit: one.unit, pass_keys: one.pass_keys, models })
    return
  }
  const until = bench.value?.sitting_end ?? new Date(now.value + 3_600_000).toISOString()
  await muster.command({ do: 'put_off', call: one.id, until })
}

async function sitDown() {
  const view = muster.view
  if (!view) return
  const next = await muster.attempt(() =>
    told(
      client.POST('/api/musters/{muster_id}/sit-down', {
        params: { path: { muster_id: view.id } },
        body: { version: view.version, minutes: minutes.value },
      }),
    ),
  )
  if (next) muster.take(next)
}

useKeys([
  { key: ' ', shows: 'Space', does: 'The current model is done', act: tick },
  { key: 'Enter', shows: 'Enter', does: 'Start or end the call', act: () => end() },
  { key: 'p', shows: 'P', does: 'Pause, or go on', act: pause },
  { key: 'u', shows: 'U', does: 'Take the last tick back', act: takeBack },
  { key: 's', shows: 'S', does: 'Skip: later', act: () => skip('later') },
])

const when = (next: Schemas['CallCard']) => {
  if (!next.start) return ''
  const today = muster.day(next.start) === muster.day(stamp())
  return `${today ? '' : `${muster.day(next.start)} `}${muster.clock(next.start)}`
}
</script>

<template>
  <p v-if="bench && !card" class="my-6 text-22">
    Nothing is left to do: the muster stands finished.
  </p>
  <div v-if="bench && card" class="relative flex min-h-[calc(100vh-60px)] gap-6 pt-4 pl-0 md:pl-10">
    <div class="absolute inset-y-0 -left-4 w-9 border-r border-key max-md:w-6" aria-hidden="true">
      <svg class="size-full" preserveAspectRatio="none">
        <rect width="100%" height="100%" :fill="card.colour ?? 'var(--paper)'" />
      </svg>
    </div>
    <div class="min-w-0 flex-1 max-md:pl-5">
      <div class="tall flex justify-between gap-4 text-20 text-soft max-md:hidden">
        <span
          >Bench · call {{ bench.number }} of {{ Math.max(bench.of, bench.number) }} this
          sitting</span
        >
        <span class="fig"
          >now {{ muster.clock(new Date(now).toISOString()) }} · call ends about</span
        >
      </div>
      <div class="flex items-baseline justify-between gap-4">
        <h1 class="call">
          {{ title }}
        </h1>
        <b class="call" aria-label="Call ends about">{{
          endsAbout ? muster.clock(endsAbout) : ''
        }}</b>
      </div>
      <p class="fig text-30 max-md:text-20">
        {{ card.tray_name }}, {{ count(card.models.length, 'model')
        }}<template v-if="card.tool"> · {{ card.tool }}</template>
        <span class="tall text-22 text-soft max-md:hidden">
          · {{ Math.round(card.per_item_s / 6) / 10 }} min a model<template
            v-if="bench.sitting_end"
          >
            · sitting ends {{ muster.clock(bench.sitting_end) }}</template
          ></span
        >
      </p>
      <p v-if="card.handful" class="text-20">
        Work in handfuls of {{ card.handful }}: the window is short.
      </p>
      <p v-if="card.note" class="tall mt-2 max-w-[70ch] text-20 max-md:hidden">{{ card.note }}</p>
      <p v-if="light === 'lamp'" class="tall text-16 text-soft max-md:hidden">
        Colours are not to be judged in lamp light.
      </p>
      <p v-if="mustClean && bench.clean_up_from" class="text-20" role="status">
        <span class="warn">Clean-up must start at {{ muster.clock(bench.clean_up_from) }}</span> to
        end with the sitting.
      </p>

      <Beads v-if="parts.length > 1" class="tall" :parts="parts" :colour="card.colour ?? null" />
      <BenchPips
        class="my-4 max-md:my-2"
        :pips="bench.pips"
        :current="bench.running ? current : null"
        @through="tickThrough"
        @touch-up="touchUp"
      />

      <div v-if="asking" role="alertdialog" aria-label="Models are not ticked" class="my-3">
        <p class="text-22">{{ count(open.length, 'model') }} not ticked. Are they done?</p>
        <div class="mt-2 flex gap-3">
          <button class="btn big flex-1" @click="end('done')">All done</button>
          <button class="btn big flex-1" @click="end('open')">Leave them open</button>
          <button class="btn big" @click="asking = false">Go on</button>
        </div>
      </div>
      <div
        v-else-if="!inSitting && !bench.running"
        class="my-4 flex flex-wrap items-center gap-3 text-22"
      >
        <label for="minutes">Sit down now, for</label>
        <input
          id="minutes"
          v-model.number="minutes"
          type="number"
          min="10"
          max="600"
          class="field w-28 text-22!"
        />
        minutes
        <button class="btn big btn-main" @click="sitDown">Sit down now</button>
      </div>

      <div
        class="grid grid-cols-[2fr_1fr_1fr_1fr] gap-4 max-md:grid-cols-[2fr_1fr_1fr] max-md:gap-2"
      >
        <button
          v-if="bench.running"
          class="btn btn-main big"
          :disabled="current === null || bench.paused"
          @click="tick"
        >
          {{ current === null ? 'All done' : `${current} is done` }}
          <span class="kbd max-md:hidden">Space</span>
        </button>
        <button v-else class="btn btn-main big" @click="begin">
          Start this call <span class="kbd max-md:hidden">Enter</span>
        </button>
        <button v-if="bench.running" class="btn big" @click="end()">
          End <span class="max-md:hidden">call</span> <span class="kbd max-md:hidden">Enter</span>
        </button>
        <button v-else class="btn big" @click="skip('later')">
          Later <span class="kbd max-md:hidden">S</span>
        </button>
        <button v-if="bench.running" class="btn big max-md:hidden" @click="pause">
          {{ bench.paused ? 'Go on' : 'Pause' }} <span class="kbd">P</span>
        </button>
        <button v-else class="btn big max-md:hidden" @click="skip('leave out')">Leave out</button>
        <button class="btn big" :disabled="!bench.can_take_back" @click="takeBack">
          <span class="max-md:hidden">Take back</span><span class="md:hidden">Back</span>
          <span class="kbd max-md:hidden">U</span>
        </button>
      </div>

      <div class="mt-5 grid grid-cols-2 gap-8 border-t border-rule pt-3 max-md:hidden">
        <Drying :drying="bench.drying" :now="now" :clock="muster.clock" />
        <section>
          <h2 class="text-soft">Next</h2>
          <ol>
            <li
              v-for="next in bench.next"
              :key="next.id"
              class="flex items-center gap-4 py-1 text-22"
            >
              <Swatch :colour="next.colour" :finish="next.finish" />
              <span class="flex-1">{{ next.name }}, {{ next.tray_name }}</span>
              <b class="font-medium!">{{ when(next) }}</b>
            </li>
          </ol>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.call {
  font-size: 56px;
  line-height: 1.1;
  font-weight: 700;
  font-stretch: 80%;
}
.big {
  min-height: 72px;
  font-size: 22px;
}
@media (max-width: 900px), (max-height: 480px) {
  .call {
    font-size: 36px;
  }
}
</style>
