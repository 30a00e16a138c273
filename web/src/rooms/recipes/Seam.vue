<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { count } from '../../words'
import FoundHere from './FoundHere.vue'

/** Between two passes: the wait and its reason, what rules say, and what mends it. */
const props = defineProps<{ seam?: Schemas['Seam']; findings: Schemas['DraftFinding'][] }>()
const emit = defineEmits<{ repair: [way: Schemas['PricedRepair']] }>()
const grave = computed(() => props.findings.filter((one) => one.severity !== 'note'))
const notes = computed(() => props.findings.filter((one) => one.severity === 'note'))
</script>

<template>
  <div class="fig pl-9 text-14">
    <p v-if="seam?.inside.length" class="text-soft">holds {{ seam.inside.join(', ') }}</p>
    <p v-if="seam?.shows" class="text-soft">{{ seam.shows }}</p>
    <p v-if="seam?.instead" class="text-soft">
      in this house with <b>{{ seam.instead }}</b> instead
    </p>
    <p v-for="one in seam?.cautions" :key="one" class="text-soft">{{ one }}</p>
    <FoundHere
      v-for="one in grave"
      :key="one.code + one.words"
      :finding="one"
      @repair="emit('repair', $event)"
    />
    <details v-if="notes.length">
      <summary class="min-h-8 cursor-pointer text-soft">{{ count(notes.length, 'note') }}</summary>
      <FoundHere
        v-for="one in notes"
        :key="one.code + one.words"
        :finding="one"
        @repair="emit('repair', $event)"
      />
    </details>
    <p v-if="seam && (seam.wait || seam.stated)" class="text-soft">
      wait <b>{{ seam.wait || 'nothing' }}</b><template v-if="seam.stated"
        >, stated by you<template v-if="seam.needed && seam.needed !== seam.wait"
          >; {{ seam.needed }} needed</template
        ></template
      ><template v-if="seam.why">: {{ seam.why }}</template>
    </p>
    <p v-if="seam?.offer">
      <button class="link min-h-8" @click="emit('repair', seam.offer)">
        {{ seam.offer.words[0]?.toUpperCase() }}{{ seam.offer.words.slice(1) }},
        {{ seam.offer.cost }}
      </button>
    </p>
    <p v-if="seam?.within" class="text-soft">
      the next comes within <b>{{ seam.within }}</b>
    </p>
  </div>
</template>
