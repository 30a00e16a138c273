<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useShelf } from '../../shelf'

/** A target from a paint or from a recipe's pass. */
const emit = defineEmits<{ choose: [colour: string] }>()
const shelf = useShelf()
const recipes = ref<Schemas['RecipeOut'][]>([])

onMounted(async () => {
  recipes.value = await told(client.GET('/api/recipes')).catch(() => [])
})

const used = computed(() =>
  recipes.value.filter((one) => one.used_by.length && one.recipe.passes.some((p) => p.colour)),
)

function choose(event: Event) {
  const field = event.target as HTMLSelectElement
  if (field.value) emit('choose', field.value)
  field.value = ''
}
</script>

<template>
  <label class="grid gap-1 text-14"
    >or that of
    <select class="field w-full" @change="choose">
      <option value="">choose</option>
      <optgroup v-for="one in used" :key="one.recipe.id" :label="one.recipe.name">
        <template v-for="pass in one.recipe.passes" :key="pass.key">
          <option v-if="pass.colour" :value="pass.colour">{{ pass.name }}</option>
        </template>
      </optgroup>
      <optgroup label="Paints">
        <option v-for="one in shelf.colours" :key="one.id" :value="one.dry">
          {{ one.paint.name }}
        </option>
      </optgroup>
    </select></label
  >
</template>
