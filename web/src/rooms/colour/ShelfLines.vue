<script setup lang="ts">
import { computed, ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import ActButton from '../../parts/ActButton.vue'
import { useMuster } from '../../muster'
import { useShelf } from '../../shelf'
import { useUpload } from '../../upload'
import { count } from '../../words'

/** Many at once: paints typed or pasted a line each, or from a file; swatches and weights by name. */
const props = defineProps<{ what: 'paints' | 'swatches' }>()
const emit = defineEmits<{ close: [] }>()
const shelf = useShelf()
const muster = useMuster()
const text = ref('')
const pasted = ref<Schemas['ShelfPreview'] | null>(null)
const { preview, choose, taken, leave } = useUpload(
  (form) => told(client.POST('/api/shelf-file/preview', form)),
  (form) => told(client.POST('/api/shelf-file', form)),
)
const shown = computed(() => preview.value ?? pasted.value)
const lines = computed(() => text.value.split('\n').filter((one) => one.trim()).length)
const EXAMPLES = {
  paints: 'Reed green #66703f acrylic 17 ml 3.20\nSilt #8a7a59 17 ml',
  swatches: 'Reed green #5f6a3b\nReed green over black #39421f\nSilt tint 20 % #d8cdb4',
}

async function look() {
  if (props.what === 'swatches') {
    if (await shelf.swatches(text.value)) emit('close')
    return
  }
  const body = { lines: text.value }
  const found = await muster.attempt(() => told(client.POST('/api/shelf/lines/preview', { body })))
  if (found) pasted.value = found
}

async function take() {
  const found = preview.value
    ? await taken()
    : await muster.attempt(() =>
        told(client.POST('/api/shelf/lines', { body: { lines: text.value } })),
      )
  if (!found) return
  shelf.paints = found
  pasted.value = null
  emit('close')
}

function back() {
  pasted.value = null
  leave()
}
</script>

<template>
  <section class="my-2 border-y border-rule py-2" :aria-label="`Many ${what}`">
    <form v-if="!shown" @submit.prevent="look">
      <label class="grid gap-1 text-14"
        >{{ what === 'paints' ? 'Paints' : 'Swatches as they were read' }}, a line each, typed or
        pasted
        <textarea
          v-model="text"
          class="field fig w-full py-2"
          rows="5"
          spellcheck="false"
          :placeholder="EXAMPLES[what]"
          @keydown.ctrl.enter.prevent="look"
          @keydown.esc="emit('close')"
        />
      </label>
      <div class="mt-1 flex flex-wrap items-center gap-x-4">
        <button class="btn" :disabled="!lines">
          {{ what === 'paints' ? 'Look them over' : 'Take them in' }}
        </button>
        <label
          v-if="what === 'paints'"
          class="link cursor-pointer content-center focus-within:outline-2"
          >From a file<input
            type="file"
            accept=".csv,.gpl,.json,.txt"
            class="sr-only"
            @change="choose"
        /></label>
        <button class="link" type="button" @click="emit('close')">Leave</button>
      </div>
      <p v-if="what === 'paints'" class="text-14">
        The shelf as
        <a
          v-for="kind in ['csv', 'gpl', 'json']"
          :key="kind"
          class="link inline-block content-center"
          :href="`/api/shelf-file?kind=${kind}`"
          download
          >{{ kind }}</a
        >
      </p>
    </form>
    <div v-else role="status">
      <p>
        {{ count(shown.new.length, 'new paint')
        }}<template v-if="shown.known.length"
          >; {{ shown.known.length }} stand here already</template
        >.
      </p>
      <p v-if="shown.sounds_like.length" class="text-14">
        By their names {{ shown.sounds_like.map((one) => one.name).join(', ') }} may be of another
        kind: confirm it on their cards.
      </p>
      <ActButton
        main
        :why="shown.new.length ? null : 'all of them stand on the shelf already'"
        @press="take"
      >
        Take in
      </ActButton>
      <button class="btn ml-2" @click="back">Leave</button>
    </div>
  </section>
</template>
