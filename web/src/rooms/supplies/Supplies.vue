<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { begun, count } from '../../words'
import DateField from '../../parts/DateField.vue'
import Areas from './Areas.vue'
import Ground from './Ground.vue'

const muster = useMuster()
const room = ref<Schemas['Supplies'] | null>(null)
const id = computed(() => muster.view?.id)
const short = computed(() => room.value?.rows.filter((one) => one.need.short_ml > 0) ?? [])
const today = computed(() => muster.view?.now.slice(0, 10) ?? '')

const path = () => ({ params: { path: { muster_id: id.value ?? 0 } } })

watch(
  () => [id.value, muster.view?.version, muster.view?.bench.last_fact],
  () => void load(),
  { immediate: true },
)

async function load() {
  if (id.value === undefined) return
  const next = await muster.attempt(() =>
    told(client.GET('/api/musters/{muster_id}/supplies', path())),
  )
  if (next) room.value = next
}

async function wait(paint: string, day: string) {
  const body = { seen: room.value?.house ?? 0, paint, day: day || null }
  const next = await muster.attempt(() =>
    told(client.POST('/api/musters/{muster_id}/supplies/await', { ...path(), body })),
  )
  if (!next) return void load()
  room.value = next
  if (id.value !== undefined) await muster.load(id.value)
}

const ml = (value: number) => (value < 10 ? value.toFixed(1) : String(Math.round(value)))
/** By unit, what takes most first. */
const unitsOf = (one: Schemas['Requirement']) =>
  Object.entries(one.by_unit).sort(([, a], [, b]) => b - a)
const unitWords = (one: Schemas['Requirement']) => {
  const all = unitsOf(one)
  return all.length === 1 ? (all[0]?.[0] ?? '') : `${all.length} units`
}
const open = ref<string | null>(null)
const print = () => window.print()
</script>

<template>
  <div class="flex min-h-14 flex-wrap items-center justify-between gap-3">
    <h1>Supplies</h1>
    <div class="flex gap-3 print:hidden">
      <a v-if="id" class="btn" :href="`/api/musters/${id}/supplies/file`" download
        >Shopping list as CSV</a
      >
      <button class="btn" @click="print">Print</button>
    </div>
  </div>
  <template v-if="room">
    <p v-if="!room.rows.length" class="py-3 text-soft">
      Nothing is needed: no pass that is still to come names a mix.
      <RouterLink v-if="id" class="btn ml-3" :to="`/${id}/recipes`">To the recipes</RouterLink>
    </p>
    <p v-else class="mb-2 text-18">
      <template v-if="short.length"
        ><b>{{ begun(count(short.length, 'paint')) }}</b> short<template v-if="room.cost"
          >, <b>{{ room.cost.toFixed(2) }}</b> in pots</template
        ><template v-if="room.unpriced"
          >, {{ count(room.unpriced, 'paint') }} without a size or price</template
        >.</template
      ><template v-else>The shelf is enough for everything still to come.</template>
    </p>
    <div class="overflow-x-auto">
      <table v-if="room.rows.length" class="w-full text-left">
        <caption class="sr-only">
          What is still needed of each paint
        </caption>
        <thead class="text-14">
          <tr class="border-b border-rule">
            <th scope="col" class="py-2">Paint</th>
            <th scope="col" class="pl-5 text-right">Needed, ml</th>
            <th scope="col" class="pl-5 text-right">On the shelf</th>
            <th scope="col" class="pl-5 text-right">Short</th>
            <th scope="col" class="pl-5 text-right">Pots</th>
            <th scope="col" class="pl-5 text-right">Cost</th>
            <th scope="col" class="pl-6">Comes on</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ need, awaited } in room.rows"
            :key="need.paint"
            class="fig border-b border-rule align-top"
          >
            <th scope="row" class="py-2 font-semibold">
              {{ need.paint }}
              <button
                v-if="unitsOf(need).length"
                class="block min-h-6 text-left text-14 font-normal text-soft underline decoration-dotted underline-offset-4"
                :aria-expanded="open === need.paint"
                :aria-label="`${unitWords(need)}: what it takes of ${need.paint}`"
                @click="open = open === need.paint ? null : need.paint"
              >
                {{ unitWords(need) }}
              </button>
              <dl
                v-if="open === need.paint"
                class="my-1 grid grid-cols-[auto_auto] justify-start gap-x-6 text-14 font-normal"
              >
                <template v-for="[unit, amount] in unitsOf(need)" :key="unit">
                  <dt>{{ unit }}</dt>
                  <dd class="text-right">{{ ml(amount) }} ml</dd>
                </template>
              </dl>
            </th>
            <td class="py-2 pl-5 text-right">{{ ml(need.ml) }}</td>
            <td class="py-2 pl-5 text-right">
              {{
                !need.owned
                  ? 'not owned'
                  : need.left_ml === null
                    ? 'not weighed'
                    : ml(need.left_ml ?? 0)
              }}
            </td>
            <td class="py-2 pl-5 text-right" :class="{ warn: need.short_ml > 0 }">
              {{ need.short_ml > 0 ? ml(need.short_ml) : '' }}
            </td>
            <td class="py-2 pl-5 text-right">{{ need.pots ?? '' }}</td>
            <td class="py-2 pl-5 text-right">{{ need.cost?.toFixed(2) ?? '' }}</td>
            <td class="py-1 pl-6">
              <DateField
                v-if="need.short_ml > 0 || awaited"
                class="print:hidden"
                :label="`${need.paint} comes on`"
                :min="today"
                :model-value="awaited ?? ''"
                @update:model-value="wait(need.paint, $event)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="room.rows.length" class="mt-2 max-w-[70ch] text-14 text-soft">
      Area, coats, wet film and what the tool loses, with what stays in cup and palette; a seventh
      more is bought than is needed. A paint with a day to come holds back every call that takes it.
    </p>
    <Areas :areas="room.areas" />
    <Ground />
  </template>
  <p v-else-if="!muster.failed" class="py-3 text-soft" role="status">Reckoning what is needed …</p>
</template>
