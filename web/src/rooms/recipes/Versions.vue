<script setup lang="ts">
import { ref, watch } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'

/** A unit that follows an older version: what the newest would change, and following it. */
const props = defineProps<{ chosen: Schemas['RecipeOut'] }>()
const emit = defineEmits<{ followed: [] }>()
const muster = useMuster()
const found = ref<Record<number, Schemas['DifferenceOut'][]>>({})

const behind = () => props.chosen.used_by.filter((one) => one.version < props.chosen.recipe.version)

watch(
  () => [props.chosen.recipe.id, props.chosen.recipe.version],
  async () => {
    found.value = {}
    for (const since of new Set(behind().map((one) => one.version))) {
      const path = { code: props.chosen.recipe.id }
      const answer = client.GET('/api/recipes/{code}/changes', {
        params: { path, query: { since } },
      })
      const next = await told(answer).catch(() => null)
      if (next) found.value = { ...found.value, [since]: next }
    }
  },
  { immediate: true },
)

async function follow(unit: string) {
  const { id, version } = props.chosen.recipe
  const done = await muster.command({
    do: 'edit_unit', unit, recipe: id, recipe_version: version,
  } as Parameters<typeof muster.command>[0]) // prettier-ignore
  if (done) emit('followed')
}

function said(one: Schemas['DifferenceOut']): string {
  if (!one.values.length) return one.how
  return one.values.map((each) => `${each.what} ${each.old} → ${each.new}`).join('; ')
}
</script>

<template>
  <section
    v-for="one in behind()"
    :key="`${one.muster}:${one.unit}`"
    class="mb-3 border-y border-rule py-2"
    :aria-label="`${one.unit_name} follows version ${one.version}`"
  >
    <p>
      <b>{{ one.unit_name }}</b> ({{ one.muster_name }}) keeps version {{ one.version }}.
      <button v-if="one.muster === muster.view?.id" class="link" @click="follow(one.unit)">
        Follow version {{ chosen.recipe.version }}
      </button>
    </p>
    <ul class="fig text-14">
      <li v-for="each in found[one.version]" :key="each.key">
        <b>{{ each.name }}</b>: {{ said(each).replaceAll('→', 'to') }}
      </li>
    </ul>
  </section>
</template>
