<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { count } from '../../words'

const props = defineProps<{ list: Schemas['RecipeOut'][]; code: string | null }>()
const emit = defineEmits<{ choose: [code: string]; back: [code: string] }>()
const away = computed(() => props.list.filter((one) => one.put_away && !one.used_by.length))
const here = computed(() => props.list.filter((one) => !away.value.includes(one)))
</script>

<template>
  <div>
    <ul aria-label="Recipes" class="max-md:max-h-56 max-md:overflow-y-auto">
      <li v-for="one in here" :key="one.recipe.id" class="border-b border-rule">
        <button
          class="min-h-12 w-full border-l-4 border-transparent py-1 pl-2 text-left"
          :class="{ 'border-l-ink!': one.recipe.id === code }"
          :aria-current="one.recipe.id === code"
          @click="emit('choose', one.recipe.id)"
        >
          <b>{{ one.recipe.name }}</b>
          <span class="fig block text-14 text-soft"
            >{{ count(one.recipe.passes.length, 'pass', 'passes') }}, version {{ one.recipe.version
            }}<template v-if="one.used_by.length"
              >; {{ one.used_by.map((unit) => unit.unit_name).join(', ') }}</template
            ></span
          >
        </button>
      </li>
    </ul>
    <details v-if="away.length" class="mt-2">
      <summary class="min-h-11 cursor-pointer text-soft">
        {{ count(away.length, 'recipe') }} put away
      </summary>
      <p v-for="one in away" :key="one.recipe.id" class="flex items-center justify-between gap-2">
        {{ one.recipe.name }}
        <button class="link" @click="emit('back', one.recipe.id)">Bring back</button>
      </p>
    </details>
  </div>
</template>
