<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useKeys } from '../../keys'
import { light } from '../../light'
import { useMuster } from '../../muster'
import MissedWindows from '../../parts/MissedWindows.vue'
import MovedCalls from '../../parts/MovedCalls.vue'
import WaitingFacts from '../../parts/WaitingFacts.vue'
import Swatch from '../../parts/Swatch.vue'
import { count, lastAt } from '../../words'
import { readMix } from '../recipes/mix'
import Beads from './Beads.vue'
import BenchPips from './BenchPips.vue'
import { useCall } from './call'
import { useCautions } from './cautions'
import Drying from './Drying.vue'
import { sound, useSignal } from './signal'
import Ticket from './Ticket.vue'
import Unticked from './Unticked.vue'

const WARN_MS = 5 * 60_000

const muster = useMuster()
const now = ref(Date.now() + muster.ahead)
const call = useCall(now)
const { bench, card, open, pips, running, current, endsAbout, stamp } = call
const { unlock, signal, inverted } = useSignal()
const asking = ref(false)
const marking = ref(false)
const minutes = ref(60)

useIntervalFn(() => (now.value = Date.now() + muster.ahead), 1000)
useIntervalFn(() => {
  if (muster.waiting.length) void muster.send()
}, 5000)
useIntervalFn(() => muster.refresh(), 60_000)

const parts = computed(() => readMix(card.value?.mix ?? ''))
const title = computed(() => {
  const one = card.value
  const paint = parts.value[0]?.name
  return one ? (paint ? `${paint}, ${one.name}` : one.name) : ''
})
const inSitting = computed(() => Boolean(bench.value?.sitting_end))
const unanswered = computed(
  () => running.value && open.value.length && (asking.value || bench.value?.forgotten),
)
const mustClean = computed(() => {
  const from = bench.value?.clean_up_from
  return from ? now.value > Date.parse(from) - WARN_MS : false
})
const isDry = computed(
  () => bench.value?.drying.filter((one) => Date.parse(one.last_dry) <= now.value).length ?? 0,
)
watch(mustClean, (must) => must && signal())
watch(isDry, (dry, before) => dry > before && signal())
watch(inverted, (on) => document.documentElement.classList.toggle('inverted', on))

const { asking: warning, mayBegin, read } = useCautions(card, () => bench.value?.sitting_end ?? '')

function begin() {
  if (!mayBegin()) return
  unlock()
  call.begin()
}

function readAndBegin() {
  read()
  begin()
}

function tick() {
  if (current.value !== null) call.tickThrough(current.value)
}

function press(model: number) {
  if (marking.value) call.touchUp(model)
  else call.tickThrough(model)
  marking.value = false
}

function end() {
  if (!running.value) return begin()
  if (open.value.length) asking.value = true
  else call.stop()
}

function doneAt(typed: string) {
  const at = lastAt(typed, Date.parse(stamp()), muster.time)
  if (!at) return
  asking.value = false
  const begun = Date.parse(bench.value?.since ?? at)
  call.tickThrough(Infinity, new Date(Math.max(begun, Date.parse(at))).toISOString())
}

function leaveOpen() {
  asking.value = false
  call.stop()
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
  { key: 'Enter', shows: 'Enter', does: 'Start or end the call', act: end },
  { key: 'p', shows: 'P', does: 'Pause, or go on', act: call.pause },
  { key: 'u', shows: 'U', does: 'Take the last tick back', act: call.takeBack },
  {
    key: 't',
    shows: 'T',
    does: 'Mark a touch-up: the next model pressed needs one',
    act: () => (marking.value = !marking.value),
  },
  { key: 's', shows: 'S', does: 'Skip: later', act: () => call.skip('later') },
])

const when = (next: Schemas['CallCard']) => {
  if (!next.start) return ''
  const today = muster.day(next.start) === muster.day(stamp())
  return `${today ? '' : `${muster.day(next.start)} `}${muster.clock(next.start)}`
}
</script>

<template>
  <p v-if="bench && !card && !muster.view?.roll.length" class="my-6 text-22">
    Nothing stands on the roll yet.
    <RouterLink class="btn btn-main ml-4" :to="`/${muster.view?.id}/roll`">To the roll</RouterLink>
  </p>
  <p v-else-if="bench && !card" class="my-6 text-22">
    <template v-if="muster.view?.board.left.length"
      >Nothing has a place now: see what is left, and what would place it.
      <RouterLink class="btn btn-main ml-4" :to="`/${muster.view.id}/plan`"
        >To the plan</RouterLink
      ></template
    ><template v-else>Nothing is left to do: the muster stands finished.</template>
  </p>
  <Ticket />
  <div v-if="bench && card" class="relative flex min-h-[calc(100vh-60px)] gap-6 pt-4 pl-0 md:pl-10">
    <div class="absolute inset-y-0 -left-4 w-9 border-r border-key max-md:w-6" aria-hidden="true">
      <svg class="size-full" preserveAspectRatio="none">
        <rect width="100%" height="100%" :fill="card.colour ?? 'var(--paper)'" />
        <rect v-if="card.wet" width="100%" height="50%" :fill="card.wet" />
      </svg>
    </div>
    <!-- Above the rest, so that nothing moves under the finger that ticks. -->
    <WaitingFacts class="absolute -top-3 max-md:left-5" />
    <div class="min-w-0 flex-1 max-md:pl-5">
      <div class="tall flex justify-between gap-4 text-20 text-soft max-md:text-16">
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
      <p v-if="card.note" class="tall mt-2 max-w-[70ch] text-20">{{ card.note }}</p>
      <p v-if="card.cautions.length && !running" class="tall max-w-[70ch] text-18">
        {{ card.cautions.join(' ') }} The product's label and local rules come first.
      </p>
      <p v-if="light === 'lamp' || card.wet" class="tall text-16 text-soft">
        <template v-if="card.wet">At the edge: wet above, dry below. </template
        ><template v-if="light === 'lamp'">Colours are not to be judged in lamp light.</template>
      </p>
      <p v-if="mustClean && bench.clean_up_from" class="text-20" role="status">
        <span class="warn">Clean-up must start at {{ muster.clock(bench.clean_up_from) }}</span> to
        end with the sitting.
      </p>

      <MissedWindows class="text-18" />
      <Beads
        v-if="parts.length > 1"
        class="tall"
        :parts="parts"
        :colour="card.colour ?? null"
        :drops="card.drops"
        :ml="card.ml"
      />
      <BenchPips
        class="my-4 max-md:my-2"
        :pips="pips"
        :current="running ? current : null"
        @through="press"
        @touch-up="call.touchUp"
      />
      <p v-if="marking" class="text-20" role="status">Press the model that needs a touch-up.</p>

      <section
        v-if="warning"
        role="alertdialog"
        aria-label="Before this call"
        class="my-3 border-[1.5px] border-ink p-4 text-20"
      >
        <p><span class="warn">Before you start</span>: {{ card.cautions.join(' ') }}</p>
        <p class="mt-1 text-16">
          The product's label, its safety sheet and local rules come first. Asked once a sitting.
        </p>
        <div class="mt-3 flex gap-3">
          <button class="btn btn-main" @click="readAndBegin">Read: start the call</button>
          <button class="btn" @click="warning = false">Not now</button>
        </div>
      </section>
      <Unticked
        v-if="unanswered"
        :key="String(bench.forgotten)"
        :left="open.length"
        :proposed="muster.time(bench.finished_about ?? stamp())"
        :forgotten="bench.forgotten"
        @done="doneAt"
        @open="leaveOpen"
        @go-on="asking = false"
      />
      <div
        v-else-if="!inSitting && !running"
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
        v-if="!unanswered"
        class="grid grid-cols-[2fr_1fr_1fr_1fr] gap-4 max-md:grid-cols-2 max-md:gap-2"
      >
        <button
          v-if="running"
          class="btn btn-main big"
          :disabled="current === null || bench.paused"
          :title="
            bench.paused
              ? 'Paused: go on first'
              : current === null
                ? 'Every model is ticked'
                : undefined
          "
          @click="tick"
        >
          {{ current === null ? 'All done' : `${current} is done` }}
          <span class="kbd max-md:hidden">Space</span>
        </button>
        <button v-else class="btn btn-main big" @click="begin">
          Start this call <span class="kbd max-md:hidden">Enter</span>
        </button>
        <button v-if="running" class="btn big" @click="end()">
          End <span class="max-md:hidden">call</span> <span class="kbd max-md:hidden">Enter</span>
        </button>
        <button v-else class="btn big" @click="call.skip('later')">
          Later <span class="kbd max-md:hidden">S</span>
        </button>
        <button v-if="running" class="btn big" @click="call.pause">
          {{ bench.paused ? 'Go on' : 'Pause' }} <span class="kbd">P</span>
        </button>
        <button v-else class="btn big" @click="call.skip('leave out')">Leave out</button>
        <button
          class="btn big"
          :disabled="!bench.can_take_back"
          :title="bench.can_take_back ? undefined : 'Nothing is ticked yet'"
          @click="call.takeBack"
        >
          <span class="max-md:hidden">Take back</span><span class="md:hidden">Back</span>
          <span class="kbd max-md:hidden">U</span>
        </button>
      </div>

      <div class="tall mt-2 flex flex-wrap items-center gap-x-4 text-16">
        <button
          class="link"
          :aria-pressed="marking"
          :disabled="!open.length && !bench.pips.length"
          :title="bench.pips.length ? undefined : 'There is no call'"
          @click="marking = !marking"
        >
          Mark a touch-up
        </button>
        <button class="link" :aria-pressed="sound" @click="sound = !sound">
          {{ sound ? 'Signals sound' : 'Signals invert the screen' }}
        </button>
      </div>
      <MovedCalls class="tall text-16" :most="2" />

      <div
        class="tall mt-3 grid grid-cols-2 gap-8 border-t border-rule pt-3 max-md:grid-cols-1 max-md:gap-4"
      >
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
