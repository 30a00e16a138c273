<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Schemas } from '../../api/client'
import { useVocabulary } from '../../vocabulary'
import type { Pass } from './draft'
import WordEdit from './WordEdit.vue'
import { changed, unsaid, type Field } from './words'

/** A pass as a line of words: each is pressed and changed in place, soft ones follow from layers. */
const props = defineProps<{
  pass: Pass
  line: Schemas['Word'][]
  zones: string[]
  recipes: Schemas['RecipeOut'][]
}>()
const emit = defineEmits<{ set: [pass: Pass] }>()
/** The property under change; the schematic asks which it is. */
const open = defineModel<string | null>('open', { required: true })
const known = useVocabulary()
const more = ref(false)
const root = useTemplateRef('root')

const fields = computed(() => new Map(known.value.pass_fields.map((one) => [one.name, one])))
const said = computed(() => props.line.filter((one) => !one.quiet))
const quiet = computed(() => props.line.filter((one) => one.quiet))
/** What nothing is said of yet, for who wants to say it. */
const rest = computed(() =>
  known.value.pass_fields.filter(
    (one) => one.name !== 'name' && !props.line.some((word) => word.field === one.name),
  ),
)
const field = computed(() => (open.value ? fields.value.get(open.value) : undefined))

watch(
  () => props.pass.key,
  () => (more.value = false),
)

function press(one: Field | undefined) {
  if (!one) return
  // What is said or not has nothing to choose among.
  if (one.edit === 'flag')
    return emit('set', changed(props.pass, one.name, unsaid(props.pass, one)))
  open.value = open.value === one.name ? null : one.name
}

async function done() {
  const was = open.value
  open.value = null
  await nextTick()
  root.value?.querySelector<HTMLElement>(`[data-field="${was}"]`)?.focus()
}
</script>

<template>
  <div ref="root">
    <p class="flex flex-wrap items-center gap-x-4" :aria-label="`${pass.name}, word by word`">
      <button
        v-for="word in said"
        :key="word.field"
        class="link min-h-9 px-0 text-left max-md:min-h-11"
        :class="{
          'text-soft': !word.stated,
          'font-bold': open === word.field,
          'text-14': word.field === 'note',
        }"
        :data-field="word.field"
        :aria-expanded="open === word.field"
        :title="fields.get(word.field)?.label"
        @click="press(fields.get(word.field))"
      >
        {{ word.text }}
      </button>
      <button
        class="link min-h-9 px-0 text-soft max-md:min-h-11"
        :aria-expanded="more"
        data-field="more"
        @click="more = !more"
      >
        {{ more ? 'less' : 'more' }}
      </button>
    </p>
    <p v-if="more" class="flex flex-wrap items-center gap-x-4 text-14">
      <button
        v-for="word in quiet"
        :key="word.field"
        class="link min-h-9 px-0 max-md:min-h-11"
        :data-field="word.field"
        :aria-expanded="open === word.field"
        @click="press(fields.get(word.field))"
      >
        {{ word.text }}
      </button>
      <button
        v-for="one in rest"
        :key="one.name"
        class="link min-h-9 px-0 text-soft max-md:min-h-11"
        :data-field="one.name"
        :aria-expanded="open === one.name"
        @click="press(one)"
      >
        {{ one.label }}
      </button>
    </p>
    <WordEdit
      v-if="field"
      :key="field.name"
      :field="field"
      :pass="pass"
      :zones="zones"
      :recipes="recipes"
      @set="emit('set', $event)"
      @done="done"
    />
  </div>
</template>
