<script setup lang="ts">
import { ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { count } from '../../words'

/** A recipe from an open file: shown first, then taken in as a whole or not at all. */
const emit = defineEmits<{ taken: [code: string] }>()
const muster = useMuster()
const file = ref<File | null>(null)
const preview = ref<Schemas['RecipePreview'] | null>(null)

function form() {
  const data = new FormData()
  if (file.value) data.append('file', file.value)
  return { body: { file: '' }, bodySerializer: () => data }
}

async function choose(event: Event) {
  const field = event.target as HTMLInputElement
  file.value = field.files?.[0] ?? null
  field.value = ''
  preview.value = null
  if (!file.value) return
  preview.value = await muster.attempt(() => told(client.POST('/api/recipe-file/preview', form())))
}

async function take() {
  const done = await muster.attempt(() => told(client.POST('/api/recipe-file', form())))
  preview.value = null
  if (done) emit('taken', done.code)
}
</script>

<template>
  <label class="btn cursor-pointer focus-within:outline-2"
    >From a file<input type="file" accept=".json,application/json" class="sr-only" @change="choose"
  /></label>
  <section v-if="preview" class="w-full border-y border-rule py-2" aria-label="What the file holds">
    <p>
      <b>{{ preview.name }}</b>, {{ count(preview.passes, 'pass', 'passes')
      }}<template v-if="preview.held.length">, with {{ preview.held.join(', ') }}</template
      >. <button class="btn btn-main" @click="take">Take it in</button>
      <button class="btn ml-3" @click="preview = null">Leave it</button>
    </p>
    <p v-for="one in preview.errors" :key="one" class="text-14">
      <span class="warn">Goes wrong</span>: {{ one }}.
    </p>
  </section>
</template>
