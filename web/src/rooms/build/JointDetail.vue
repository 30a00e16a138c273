<script setup lang="ts">
import { computed } from 'vue'
import { WAY_WORDS, type BuildState, type Way } from './build'
import { place, placed } from './moves'

/** The joint in view: why it is done so, and what each of its ways takes. */
const props = defineProps<{ build: BuildState }>()

const view = computed(() => props.build.view.value)
const mouth = computed(() => props.build.mouth.value)
const columns = computed(() => view.value?.columns ?? [])
const planOf = (way: Way) => props.build.planned.value?.find((one) => one.way === way)

function choose(way: Way | null) {
  const unit = props.build.unit.value
  if (mouth.value && unit)
    void props.build.change({ do: 'set_joint', unit, joint: mouth.value.joint, way, before: null })
}

function shift(by: number) {
  const unit = props.build.unit.value
  if (mouth.value && unit)
    void props.build.change(placed(unit, mouth.value, columns.value, mouth.value.column + by))
}
</script>

<template>
  <section
    v-if="view && mouth"
    class="grid gap-x-12 gap-y-4 border-t-2 border-ink pt-3 lg:grid-cols-[minmax(300px,390px)_1fr]"
  >
    <div>
      <h2>
        {{ mouth.title
        }}<span class="font-normal text-soft">, {{ place(columns, mouth.column) }}</span>
      </h2>
      <p class="text-soft">{{ mouth.holds }}</p>
      <p class="mt-2 max-w-[60ch]" data-reason>{{ mouth.reason }}</p>
      <div class="mt-3 flex flex-wrap gap-3">
        <button class="btn" :disabled="mouth.column === 0" @click="shift(-1)">
          Join it sooner
        </button>
        <button class="btn" :disabled="mouth.column === columns.length" @click="shift(1)">
          Join it later
        </button>
        <button v-if="mouth.said || mouth.moved" class="btn" @click="choose(null)">
          As proposed
        </button>
        <button v-else class="btn" @click="choose(mouth.way)">Keep it so</button>
      </div>
    </div>
    <div class="overflow-x-auto">
      <table class="w-full">
        <caption class="sr-only">
          Ways of this joint
        </caption>
        <thead class="text-14">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1.5 text-left font-normal">
              <span class="sr-only">Way</span>
            </th>
            <th scope="col" class="pl-4 text-right font-normal whitespace-nowrap text-soft">
              a model
            </th>
            <th scope="col" class="pl-4 text-right font-normal whitespace-nowrap text-soft">
              {{ view.models === 1 ? 'in all' : `all ${view.models}` }}
            </th>
            <th scope="col" class="pl-4 text-right font-normal whitespace-nowrap text-soft">
              evenings
            </th>
            <th scope="col" class="pl-8 text-left font-normal text-soft max-md:hidden">
              what can go wrong, already counted
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="one in mouth.ways"
            :key="one.way"
            class="border-b border-rule"
            :class="{ 'font-semibold': one.way === mouth.way }"
          >
            <th
              scope="row"
              class="border-l-4 pl-2 text-left font-normal"
              :class="one.way === mouth.way ? 'border-ink font-bold!' : 'border-transparent'"
            >
              <button
                class="min-h-11 w-full pr-4 text-left whitespace-nowrap"
                :aria-pressed="one.way === mouth.way"
                @click="choose(one.way)"
              >
                {{ WAY_WORDS[one.way] }}
                <span
                  class="block pb-2 text-14 font-normal whitespace-normal text-soft md:hidden"
                  >{{ one.risks }}</span
                >
              </button>
            </th>
            <td class="fig pl-4 text-right whitespace-nowrap">{{ Math.round(one.minutes) }} min</td>
            <td class="fig pl-4 text-right">{{ Math.round(one.batch) }}</td>
            <td class="fig pl-4 text-right whitespace-nowrap">
              <template v-if="planOf(one.way)">{{ planOf(one.way)!.evenings }}</template>
              <span v-else :title="'Bound: the plan is being made'" class="text-soft"
                >≥ {{ one.evenings_least }}</span
              >
            </td>
            <td class="pl-8 text-14 max-md:hidden">
              {{ one.risks || 'nothing to speak of' }}
              <span v-if="one.column === null" class="text-warning"
                >· only where what goes in first is fixed, too</span
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
