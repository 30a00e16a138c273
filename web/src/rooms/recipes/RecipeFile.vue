<script setup lang="ts">
import { client, told } from '../../api/client'
import { useUpload } from '../../upload'
import { count } from '../../words'

/** A recipe from an open file: shown first, then taken in as a whole or not at all. */
const emit = defineEmits<{ taken: [code: string] }>()
const { preview, choose, taken, leave } = useUpload(
  (form) => told(client.POST('/api/recipe-file/preview', form)),
  (form) => told(client.POST('/api/recipe-file', form)),
)

async function take() {
  const done = await taken()
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
      <button class="btn ml-3" @click="leave">Leave it</button>
    </p>
    <p v-for="one in preview.errors" :key="one" class="text-14">
      <span class="warn">Goes wrong</span>: {{ one }}.
    </p>
  </section>
</template>
