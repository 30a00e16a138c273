<script setup lang="ts">
import type { Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { hours } from '../../words'

/** Other tray sizes beside this plan, and the chance to be in time. */
defineProps<{ found: Schemas['Outlook'] | null; working: boolean }>()

const muster = useMuster()

function percent(share: number): string {
  // Five hundred futures prove neither certainty.
  if (share > 0.995) return 'over 99'
  return share < 0.005 ? 'under 1' : String(Math.round(share * 100))
}
</script>

<template>
  <section v-if="found" class="fig w-[600px] max-w-full" aria-label="Tray sizes and chance">
    <table class="w-full">
      <thead>
        <tr class="text-14 text-soft">
          <th class="pb-1 text-left font-normal">Trays</th>
          <th class="pb-1 pl-4 text-right font-normal">at the bench</th>
          <th class="pb-1 pl-4 text-right font-normal">set-ups</th>
          <th class="pb-1 pl-4 text-right font-normal">finish</th>
          <th class="pb-1 pl-4 text-right font-normal">in hand</th>
          <th><span class="sr-only">Use these sizes</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="row in found.sizes"
          :key="row.name"
          class="h-7 border-t border-rule"
          :class="{ 'font-bold': row.this_plan }"
        >
          <td>{{ row.name }}</td>
          <td class="pl-4 text-right">{{ hours(row.bench_s) }}</td>
          <td class="pl-4 text-right">{{ row.openings }}</td>
          <td class="pl-4 text-right">
            <span v-if="row.left_models" class="warn">{{ row.left_models }} left</span>
            <span v-else-if="row.late_models" class="warn">{{ row.late_models }} late</span>
            <template v-else>{{ row.finish ? muster.day(row.finish) : '' }}</template>
          </td>
          <td class="pl-4 text-right">{{ row.in_hand }}</td>
          <td class="w-16 text-right text-14">
            <button
              v-if="!row.this_plan"
              class="underline decoration-dotted underline-offset-4"
              :aria-label="`Use the trays of: ${row.name}`"
              @click="muster.command(row.command)"
            >
              Use
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="found.why" class="mt-2 text-14 text-soft">{{ found.why }}</p>
    <p v-if="found.in_time !== null" class="mt-1">
      Even if nothing were mended, all in time in <b>{{ percent(found.in_time) }}</b> of 100
      futures<template v-if="found.units[0] && found.units[0].share < 0.995"
        >; least sure {{ found.units[0].name }},
        <b>{{ percent(found.units[0].share) }}</b></template
      ><template v-if="found.matters_most && found.in_time < 0.995"
        >; most hangs on {{ found.matters_most }}</template
      >.
    </p>
  </section>
  <p v-else class="w-[600px] max-w-full text-soft" role="status">
    {{ working ? 'Tray sizes are compared when the plan rests.' : 'Comparing tray sizes …' }}
  </p>
</template>
