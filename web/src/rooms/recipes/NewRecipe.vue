<script setup lang="ts">
import { ref, useTemplateRef, onMounted } from 'vue'
import type { Schemas } from '../../api/client'
import { useVocabulary } from '../../vocabulary'

type Kind = Schemas['NewRecipeIn']['kind']

/** A recipe begins with a name and what it is for; its passes are typed, held or from a file. */
const emit = defineEmits<{ begin: [name: string, kind: Kind]; close: [] }>()
const vocabulary = useVocabulary()
const name = ref('')
const kind = ref<Kind>('vehicle')
const field = useTemplateRef('field')
onMounted(() => field.value?.focus())
</script>

<template>
  <form
    class="mb-3 flex flex-wrap items-end gap-4 border-y border-rule py-3"
    aria-label="A new recipe"
    @submit.prevent="name.trim() && emit('begin', name.trim(), kind)"
    @keydown.esc="emit('close')"
  >
    <label class="grid gap-1 text-14"
      >What is it called
      <input ref="field" v-model="name" class="field w-64" maxlength="60" required
    /></label>
    <label class="grid gap-1 text-14"
      >For
      <select v-model="kind" class="field">
        <option v-for="one in vocabulary.kinds" :key="one">{{ one }}</option>
      </select></label
    >
    <button class="btn btn-main">Begin it</button>
    <button class="btn" type="button" @click="emit('close')">Leave it</button>
  </form>
</template>
