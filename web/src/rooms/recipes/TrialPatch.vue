<script setup lang="ts">
import { ref } from 'vue'
import { client, told, type Schemas } from '../../api/client'
import { useMuster } from '../../muster'
import { date } from '../../words'

type Verdict = Schemas['TrialIn']['verdict']

/** A pass tried on a hidden place or a pilot model: what it showed, kept for the next time. */
const props = defineProps<{ code: string; passKey: string; name: string }>()
const trials = defineModel<Schemas['TrialOut'][]>({ required: true })
const muster = useMuster()
const VERDICTS: Verdict[] = ['good', 'too strong', 'too weak', 'lifted']
const verdict = ref<Verdict>('good')
const where = ref('a hidden place')
const note = ref('')

async function add() {
  const body = { key: props.passKey, where: where.value, verdict: verdict.value, note: note.value }
  const found = await muster.attempt(() =>
    told(
      client.POST('/api/recipes/{code}/trials', { params: { path: { code: props.code } }, body }),
    ),
  )
  if (!found) return
  trials.value = found
  note.value = ''
}
</script>

<template>
  <form
    class="col-span-4 flex flex-wrap items-end gap-3 border-t border-rule pt-2 max-md:col-span-2"
    :aria-label="`Trial of ${name}`"
    @submit.prevent="add"
  >
    <label class="grid gap-1 text-14"
      >Tried on
      <select v-model="where" class="field">
        <option>a hidden place</option>
        <option>a pilot model</option>
        <option>card or plastic</option>
      </select></label
    >
    <label class="grid gap-1 text-14"
      >It was
      <select v-model="verdict" class="field">
        <option v-for="one in VERDICTS" :key="one">{{ one }}</option>
      </select></label
    >
    <label class="grid flex-1 gap-1 text-14"
      >Note <input v-model="note" class="field" maxlength="300"
    /></label>
    <button class="btn">Record the trial</button>
    <ul v-if="trials.length" class="fig w-full text-14">
      <li v-for="one in trials.filter((each) => each.key === passKey)" :key="one.at">
        {{ date(one.at.slice(0, 10)) }}, on {{ one.where }}: <b>{{ one.verdict }}</b><template
          v-if="one.note"
          >; {{ one.note }}</template
        >
      </li>
    </ul>
  </form>
</template>
