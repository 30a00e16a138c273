<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { client, told, type Schemas } from '../../api/client'
import Complaints from '../../parts/Complaints.vue'
import { useMuster } from '../../muster'

const router = useRouter()
const muster = useMuster()
const me = ref<Schemas['Me'] | null>(null)
const name = ref('')
const password = ref('')

onMounted(async () => {
  me.value = await muster.attempt(() => told(client.GET('/api/me')))
  if (me.value?.name) await router.replace('/musters')
})

async function open(path: '/api/sign-up' | '/api/sign-in', next: string) {
  const body = { name: name.value, password: password.value }
  const done = await muster.attempt(() => told(client.POST(path, { body })))
  if (done) await router.push(next)
}

async function openDemo() {
  const done = await muster.attempt(() => told(client.POST('/api/open-demo')))
  if (!done) return
  const list = await muster.attempt(() => told(client.GET('/api/musters')))
  const first = list?.[0]
  await router.push(first ? `/${first.id}/plan` : '/musters')
}
</script>

<template>
  <h1 class="text-30!">Crisp Muster</h1>
  <p class="my-4 max-w-[60ch] text-18">
    Paint a whole force in batches: say what you have, which evenings are free and when the parade
    day is. The next thing to do at the bench follows, and the plan mends itself.
  </p>
  <Complaints />
  <section v-if="me?.demo" class="my-6 border-y border-rule py-6">
    <p class="mb-3">Look round first: the Reed Coast muster, partly painted.</p>
    <button class="btn btn-main" @click="openDemo">Open the demo</button>
  </section>
  <form class="my-6 grid max-w-sm gap-4" @submit.prevent="open('/api/sign-up', '/begin')">
    <label class="grid gap-1"
      >Your name
      <input v-model="name" class="field" name="name" autocomplete="username" required />
    </label>
    <label class="grid gap-1"
      >Password, eight letters or more
      <input
        v-model="password"
        class="field"
        name="password"
        type="password"
        autocomplete="current-password"
        required
      />
    </label>
    <div class="flex gap-3">
      <button class="btn btn-main" type="submit">Begin</button>
      <button class="btn" type="button" @click="open('/api/sign-in', '/musters')">Sign in</button>
    </div>
  </form>
</template>
