<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useVocabulary } from '../../vocabulary'
import { readHex, type Mixing } from './mixing'
import Target from './Target.vue'

/** The colour that is meant, and from what it may be mixed. */
const props = defineProps<{ mixing: Mixing }>()
const { target, most, inStock, kinds } = props.mixing
const known = useVocabulary()
const text = ref(target.value)
const wrong = ref(false)

watch(target, (now) => {
  text.value = now
  wrong.value = false
})

function set() {
  const hex = readHex(text.value)
  wrong.value = hex === null
  if (!hex) return
  target.value = hex
  void props.mixing.match()
}

/** A group is taken in or left out; one at least stays. */
function ask(group: string) {
  const now = kinds.value.includes(group)
    ? kinds.value.filter((one) => one !== group)
    : [...kinds.value, group]
  if (!now.length) return
  kinds.value = now
  void props.mixing.match()
}
const from = computed(
  () =>
    `from ${kinds.value.join(', ')}, up to ${most.value} ${most.value === 1 ? 'paint' : 'paints'}${inStock.value ? ', in stock' : ''}`,
)
</script>

<template>
  <form class="flex flex-wrap items-end gap-x-3 gap-y-2" @submit.prevent="set">
    <label class="grid gap-1 text-14"
      >Meant, dry
      <span class="flex">
        <input
          type="color"
          class="h-11 w-12 border-[1.5px] border-key bg-ground p-1"
          :value="target"
          aria-label="Choose the colour"
          @change="((text = ($event.target as HTMLInputElement).value), set())"
        />
        <input v-model="text" class="field fig w-24" maxlength="9" spellcheck="false" />
      </span>
    </label>
    <Target class="min-w-0 flex-1" @choose="((text = $event), set())" />
    <button class="btn btn-main">Find a mix</button>
  </form>
  <p v-if="wrong" class="warn" role="alert">
    That is no colour: type six hexadecimal digits such as #6b7a3a.
  </p>
  <details class="text-14">
    <summary class="fig min-h-9 cursor-pointer content-center text-soft">{{ from }}</summary>
    <fieldset class="flex flex-wrap items-center gap-x-4">
      <legend class="sr-only">Mix from</legend>
      <label
        v-for="group in known.paint_groups"
        :key="group"
        class="flex min-h-9 items-center gap-2"
        ><input
          type="checkbox"
          class="size-5 accent-ink"
          :checked="kinds.includes(group)"
          @change="ask(group)"
        />
        {{ group }}</label
      >
    </fieldset>
    <p class="flex flex-wrap items-center gap-x-5 pb-1">
      <label class="flex items-center gap-2"
        >Paints at most
        <select v-model.number="most" class="field fig" @change="mixing.match">
          <option v-for="n in [1, 2, 3, 4]" :key="n" :value="n">{{ n }}</option>
        </select></label
      >
      <label class="flex min-h-11 items-center gap-2"
        ><input
          v-model="inStock"
          type="checkbox"
          class="size-5 accent-ink"
          @change="mixing.match"
        />
        in stock only</label
      >
    </p>
  </details>
</template>
