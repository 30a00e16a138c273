<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import Patch from '../../parts/Patch.vue'
import { useShelf, type Mix, type Pot } from '../../shelf'
import { count, date } from '../../words'
import { readHex } from './mixing'

/** Pots that were mixed: what they dried to, mixed again, used in a recipe. */
const emit = defineEmits<{ take: [mix: Mix]; target: [colour: string] }>()
const shelf = useShelf()
const muster = useMuster()
const recipes = ref<Schemas['RecipeOut'][]>([])
const said = ref('')
let thrown = 0

onMounted(load)

async function load() {
  recipes.value = await told(client.GET('/api/recipes')).catch(() => [])
}

const path = (pot_id: number) => ({ params: { path: { pot_id } } })

async function dried(pot: Pot, event: Event) {
  const colour = readHex((event.target as HTMLInputElement).value)
  if (!colour) return
  const done = await muster.attempt(() =>
    told(client.POST('/api/pots/{pot_id}/dried', { ...path(pot.id), body: { colour } })),
  )
  if (!done) return
  shelf.pots = done.pots
  if (done.off_shelf) said.value = 'A paint of it is no longer on the shelf: nothing is learnt.'
  else if (!done.learnt) said.value = `It dried as predicted: there is nothing to learn.`
  else
    said.value =
      `${count(done.learnt, 'paint')} learnt; ` +
      `the same mix is now predicted ${done.after} (before: ${done.before}).`
  await shelf.load()
}

async function again(pot: Pot) {
  const mixes = await muster.attempt(() =>
    told(client.POST('/api/pots/{pot_id}/again', path(pot.id))),
  )
  emit('target', pot.dried || pot.predicted)
  if (mixes?.[0]) emit('take', mixes[0])
}

/** Each press throws anew. */
async function tone(pot: Pot) {
  const body = { spread: 2, seed: ++thrown }
  const mix = await muster.attempt(() =>
    told(client.POST('/api/pots/{pot_id}/tone', { ...path(pot.id), body })),
  )
  emit('target', pot.dried || pot.predicted)
  if (mix) emit('take', mix)
}

const empty = (pot: Pot) =>
  shelf.pot(() => told(client.POST('/api/pots/{pot_id}/empty', path(pot.id))))

async function use(pot: Pot, event: Event) {
  const field = event.target as HTMLSelectElement
  const [recipe, key] = field.value.split('/')
  field.value = ''
  const now = recipes.value.find((one) => one.recipe.id === recipe)
  if (!recipe || !key || !now) return
  const body = { recipe, key, seen: now.recipe.version }
  const done = await muster.attempt(() =>
    told(client.POST('/api/pots/{pot_id}/use', { ...path(pot.id), body })),
  )
  if (!done) return
  const units = done.units.length ? `; ${done.units.join(', ')} follow` : ''
  said.value = `${now.recipe.name} is version ${done.version} now${units}.`
  await load()
  if (muster.view) await muster.load(muster.view.id)
}

const day = (pot: Pot) => date(pot.made_at.slice(0, 10))

/** How it dried against what was foretold, in words of lightness. */
function dry(pot: Pot): string {
  if (pot.off == null || pot.lighter == null) return ''
  if (pot.off < 1) return 'dried as predicted'
  const how = Math.abs(pot.lighter) < 0.5 ? 'as light' : pot.lighter > 0 ? 'lighter' : 'darker'
  return `dried ${pot.off.toFixed(1)} apart from what was predicted, ${how}`
}

const drops = (pot: Pot) => pot.drops.map((one) => `${one.drops} ${one.name}`).join(' + ')
</script>

<template>
  <section v-if="shelf.pots.length" class="border-t border-key pt-2" aria-labelledby="pots">
    <div class="flex flex-wrap items-baseline gap-x-4">
      <h2 id="pots">Pots</h2>
      <p class="text-14 text-soft">each as it was meant, as it was predicted, and as it dried</p>
    </div>
    <p v-if="said" role="status">{{ said }}</p>
    <ul>
      <li
        v-for="pot in shelf.pots"
        :key="pot.id"
        class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-1"
      >
        <span class="flex bg-paper p-1"
          ><Patch :colour="pot.target" :height="30" /><Patch
            :colour="pot.predicted"
            :height="30" /><Patch :colour="pot.dried || 'var(--paper)'" :height="30"
        /></span>
        <div class="min-w-48 flex-1">
          <b>{{ pot.name }}</b> <span class="fig text-14 text-soft">{{ day(pot) }}</span>
          <span class="fig block text-14 text-soft">{{ drops(pot) }}</span>
          <span v-if="pot.dried" class="fig block text-14">{{ dry(pot) }}</span>
        </div>
        <label class="flex items-center gap-2 text-14"
          >dried to
          <input
            class="field fig w-28"
            maxlength="7"
            placeholder="#6b7a3a"
            :value="pot.dried"
            @change="dried(pot, $event)"
        /></label>
        <button class="link" @click="again(pot)">Mix it again</button>
        <button v-if="pot.dried" class="link" @click="emit('target', pot.dried)">
          Match what dried
        </button>
        <button class="link" @click="tone(pot)">In tone, not the same</button>
        <label class="text-14"
          ><span class="sr-only">Use {{ pot.name }} in a recipe</span>
          <select class="field w-44" @change="use(pot, $event)">
            <option value="">Use in a recipe</option>
            <optgroup v-for="one in recipes" :key="one.recipe.id" :label="one.recipe.name">
              <option
                v-for="pass in one.recipe.passes.filter((each) => each.colour)"
                :key="pass.key"
                :value="`${one.recipe.id}/${pass.key}`"
              >
                {{ pass.name }}
              </option>
            </optgroup>
          </select></label
        >
        <button class="link" :aria-label="`${pot.name} is used up`" @click="empty(pot)">
          Used up
        </button>
      </li>
    </ul>
  </section>
</template>
