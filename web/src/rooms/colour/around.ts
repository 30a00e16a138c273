type Point = [number, number] | number[]

/** A closed, smooth line through points in order: each bend by its two neighbours (Catmull and Rom,
 *  as cubic curves). */
export function around(points: Point[]): string {
  const n = points.length
  if (n < 3) return ''
  const at = (index: number) => points[(index + n) % n] as [number, number]
  const told = (value: number) => Math.round(value * 10) / 10
  let path = `M${told(at(0)[0])} ${told(at(0)[1])}`
  for (let index = 0; index < n; index += 1) {
    const [before, from, to, after] = [at(index - 1), at(index), at(index + 1), at(index + 2)]
    const first = [from[0] + (to[0] - before[0]) / 6, from[1] + (to[1] - before[1]) / 6]
    const second = [to[0] - (after[0] - from[0]) / 6, to[1] - (after[1] - from[1]) / 6]
    path += `C${[...first, ...second, ...to].map(told).join(' ')}`
  }
  return `${path}Z`
}
