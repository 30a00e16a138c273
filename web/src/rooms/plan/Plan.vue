<script setup lang="ts">
import { transport } from '../../muster/transport'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { useElementSize, useIntervalFn } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useKeys } from '../../keys'
import { useMuster } from '../../muster'
import MissedWindows from '../../parts/MissedWindows.vue'
import MovedCalls from '../../parts/MovedCalls.vue'
import { hours } from '../../words'
import Board from './Board.vue'
import Evening from './Evening.vue'
import { howMany } from './fold'
import LeftStrip from './LeftStrip.vue'
import { useOutlook } from './outlook'
import { proofWords, useProofs } from './proofs'
import Remedies from './Remedies.vue'
import SittingBar from './SittingBar.vue'
import Sittings from './Sittings.vue'
import TraySizes from './TraySizes.vue'

const LEAST = 1.35

const muster = useMuster()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const first = ref(0)
const selected = ref<string | null>(null)
const places = ref<Schemas['AlternativeStart'][] | null>(null)
const now = ref(Date.now() + muster.ahead)
const sittingsOpen = ref(false)

const view = computed(() => muster.view)
const board = computed(() => view.value?.board)
const spans = computed(
  () =>
    board.value?.sittings.map((one) => ({
      start: Date.parse(one.start),
      end: Date.parse(one.end),
    })) ?? [],
)
const boardWidth = computed(() => Math.max(320, width.value - 166 - 28))
const start = computed(() => Math.min(first.value, Math.max(0, spans.value.length - 1)))
const shown = computed(() => howMany(spans.value, start.value, boardWidth.value, LEAST))
const order = computed(() => [...new Set(board.value?.pieces.map((piece) => piece.call) ?? [])])
const card = computed(() => {
  const wanted = selected.value ?? order.value[0]
  return board.value?.calls.find((one) => one.id === wanted) ?? null
})
const working = computed(() => ['queued', 'improving'].includes(view.value?.progress.status ?? ''))
const outlook = useOutlook(working)
const proofs = useProofs(() => card.value?.id)
const saved = computed(() => {
  const progress = view.value?.progress
  return progress ? Math.max(0, progress.first_cost_s - progress.cost_s) : 0
})

useIntervalFn(() => (now.value = Date.now() + muster.ahead), 10_000)
useIntervalFn(() => working.value && muster.refresh(), 1500)
useIntervalFn(() => muster.refresh(), 60_000)

function move(by: number) {
  const at = card.value ? order.value.indexOf(card.value.id) : -1
  const next = order.value[Math.min(order.value.length - 1, Math.max(0, at + by))]
  if (!next) return
  selected.value = next
  const begins = Date.parse(board.value?.calls.find((one) => one.id === next)?.start ?? '')
  const sitting = spans.value.findIndex((span) => begins >= span.start && begins < span.end)
  if (sitting >= 0 && (sitting < start.value || sitting >= start.value + shown.value)) {
    first.value = sitting
  }
}

useKeys([
  { key: 'ArrowRight', shows: 'Right', does: 'The next call in time', act: () => move(1) },
  { key: 'ArrowLeft', shows: 'Left', does: 'The call before it', act: () => move(-1) },
  { key: 'ArrowDown', shows: 'Down', does: 'Ten calls on', act: () => move(10) },
  { key: 'ArrowUp', shows: 'Up', does: 'Ten calls back', act: () => move(-10) },
  {
    key: 'p',
    shows: 'P',
    does: 'Places of this call',
    act: () => document.querySelector<HTMLElement>('#places')?.click(),
  },
  {
    key: 'n',
    shows: 'N',
    does: 'Sittings and parade day',
    act: () => (sittingsOpen.value = true),
  },
  { key: 'u', shows: 'U', does: 'Take the last change back', act: () => muster.undo() },
])

async function findPlaces() {
  places.value = null
  const id = view.value?.id
  if (id === undefined || !card.value) return
  const call = card.value.id
  places.value = await muster.attempt(() =>
    told(
      client.GET('/api/musters/{muster_id}/plan/alternative-starts', {
        params: { path: { muster_id: id }, query: { call } },
      }),
    ),
  )
}

function cost(place: Schemas['AlternativeStart']): string {
  if (place.as_planned) return 'as planned'
  const sign = place.cost_s >= 0 ? 'adds' : 'saves'
  const work = place.cost_s ? `${sign} ${hours(Math.abs(place.cost_s))}` : 'costs nothing'
  const days = Math.round(place.finish_s / 86_400)
  const late = days > 0 ? `, ${days} d later` : days < 0 ? `, ${-days} d sooner` : ''
  return work + late
}

function pin(place: Schemas['AlternativeStart']) {
  if (!card.value) return
  void muster.command({
    do: 'pin_call',
    call: card.value.id,
    start: place.pin,
    slack_s: place.slack_s,
  })
}

function free() {
  if (card.value)
    void muster.command({ do: 'pin_call', call: card.value.id, start: null, slack_s: 0 })
}

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
  <div ref="box">
    <div class="flex min-h-16 flex-wrap items-center justify-between gap-x-6">
      <div class="flex flex-wrap items-baseline gap-4">
        <h1>Plan</h1>
        <p v-if="board?.left.length">
          <span class="warn"
            >{{
              board.left.length === 1 ? 'One pass is' : `${board.left.length} passes are`
            }}
            left</span
          >: see below the rows
        </p>
        <p v-else-if="board?.pieces.length">
          proven within <b>{{ Math.ceil(board.gap * 100) }} %</b> of the best possible
        </p>
        <span v-if="working" role="status"
          >improving, <b>{{ Math.round((view?.progress.share ?? 0) * 100) }} %</b
          ><template v-if="saved">
            · saved <b>{{ hours(saved) }}</b> so far</template
          >
          <button class="link" @click="work('stop')">Stop, keep the best</button></span
        >
        <button v-else-if="board?.pieces.length" class="link" @click="work('improve')">
          Improve for 20 s
        </button>
        <span v-if="working && !view?.progress.worker" class="warn"
          >The worker is not running: this plan stands, but nothing improves it.</span
        >
        <button class="link" @click="sittingsOpen = true">Sittings …</button>
      </div>
      <SittingBar
        v-if="board"
        class="max-md:hidden"
        :sittings="board.sittings"
        :first="start"
        :shown="shown"
        :zone="muster.zone"
        :parade="!!view?.parade_day"
        @first="first = $event"
      />
    </div>
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
      <MovedCalls :most="2" />
      <Remedies
        v-if="view.head.late_models && !board.left.length"
        :found="outlook"
        :working="working"
      />
      <Evening class="md:hidden" :view="view" :clock="muster.clock" :day="muster.day" />
      <Board
        class="max-md:hidden"
        :view="view"
        :first="start"
        :shown="shown"
        :width="boardWidth"
        :selected="card?.id ?? null"
        :now="now"
        :clock="muster.clock"
        :day="muster.day"
        @select="selected = $event"
      />
      <LeftStrip :rows="board.left" />
      <section
        v-if="card"
        class="mt-3 grid grid-cols-[1fr_auto] gap-6 border-t border-rule pt-3 max-md:hidden"
        aria-live="polite"
      >
        <div>
          <h2>
            {{ card.tray_name }} · {{ card.name
            }}<template v-if="card.mix">, {{ card.mix }}</template>
            <template v-if="card.start && card.end">
              · {{ muster.day(card.start) }} {{ muster.clock(card.start) }} to
              <template v-if="muster.day(card.end) !== muster.day(card.start)">{{
                muster.day(card.end)
              }}</template>
              {{ muster.clock(card.end) }}</template
            >
          </h2>
          <ul class="mt-1">
            <li
              v-for="(one, index) in card.why"
              :key="one"
              class="flex gap-3 before:content-['–'] before:shrink-0"
            >
              <span
                >{{ one }}<span class="text-soft">{{ proofWords(proofs[index]) }}</span></span
              >
            </li>
            <li
              v-if="card.dry_from && card.dry_to"
              class="flex gap-3 before:content-['–'] before:shrink-0"
            >
              <span
                >first model dry at <b>{{ muster.clock(card.dry_from) }}</b>, the tray at
                <b>{{ muster.clock(card.dry_to) }}</b></span
              >
            </li>
          </ul>
          <div class="mt-2 flex items-start gap-3">
            <button v-if="card.pinned" class="btn" @click="free">Unpin</button>
            <Menu v-slot="{ open }" as="div" class="relative">
              <MenuButton id="places" class="btn" @click="findPlaces">Pin here …</MenuButton>
              <MenuItems
                v-if="open"
                class="absolute bottom-full left-0 z-10 mb-2 w-80 border-[1.5px] border-ink bg-ground py-2"
              >
                <p v-if="!places" class="px-4 py-2 text-soft" role="status">
                  Trying each sitting …
                </p>
                <p v-else-if="!places.length" class="px-4 py-2">No other place is legal.</p>
                <MenuItem v-for="place in places" :key="place.pin" v-slot="{ active }">
                  <button
                    class="flex min-h-11 w-full items-center justify-between gap-4 px-4 text-left"
                    :class="{ 'bg-paper': active }"
                    @click="pin(place)"
                  >
                    <span>{{ muster.day(place.start) }} {{ muster.clock(place.start) }}</span>
                    <span class="text-14">{{ cost(place) }}</span>
                  </button>
                </MenuItem>
              </MenuItems>
            </Menu>
          </div>
        </div>
        <div>
          <TraySizes :found="outlook" :working="working" />
          <Remedies
            v-if="!view.head.late_models && outlook?.lifts.length"
            :found="outlook"
            :working="working"
          />
        </div>
      </section>
      <footer
        class="mt-3 flex flex-wrap gap-x-6 gap-y-1 border-t border-rule pt-2 text-14 text-soft max-md:hidden"
      >
        <span>hatch: drying, first model to last</span><span>thin line: ready</span
        ><span>outline: set up, clean up</span><span>stair: one changeover, shared</span
        ><span v-if="board.orders.length">dots: waits for another unit</span
        ><span>pleat: the nights between</span><span>pip filled: passes done</span
        ><span>pip slanted: wet</span><span>pip notched: touch-up</span>
      </footer>
    </template>
  </div>
</template>
