import { computed, ref, watch, type Ref } from 'vue'
import { useMuster, type Fact } from '../../muster'

/** The call on the bench and what can be done with it: each act is one or more facts. */
export function useCall(now: Ref<number>) {
  const muster = useMuster()
  const bench = computed(() => muster.view?.bench)
  const card = computed(() => bench.value?.call ?? null)
  /** Models ticked since the view was read, with their facts: shown as done at once, the plan
   *  follows. */
  const ticked = ref(new Map<number, string>())
  const pips = computed(() =>
    (bench.value?.pips ?? []).map((pip) =>
      pip.state === 'open' && ticked.value.has(pip.model) ? { ...pip, state: 'wet' } : pip,
    ),
  )
  /** The call begun here, before the view says so: it can be ticked at once. */
  const begun = ref<string | null>(null)
  const running = computed(
    () => Boolean(bench.value?.running) || (begun.value !== null && begun.value === card.value?.id),
  )
  const open = computed(() => pips.value.filter((pip) => pip.state === 'open'))
  watch(
    () => muster.view,
    () => {
      if (muster.waiting.length) return
      ticked.value = new Map()
      begun.value = null
    },
  )
  const current = computed(() => open.value[0]?.model ?? null)
  /** When the model in hand was begun. */
  const since = ref<string | null>(null)

  const stamp = muster.stamp

  const endsAbout = computed(() => {
    const one = card.value
    if (!one) return null
    if (!running.value) return one.end
    return new Date(now.value + open.value.length * one.per_item_s * 1000).toISOString()
  })

  function fact(kind: Fact['kind'], more: Partial<Fact> = {}): Fact {
    return {
      id: crypto.randomUUID(),
      kind,
      at: stamp(),
      unit: card.value?.unit ?? '',
      pass_keys: card.value?.pass_keys ?? [],
      model: 0,
      tray: card.value?.tray_number ?? 0,
      start: null,
      of: null,
      ...more,
    } as Fact
  }

  function begin() {
    if (!card.value || running.value) return
    since.value = stamp()
    begun.value = card.value.id
    void muster.record([fact('begin', { at: since.value })])
  }

  /**
   * Tick every open model up to and including this one, done by `at` (now). The time since the last
   * tick is shared evenly among them.
   */
  function tickThrough(model: number, at = stamp()) {
    if (!running.value || bench.value?.paused) return
    const mine = open.value.filter((pip) => pip.model <= model)
    if (!mine.length) return
    const last = mine.length === open.value.length
    const end = Date.parse(at)
    const per = (card.value?.per_item_s ?? 60) * 1000
    // Our clock is set by the server's at every answer, and may go back by a little.
    const from = Math.min(
      end,
      Date.parse(since.value ?? bench.value?.since ?? '') || end - per * mine.length,
    )
    const step = (end - from) / mine.length
    const facts = mine.map((pip, index) =>
      fact('tick', {
        model: pip.model,
        start: new Date(from + step * index).toISOString(),
        at: new Date(from + step * (index + 1)).toISOString(),
      }),
    )
    since.value = new Date(end).toISOString()
    ticked.value = new Map([
      ...ticked.value,
      ...facts.map((one): [number, string] => [one.model ?? 0, one.id]),
    ])
    if (last) facts.push(fact('end', { at }))
    void muster.record(facts)
  }

  function stop() {
    void muster.record([fact('end')])
  }

  function pause() {
    if (!running.value) return
    since.value = stamp()
    void muster.record([fact('pause')])
  }

  function takeBack() {
    const here = [...ticked.value].at(-1)
    if (here) ticked.value = new Map([...ticked.value].slice(0, -1))
    const last = here?.[1] ?? bench.value?.last_fact
    if (last) void muster.takeBack([last])
  }

  function touchUp(model: number) {
    void muster.record([fact('touch_up', { model })])
  }

  async function skip(how: 'later' | 'leave out') {
    const one = card.value
    if (!one) return
    if (running.value) await muster.record([fact('end')])
    if (how === 'leave out') {
      const models = open.value.map((pip) => pip.model)
      await muster.command({ do: 'leave_out', unit: one.unit, pass_keys: one.pass_keys, models })
      return
    }
    const until = bench.value?.sitting_end ?? new Date(now.value + 3_600_000).toISOString()
    await muster.command({ do: 'put_off', call: one.id, until })
  }

  return {
    bench, card, open, pips, running, current, endsAbout, stamp,
    begin, tickThrough, stop, pause, takeBack, touchUp, skip,
  } // prettier-ignore
}
