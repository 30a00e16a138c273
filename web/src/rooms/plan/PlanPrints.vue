<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { computed, ref, watch } from 'vue'
import { client, told } from '../../api/client'
import Complaints from '../../parts/Complaints.vue'
import { useMuster } from '../../muster'

/** What leaves the screen: a run sheet, tray tickets, and the sittings in a calendar. */
const props = defineProps<{ of: number }>()

const muster = useMuster()
const open = ref(false)
const address = ref<string | null>(null)
const copied = ref(false)
const path = computed(() => ({ params: { path: { muster_id: props.of } } }))

watch(open, async (now) => {
  copied.value = false
  if (!now) return
  const found = await muster.attempt(() =>
    told(client.GET('/api/musters/{muster_id}/calendar', path.value)),
  )
  address.value = found?.address ?? null
})

async function renew() {
  copied.value = false
  const found = await muster.attempt(() =>
    told(client.POST('/api/musters/{muster_id}/calendar', path.value)),
  )
  if (found) address.value = found.address
}

async function close() {
  await muster.attempt(() => told(client.DELETE('/api/musters/{muster_id}/calendar', path.value)))
  address.value = null
}

async function copy() {
  if (!address.value) return
  await navigator.clipboard?.writeText(address.value).catch(() => undefined)
  copied.value = true
}
</script>

<template>
  <button class="link" @click="open = true">Print …</button>
  <Dialog :open="open" class="relative z-20" @close="open = false">
    <div class="fixed inset-0 flex items-center justify-center bg-past p-4">
      <DialogPanel
        class="max-h-full w-full max-w-2xl overflow-y-auto border-[1.5px] border-ink bg-ground p-6"
      >
        <DialogTitle as="h2">On paper, and in a calendar</DialogTitle>
        <Complaints />
        <section class="mt-3 border-t border-rule py-3">
          <h3 class="text-16 font-bold">Run sheet of the next sitting</h3>
          <p class="my-1">
            A4: its calls in order with times, mixes in drops, what to be careful of, and a box to
            tick for each model.
          </p>
          <a class="btn" :href="`/api/musters/${props.of}/plan/run-sheet`" download
            >Run sheet, PDF</a
          >
        </section>
        <section class="border-t border-rule py-3">
          <h3 class="text-16 font-bold">Tray tickets</h3>
          <p class="my-1">
            One for each tray, 62 mm wide; its code opens the tray's call at the bench.
          </p>
          <p class="flex flex-wrap gap-3">
            <a class="btn" :href="`/api/musters/${props.of}/tickets`" download
              >From the label printer, SVG</a
            >
            <a class="btn" :href="`/api/musters/${props.of}/tickets?form=pdf`" download
              >As pages, PDF</a
            >
          </p>
        </section>
        <section class="border-t border-rule py-3">
          <h3 class="text-16 font-bold">The sittings in your calendar</h3>
          <p class="my-1">
            An address that a calendar reads by itself and keeps up with the plan. Who knows it can
            read these sittings, and nothing else.
          </p>
          <template v-if="address">
            <input
              class="field fig w-full"
              readonly
              :value="address"
              aria-label="Private address of the calendar"
              @focus="($event.target as HTMLInputElement).select()"
            />
            <p class="mt-2 flex flex-wrap gap-3">
              <button class="btn" @click="copy">{{ copied ? 'Copied' : 'Copy it' }}</button>
              <button class="btn" @click="renew">A new address, the old one ends</button>
              <button class="btn" @click="close">No address any more</button>
            </p>
          </template>
          <p v-else class="flex flex-wrap gap-3">
            <button class="btn" @click="renew">Make a private address</button>
            <a class="btn" :href="`/api/musters/${props.of}/calendar/file`" download
              >Once, as a file</a
            >
          </p>
        </section>
        <button class="btn btn-main mt-2" @click="open = false">Done</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
