<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { begun, count, hours } from '../../words'
import { costs } from './left'
import { keyOf, useWays } from './ways'
import type { Offer, useAlternatives } from './alternatives'

/** What finds no place, what it would take, and what else could be: each priced, to be looked at
 * beside the plan or taken at once. */
const props = defineProps<{
  left: Schemas['LeftRow'][]
  found: Schemas['Outlook'] | null
  working: boolean
  others: ReturnType<typeof useAlternatives>
}>()

type Priced = Pick<
  Schemas['Remedy'],
  'bench_s' | 'openings' | 'finish' | 'in_hand' | 'late_models' | 'left_models'
>
interface Row extends Partial<Priced> {
  key: string
  offer: Offer | null
  kept?: number
}

const muster = useMuster()
const { ways, ask } = useWays(() => props.left)
const { tried, trying, kept, gone } = props.others
const groups = computed<{ title: string; rows: Row[] }[]>(() => {
  const { found } = props
  const priced = (one: Schemas['Remedy']): Row => ({
    ...one,
    key: one.words,
    offer: { words: one.words, command: one.command },
  })
  const sizes = (found?.sizes ?? []).map((one) => ({
    ...one,
    key: one.name,
    offer: one.this_plan ? null : { words: one.name, command: one.command },
  }))
  const remember = kept.value.map((one) => ({
    key: `kept ${one.id}`,
    offer: { words: one.name, command: one.command },
    kept: one.id,
  }))
  return [
    { title: 'What it would take', rows: (found?.remedies ?? []).map(priced) },
    { title: 'Trays', rows: sizes },
    { title: 'With the time to spare', rows: (found?.lifts ?? []).map(priced) },
    { title: 'Or else', rows: (found?.others ?? []).map(priced) },
    { title: 'Kept beside', rows: remember },
  ].filter((group) => group.rows.length)
})

function percent(share: number): string {
  // Five hundred futures prove neither certainty.
  if (share > 0.995) return 'over 99'
  return share < 0.005 ? 'under 1' : String(Math.round(share * 100))
}
</script>

<template>
  <section class="fig min-w-0" aria-label="What is left, and offers">
    <div v-for="row in left" :key="keyOf(row)" class="border-b border-rule pb-1">
      <p>
        <b class="warn">Left: {{ row.title }}</b
        >: {{ muster.said(row.sentence) }}.
        <span class="text-soft"
          >{{ begun(count(row.models.length, 'model'))
          }}<template v-if="row.waiting.length">; {{ row.waiting.join(', ') }} wait for it</template
          >.</span
        >
      </p>
      <p v-if="ways.get(keyOf(row)) === null" class="text-soft" role="status">
        Planning what would place it …
      </p>
      <button v-else-if="!ways.has(keyOf(row))" class="link" @click="ask(row)">
        What would place it?
      </button>
      <ul v-else>
        <li
          v-for="way in ways.get(keyOf(row))"
          :key="way.words"
          class="flex min-h-9 items-center justify-between gap-3"
        >
          <span
            >{{ begun(way.words) }} <span class="text-soft">{{ costs(way) }}</span></span
          >
          <span class="flex shrink-0 gap-1">
            <button
              class="link min-h-9"
              :aria-label="`Look at: ${row.title}: ${way.words}`"
              @click="others.look({ words: `${row.title}: ${way.words}`, command: way.command })"
            >
              Look
            </button>
            <button
              class="link min-h-9"
              :aria-label="`Do it: ${row.title}: ${way.words}`"
              @click="muster.command(way.command)"
            >
              Do it
            </button>
          </span>
        </li>
      </ul>
    </div>
    <table v-if="groups.length" class="w-full">
      <thead>
        <tr class="text-14 text-soft">
          <th class="pb-1 text-left font-normal">{{ groups[0]?.title }}</th>
          <th class="pb-1 pl-3 text-right font-normal">at the bench</th>
          <th class="pb-1 pl-3 text-right font-normal max-md:hidden">set-ups</th>
          <th class="pb-1 pl-3 text-right font-normal">finish</th>
          <th class="pb-1 pl-3 text-right font-normal max-md:hidden">in hand</th>
          <th><span class="sr-only">Look at it, take it</span></th>
        </tr>
      </thead>
      <tbody v-for="(group, index) in groups" :key="group.title">
        <tr v-if="index" class="text-14 text-soft">
          <th colspan="6" class="pt-3 pb-1 text-left font-normal">{{ group.title }}</th>
        </tr>
        <tr
          v-for="row in group.rows"
          :key="row.key"
          class="h-8 border-t border-rule"
          :class="{ 'font-bold': !row.offer, 'bg-paper': tried?.offer.words === row.offer?.words }"
        >
          <td>{{ row.offer ? begun(row.offer.words) : row.key }}</td>
          <template v-if="row.bench_s !== undefined">
            <td class="pl-3 text-right whitespace-nowrap">{{ hours(row.bench_s) }}</td>
            <td class="pl-3 text-right max-md:hidden">{{ row.openings }}</td>
            <td class="pl-3 text-right whitespace-nowrap">
              <span v-if="row.left_models" class="warn">{{ row.left_models }} left</span>
              <span v-else-if="row.late_models" class="warn">{{ row.late_models }} late</span>
              <template v-else>{{ row.finish ? muster.day(row.finish) : '' }}</template>
            </td>
            <td class="pl-3 text-right max-md:hidden">{{ row.in_hand }}</td>
          </template>
          <td v-else colspan="4" />
          <td class="w-28 text-right text-14 md:whitespace-nowrap max-md:w-16">
            <template v-if="row.offer">
              <button
                class="link min-h-8"
                :disabled="trying !== null"
                :aria-label="`Look at: ${row.offer.words}`"
                @click="others.look(row.offer)"
              >
                {{ trying === row.offer.words ? 'Planning …' : 'Look' }}
              </button>
              <button
                v-if="row.kept"
                class="link min-h-8"
                :aria-label="`Let go: ${row.offer.words}`"
                @click="others.letGo(row.kept)"
              >
                Let go
              </button>
              <button
                v-else
                class="link min-h-8"
                :aria-label="`Take: ${row.offer.words}`"
                @click="others.take(row.offer)"
              >
                Take
              </button>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="gone" role="status">
      {{ begun(gone.words) }} let go.
      <button class="link" @click="others.putBack()">Put it back</button>
    </p>
    <p v-if="found?.why" class="mt-2 text-14 text-soft">{{ muster.said(found.why) }}</p>
    <p v-if="found && found.in_time !== null" class="mt-1">
      Even if nothing were mended, all in time in <b>{{ percent(found.in_time) }}</b> of 100
      futures<template v-if="found.units[0] && found.units[0].share < 0.995"
        >; least sure {{ found.units[0].name }},
        <b>{{ percent(found.units[0].share) }}</b></template
      ><template v-if="found.matters_most && found.in_time < 0.995"
        >; most hangs on {{ found.matters_most }}</template
      >.
    </p>
    <p v-if="!found" class="text-soft" role="status">
      {{ working ? 'Offers are planned when the plan rests.' : 'Planning what else could be …' }}
    </p>
  </section>
</template>
