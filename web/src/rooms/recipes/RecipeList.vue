<script setup lang="ts">
import type { Schemas } from '../../api/client'
import { count } from '../../words'

defineProps<{ list: Schemas['RecipeOut'][]; code: string | null }>()
const emit = defineEmits<{ choose: [code: string] }>()
</script>

<template>
  <ul aria-label="Recipes" class="max-md:max-h-56 max-md:overflow-y-auto">
    <li v-for="one in list" :key="one.recipe.id" class="border-b border-rule">
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
</template>
