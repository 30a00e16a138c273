import { useLocalStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { Schemas, TrayStrip } from '../../api/client'

/** A row of the board: a tray, or a whole unit that is folded. */
export interface Row {
  id: string
  unit: string
  name: string
  trays: TrayStrip[]
  folded: boolean
  /** Whether its unit has more than one tray, so that it can be folded. */
  several: boolean
  first: boolean
}

export const unitOf = (tray: string) => tray.slice(0, tray.lastIndexOf('.'))

/** Rows in the user's order, by unit, some folded; kept on this device, as it changes no plan. */
export function useRows(
  muster: () => number,
  strips: Ref<TrayStrip[]>,
  units: Ref<Schemas['UnitRow'][]>,
) {
  const kept = useLocalStorage<Record<string, { order: string[]; folded: string[] }>>(
    'board-rows',
    {},
  )
  const mine = computed(() => kept.value[muster()] ?? { order: [], folded: [] })
  const names = computed(() => new Map(units.value.map(({ unit }) => [unit.id, unit.name])))
  const order = computed(() => {
    const known = [...new Set(strips.value.map((one) => unitOf(one.id)))]
    const asked = mine.value.order.filter((one) => known.includes(one))
    // What came after the order was made stands where it would, at the end.
    return [...asked, ...known.filter((one) => !asked.includes(one))]
  })
  const rows = computed<Row[]>(() =>
    order.value.flatMap((unit) => {
      const trays = strips.value.filter((one) => unitOf(one.id) === unit)
      const several = trays.length > 1
      const folded = several && mine.value.folded.includes(unit)
      const one = { unit, several, folded }
      if (folded)
        return [{ ...one, id: unit, name: names.value.get(unit) ?? unit, trays, first: true }]
      return trays.map((tray, index) => ({
        ...one,
        id: tray.id,
        name: tray.name,
        trays: [tray],
        first: index === 0,
      }))
    }),
  )

  function keep(change: Partial<{ order: string[]; folded: string[] }>) {
    kept.value = { ...kept.value, [muster()]: { ...mine.value, ...change } }
  }

  function turn(unit: string) {
    const { folded } = mine.value
    keep({
      folded: folded.includes(unit) ? folded.filter((one) => one !== unit) : [...folded, unit],
    })
  }

  function turnAll() {
    const several = rows.value.filter((row) => row.several).map((row) => row.unit)
    keep({ folded: rows.value.some((row) => row.several && !row.folded) ? [...new Set(several)] : [] })
  } // prettier-ignore

  /** Put a unit so many units further down (less: up). */
  function move(unit: string, by: number) {
    const from = order.value.indexOf(unit)
    const to = Math.min(order.value.length - 1, Math.max(0, from + by))
    if (from < 0 || to === from) return
    const next = order.value.filter((one) => one !== unit)
    next.splice(to, 0, unit)
    keep({ order: next })
  }

  return { rows, order, turn, turnAll, move }
}
