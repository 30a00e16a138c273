import type { Schemas } from '../../api/client'
import { count, hours } from '../../words'

/** What a remedy costs: what it still leaves, what it makes late, and the work it adds. */
export function costs(
  way: Pick<Schemas['LeftRemedy'], 'left_models' | 'late_models' | 'cost_s'>,
): string {
  const said = []
  if (way.left_models) said.push(`${count(way.left_models, 'model')} still left by other passes`)
  if (way.late_models) said.push(`${count(way.late_models, 'model')} late`)
  const minutes = Math.round(way.cost_s / 60)
  if (minutes > 0) said.push(`adds ${hours(way.cost_s)}`)
  else if (minutes < 0) said.push(`saves ${hours(-way.cost_s)}`)
  return said.join(', ') || 'costs nothing'
}
