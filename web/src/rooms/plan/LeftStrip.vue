<script setup lang="ts">
import { ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { count } from '../../words'
import { costs } from './left'

/** What finds no place: what is wrong, and what would place it, the cheapest first. */
const props = defineProps<{ rows: Schemas['LeftRow'][] }>()

/** So many rows show at once what would place them; the others at a press. */
const MOST_ASKED = 2

const muster = useMuster()
const ways = ref(new Map<string, Schemas['LeftRemedy'][] | null>())
const keyOf = (row: Schemas['LeftRow']) => row.calls[0] ?? row.title

async function ask(row: Schemas['LeftRow']) {
  const id = muster.view?.id
  const call = row.calls[0]
  if (id === undefined || !call || ways.value.has(call)) return
  ways.value.set(call, null)
  const path = { muster_id: id }
  const found = await told(
    client.GET('/api/musters/{muster_id}/plan/left', { params: { path, query: { call } } }),
  ).catch(() => [])
  ways.value.set(call, found)
}

watch(
  () => `${muster.view?.progress.made_for} ${props.rows.map(keyOf).join()}`,
  () => {
    ways.value = new Map()
    props.rows.slice(0, MOST_ASKED).forEach((row) => void ask(row))
  },
  { immediate: true },
)
</script>

<template>
  <section
    v-if="rows.length"
    class="mt-3 border-t-2 border-ink pt-2"
    aria-label="Left: what finds no place"
  >
    <h2>Left</h2>
    <div
      v-for="row in rows"
      :key="keyOf(row)"
      class="grid grid-cols-[minmax(300px,2fr)_3fr] gap-x-6 border-b border-rule py-2 max-md:grid-cols-1"
    >
      <p>
        <b>{{ row.title }}</b>: {{ row.sentence }}.
        <span class="text-soft"
          >{{ count(row.models.length, 'model')
          }}<template v-if="row.waiting.length">; {{ row.waiting.join(', ') }} wait for it</template
          >.</span
        >
      </p>
      <div>
        <p v-if="ways.get(keyOf(row)) === null" class="text-soft" role="status">
          Planning what would place it …
        </p>
        <button v-else-if="!ways.has(keyOf(row))" class="link" @click="ask(row)">
          What would place it?
        </button>
        <ul v-else class="fig">
          <li
            v-for="way in ways.get(keyOf(row))"
            :key="way.words"
            class="flex min-h-11 items-center justify-between gap-4"
          >
            <span
              >{{ way.words }} <span class="text-soft">{{ costs(way) }}</span></span
            >
            <button
              class="btn"
              :aria-label="`${row.title}: ${way.words}`"
              @click="muster.command(way.command)"
            >
              Do it
            </button>
          </li>
        </ul>
      </div>
    </div>
  </section>
</template>
