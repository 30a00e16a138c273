<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useMuster } from '../muster'
import { dayMonth } from '../dates'
import { count, date, hours } from '../words'
import { beginFinding } from '../finding'
import { useTour } from './tour'
import Complaints from './Complaints.vue'
import Figure from './Figure.vue'
import RefusedFacts from './RefusedFacts.vue'
import Unplanned from './Unplanned.vue'
import WaitingFacts from './WaitingFacts.vue'

const muster = useMuster()
const route = useRoute()
const tour = useTour()
const id = computed(() => Number(route.params.id))
const head = computed(() => muster.view?.head)
const board = computed(() => muster.view?.board)
const phone = useMediaQuery('(max-width: 767px)')
const passes = computed(() =>
  (muster.view?.roll ?? []).map((row) => {
    const pips = row.trays.flatMap((tray) => tray.pips)
    const sum = (of: (pip: (typeof pips)[number]) => number) =>
      pips.reduce((total, pip) => total + of(pip), 0)
    return { name: row.unit.name, done: sum((pip) => pip.done), of: sum((pip) => pip.of) }
  }),
)
const done = computed(() => {
  const { passes_done = 0, passes: all = 0 } = head.value ?? {}
  // Neither nothing nor all is said before it is true.
  if (!all || passes_done === all) return all ? 100 : 0
  return Math.min(99, Math.max(passes_done ? 1 : 0, Math.round((100 * passes_done) / all)))
})
const chores = computed(() =>
  (board.value?.chores ?? []).reduce(
    (sum, one) => sum + (Date.parse(one.end) - Date.parse(one.start)) / 1000,
    0,
  ),
)
const spare = computed(() =>
  (board.value?.sittings ?? []).filter((one) => !one.used_s && !one.after_parade),
)
const daysLeft = computed(() => {
  const view = muster.view
  if (!view?.head.parade_day) return 0
  return Math.ceil((Date.parse(view.head.parade_day) - Date.parse(view.now)) / 86_400_000)
})

watch(id, (now) => now && muster.load(now), { immediate: true })
</script>

<template>
  <header
    class="flex min-h-14 flex-wrap items-center gap-x-4 border-b border-rule px-4 py-2 text-18 max-md:min-h-0 max-md:py-0 max-md:text-16"
    :class="{ 'tall max-md:hidden': route.name === 'bench' }"
  >
    <p v-if="head" class="flex-1">
      <Figure :words="head.name" title="The muster">
        <li>
          <RouterLink to="/musters" class="link px-0">All musters</RouterLink>
        </li>
        <li>
          <RouterLink :to="{ name: 'house', params: { id } }" class="link px-0">House</RouterLink>
        </li>
        <li>
          <a class="link px-0" :href="`/api/musters/${id}/file`" download>Export this one</a>
        </li>
        <li><button class="link px-0" @click="beginFinding()">Find …</button></li>
        <li><button class="link px-0" @click="tour.begin()">Take the tour</button></li> </Figure
      >{{ phone ? ' · ' : ' muster · ' }}
      <Figure :words="`${head.models_left} of ${head.models}`" title="Models still to do">
        <li v-for="row in muster.view?.roll" :key="row.unit.id">
          {{ row.unit.name }} <b>{{ row.unit.count - row.models_done }}</b> of {{ row.unit.count }}
        </li>
      </Figure>
      {{ phone ? ' to do, ' : ' models still to do, ' }}
      <Figure :words="`${done} %`" title="Passes done">
        <li v-for="row in passes" :key="row.name">
          {{ row.name }} <b>{{ row.done }}</b> of {{ row.of }}
        </li>
      </Figure>
      done ·
      <Figure :words="hours(head.bench_s)" title="Bench work still to come">
        <li v-for="row in muster.view?.roll" :key="row.unit.id">
          {{ row.unit.name }} <b>{{ hours(row.hours_left * 3600) }}</b>
        </li>
        <li>
          Setting up and cleaning up <b>{{ hours(chores) }}</b>
        </li>
      </Figure>
      {{ phone ? '' : ' at the bench'
      }}<template v-if="head.parade_day">
        {{ phone ? ' · ' : ' · parade ' }}
        <Figure
          :words="phone ? dayMonth(head.parade_day) : date(head.parade_day)"
          title="Parade day"
        >
          <li>
            in <b>{{ daysLeft }}</b> days
          </li>
          <li v-if="muster.view?.board.pieces.length">
            the last call ends
            <b
              >{{ muster.day(muster.view.board.finish) }}
              {{ muster.clock(muster.view.board.finish) }}</b
            >
          </li>
        </Figure></template
      ><template v-else-if="head.done_by">
        · done by
        <Figure :words="date(head.done_by)" title="No parade day">
          <li>That is when the plan has everything finished and dry.</li>
        </Figure></template
      >
      ·
      <span v-if="head.left_models" class="warn"
        >{{ count(head.left_models, 'model') }} left: see Plan</span
      >
      <span v-else-if="head.late_models" class="warn"
        >{{ count(head.late_models, 'model') }} late</span
      >
      <template v-else-if="head.parade_day">
        <Figure :words="String(head.sittings_in_hand)" title="Sittings the plan leaves free">
          <li v-for="one in spare" :key="one.start">
            {{ muster.day(one.start) }}
            <b>{{ muster.clock(one.start) }} to {{ muster.clock(one.end) }}</b>
          </li>
          <li v-if="!spare.length">Every sitting is used.</li>
        </Figure>
        {{ phone ? ' ' : head.sittings_in_hand === 1 ? ' sitting ' : ' sittings ' }}in
        hand</template
      ><span v-else class="text-soft">no parade day</span>
    </p>
    <p v-else-if="muster.failed" class="flex-1">
      The muster could not be read.
      <button class="link" @click="muster.load(id)">Try again</button>
      <RouterLink class="link" to="/musters">All musters</RouterLink>
    </p>
    <p v-else class="flex-1 text-soft" role="status">Reading the muster …</p>
    <WaitingFacts v-if="route.name !== 'bench'" />
  </header>
  <Complaints class="px-4" />
  <RefusedFacts v-if="muster.refused.length" class="mx-4" />
  <Unplanned v-if="muster.view?.trouble.length" class="mx-4" :words="muster.view.trouble" />
</template>
