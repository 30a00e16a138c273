<script setup lang="ts">
import { useElementBounding, useIntervalFn, useMediaQuery } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { client, told } from '../../api/client'
import { useKeys } from '../../keys'
import { useMuster } from '../../muster'
import { transport } from '../../muster/transport'
import MissedWindows from '../../parts/MissedWindows.vue'
import MovedCalls from '../../parts/MovedCalls.vue'
import { useMoved } from '../../parts/movedSeen'
import { hours } from '../../words'
import Board from './Board.vue'
import CallDetail from './CallDetail.vue'
import Evening from './Evening.vue'
import type { Ghost } from './layout'
import Legend from './Legend.vue'
import Offers from './Offers.vue'
import { useOutlook } from './outlook'
import PlanPrints from './PlanPrints.vue'
import { useProofs } from './proofs'
import SittingBar from './SittingBar.vue'
import Sittings from './Sittings.vue'
import AlternativeBar from './AlternativeBar.vue'
import { useAlternatives } from './alternatives'

/** How long a call is drawn where nobody knows how long it was. */
const UNKNOWN_MS = 600_000

const muster = useMuster()
const route = useRoute()
const box = useTemplateRef<HTMLElement>('box')
const table = useTemplateRef<InstanceType<typeof Board>>('table')
const { top } = useElementBounding(box, { windowScroll: false })
const selected = ref<string | null>(null)
const now = ref(Date.now() + muster.ahead)
const sittingsOpen = ref(false)

const phone = useMediaQuery('(max-width: 767px)')
const view = computed(() => muster.view)
const others = useAlternatives()
const tried = others.tried
/** The board in view: the plan's, or one that is tried. */
const board = computed(() => tried.value?.board ?? view.value?.board)
const order = computed(() => [...new Set(board.value?.pieces.map((piece) => piece.call) ?? [])])
const card = computed(() => {
  const find = (id: string | undefined) => board.value?.calls.find((one) => one.id === id)
  return find(selected.value ?? undefined) ?? find(order.value[0]) ?? null
})
const working = computed(() => ['queued', 'improving'].includes(view.value?.progress.status ?? ''))
const outlook = useOutlook(working)
const proofs = useProofs(() => (tried.value ? undefined : card.value?.id))
const saved = computed(() => {
  const progress = view.value?.progress
  return progress ? Math.max(0, progress.first_cost_s - progress.cost_s) : 0
})
const held = computed(() => table.value?.drag.held.value ?? null)
const rails = computed(() => table.value?.drag.rails.value ?? [])
const aim = computed(() => table.value?.drag.aim.value ?? null)

const { moved } = useMoved()
/** Where calls stood: before the plan mended, or by the plan where another is tried beside it. */
const ghosts = computed<Ghost[]>(() => {
  const now = view.value?.board
  if (!now) return []
  const cards = new Map(now.calls.map((one) => [one.id, one]))
  if (tried.value) {
    const then = new Map(tried.value.board.calls.map((one) => [one.id, one.start]))
    return now.pieces.flatMap((piece) => {
      const card = cards.get(piece.call)
      if (!card || !then.has(card.id) || then.get(card.id) === card.start) return []
      const [start, end] = [Date.parse(piece.start), Date.parse(piece.end)]
      return [{ key: `${card.id} ${start}`, tray: card.tray, start, end }]
    })
  }
  const first = new Map([...now.pieces].reverse().map((piece) => [piece.call, piece]))
  return moved.value.flatMap((one) => {
    const [card, piece] = [cards.get(one.call), first.get(one.call)]
    if (!card) return []
    const start = Date.parse(one.before)
    const length = piece ? Date.parse(piece.end) - Date.parse(piece.start) : UNKNOWN_MS
    return [{ key: card.id, tray: card.tray, start, end: start + length }]
  })
})

useIntervalFn(() => (now.value = Date.now() + muster.ahead), 10_000)
// Not while a call is in the hand: the plan would change under it.
useIntervalFn(() => working.value && !held.value && muster.refresh(), 1500)
useIntervalFn(() => !held.value && muster.refresh(), 60_000)

/** The call that an address asks for. */
watch(
  () => route.query.call,
  (call) => typeof call === 'string' && choose(call),
  { immediate: true, flush: 'post' },
)

function choose(call: string) {
  selected.value = call
  const start = board.value?.calls.find((one) => one.id === call)?.start
  if (start) table.value?.reach(Date.parse(start))
}

function move(by: number) {
  if (held.value) return table.value?.drag.step(Math.sign(by))
  const at = card.value ? order.value.indexOf(card.value.id) : -1
  const next = order.value[Math.min(order.value.length - 1, Math.max(0, at + by))]
  if (next) choose(next)
}

function takeUp() {
  if (!card.value) return
  // What is moved stays chosen, wherever it goes.
  selected.value = card.value.id
  table.value?.takeUp(card.value.id)
}

function drop(index: number) {
  const drag = table.value?.drag
  if (!drag) return
  drag.aim.value = index
  void drag.drop()
}

useKeys([
  { key: 'ArrowRight', shows: 'Right', does: 'The next call in time, or place', act: () => move(1) },
  { key: 'ArrowLeft', shows: 'Left', does: 'The call or place before it', act: () => move(-1) },
  { key: 'ArrowDown', shows: 'Down', does: 'Ten calls on', act: () => move(10) },
  { key: 'ArrowUp', shows: 'Up', does: 'Ten calls back', act: () => move(-10) },
  { key: 'm', shows: 'M', does: 'Move this call: show its places', act: takeUp },
  {
    key: 'Enter',
    shows: 'Enter',
    does: 'Drop the call in the place aimed at',
    act: () => held.value && table.value?.drag.drop(),
  },
  { key: '+', shows: '+', does: 'Closer', act: () => table.value?.closer() },
  { key: '-', shows: '-', does: 'Further away', act: () => table.value?.further() },
  { key: 'w', shows: 'W', does: 'The whole plan', act: () => table.value?.whole() },
  { key: 'e', shows: 'E', does: 'One evening', act: evening },
  { key: 'f', shows: 'F', does: 'Fold units, or open them', act: () => table.value?.turnAll() },
  { key: 'n', shows: 'N', does: 'Sittings and parade day', act: () => (sittingsOpen.value = true) },
  { key: 'u', shows: 'U', does: 'Take the last change back', act: () => muster.undo() },
]) // prettier-ignore

function evening() {
  const start = Date.parse(card.value?.start ?? '')
  const all = board.value?.sittings ?? []
  const index = all.findIndex((one) => start >= Date.parse(one.start) && start < Date.parse(one.end))
  table.value?.show(index < 0 ? (table.value?.first ?? 0) : index, true)
} // prettier-ignore

async function work(what: 'improve' | 'stop') {
  const id = view.value?.id
  if (id === undefined) return
  const path = `/api/musters/{muster_id}/plan/${what}` as const
  const done = await muster.attempt(() =>
    told(client.POST(path, { params: { path: { muster_id: id } } })),
  )
  if (done) muster.take(await transport.view(id))
}
</script>

<template>
  <div
    ref="box"
    class="md:flex md:flex-col"
    :style="{ '--plan': `max(600px, calc(100vh - ${Math.round(top)}px - 24px))` }"
    style="container-type: inline-size"
  >
    <div class="md:flex md:h-(--plan) md:min-h-0 md:flex-col">
      <div class="flex min-h-14 flex-wrap items-center justify-between gap-x-6">
        <div class="flex flex-wrap items-center gap-x-3">
          <h1>Plan</h1>
          <p v-if="view?.board.left.length">
            <span class="warn"
              >{{
                view.board.left.length === 1
                  ? 'One pass is'
                  : `${view.board.left.length} passes are`
              }}
              left</span
            >: see below
          </p>
          <p v-else-if="view?.board.pieces.length">
            proven within <b>{{ Math.ceil(view.board.gap * 100) }} %</b> of the best possible
          </p>
          <span
            v-if="working"
            role="status"
            :title="saved ? `saved ${hours(saved)} so far` : undefined"
            >improving <button class="link" @click="work('stop')">Stop</button></span
          >
          <button v-else-if="view?.board.pieces.length" class="link" @click="work('improve')">
            Improve for 20 s
          </button>
          <button class="link" @click="sittingsOpen = true">Sittings …</button>
          <PlanPrints v-if="view?.board.pieces.length" :of="view.id" />
        </div>
        <SittingBar
          v-if="board"
          class="max-md:hidden"
          :sittings="board.sittings"
          :view="table"
          :zone="muster.zone"
          :parade="!!view?.parade_day"
          @first="table?.show($event)"
        />
      </div>
      <p v-if="working && !view?.progress.worker" class="warn">
        The worker is not running: this plan stands, but nothing improves it.
      </p>
      <Sittings v-if="view" :open="sittingsOpen" :view="view" @close="sittingsOpen = false" />
      <p v-if="view && !view.roll.length" class="my-6">
        There is nothing to plan yet. Put the first unit on the roll.
        <RouterLink class="btn btn-main ml-4" :to="`/${view.id}/roll`">To the roll</RouterLink>
      </p>
      <template v-else-if="view && board">
        <p v-if="!board.sittings.length" class="my-4">
          No sitting is to come.
          <button class="btn btn-main ml-4" @click="sittingsOpen = true">Add sittings</button>
        </p>
        <MissedWindows />
        <MovedCalls v-if="!tried" :most="1" />
        <AlternativeBar :others="others" :view="view" />
        <Evening v-if="phone" :view="view" />
        <Board
          v-else
          ref="table"
          :board="board"
          :units="view.roll"
          :muster="view.id"
          :ghosts="ghosts"
          :still="tried !== null"
          :selected="card?.id ?? null"
          :now="now"
          :clock="muster.clock"
          :day="muster.day"
          @select="selected = $event"
        />
        <div
          class="grid max-h-[31%] min-h-36 shrink-0 gap-x-8 border-t border-rule pt-2 max-md:max-h-none md:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]"
        >
          <CallDetail
            v-if="card"
            class="overflow-y-auto max-md:hidden"
            :card="card"
            :proofs="proofs"
            :held="held !== null"
            :rails="rails"
            :aim="aim"
            :still="tried !== null"
            @take="takeUp"
            @drop="drop"
            @leave="table?.drag.letGo()"
          />
          <Offers
            class="overflow-y-auto"
            :left="view.board.left"
            :found="outlook"
            :working="working"
            :others="others"
          />
        </div>
        <Legend :orders="board.orders.length > 0" :ghosts="ghosts.length > 0" />
      </template>
    </div>
  </div>
</template>
