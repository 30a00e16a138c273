<script setup lang="ts">
import type { Schemas } from '../../api/client'

/** Between two passes: the wait and its reason, what rules say, and what mends it. */
defineProps<{ seam?: Schemas['Seam']; findings: Schemas['DraftFinding'][] }>()
const emit = defineEmits<{ repair: [way: Schemas['PricedRepair']] }>()
</script>

<template>
  <div class="fig pl-9 text-14">
    <p v-if="seam?.inside.length" class="text-soft">holds {{ seam.inside.join(', ') }}</p>
    <p v-if="seam?.shows" class="text-soft">{{ seam.shows }}</p>
    <p v-if="seam?.instead" class="text-soft">
      in this house with <b>{{ seam.instead }}</b> instead
    </p>
    <p v-for="one in seam?.cautions" :key="one" class="text-soft">{{ one }}</p>
    <div v-for="one in findings" :key="one.code + one.words" class="my-1">
      <p>
        <span :class="one.severity === 'note' ? 'text-soft' : 'warn'">{{
          one.severity === 'note' ? 'Note' : one.severity === 'error' ? 'Goes wrong' : 'Beware'
        }}</span>: {{ one.words }}.
      </p>
      <p v-if="one.repairs.length" class="flex flex-wrap gap-x-4">
        <button
          v-for="way in one.repairs"
          :key="way.words"
          class="link min-h-8"
          @click="emit('repair', way)"
        >
          {{ way.words[0]?.toUpperCase() }}{{ way.words.slice(1)
          }}<template v-if="way.habit"> (throughout the house)</template
          ><template v-if="way.cost">, {{ way.cost }}</template>
        </button>
      </p>
    </div>
    <p v-if="seam && (seam.wait || seam.stated)" class="text-soft">
      wait <b>{{ seam.wait || 'nothing' }}</b><template v-if="seam.stated"
        >, stated by you<template v-if="seam.needed && seam.needed !== seam.wait"
          >; {{ seam.needed }} needed</template
        ></template
      ><template v-if="seam.why">: {{ seam.why }}</template>
    </p>
    <p v-if="seam?.within" class="text-soft">
      the next comes within <b>{{ seam.within }}</b>
    </p>
  </div>
</template>
