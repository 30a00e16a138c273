import type { Schemas } from '../../api/client'
import type { Pass } from './draft'

export type Field = Schemas['PassField']
export type Value = Pass[keyof Pass]

/** A pass with one property changed. */
export const changed = (pass: Pass, field: string, value: unknown): Pass => ({
  ...pass,
  [field]: value,
})

/** Whether nothing is said of a property. */
export function unsaid(pass: Pass, field: Field): boolean {
  const value = pass[field.name as keyof Pass]
  if (Array.isArray(value)) return !value.length
  return value === null || value === undefined || value === '' || value === false
}

/** What a number is after a press of an arrow: within its limits, on its steps, without dust. */
export function stepped(value: number, by: number, field: Field): number {
  const grid = Math.round((value + by * field.step) / field.step) * field.step
  const next = Math.min(field.most, Math.max(field.least, grid))
  return Math.round(next * 1000) / 1000
}

/** A typed number in the property's own unit; null: none that it can be. */
export function readNumber(text: string, field: Field): number | null {
  const plain = Number(text.trim().replace(',', '.').replace(/%$/, ''))
  if (!text.trim() || !Number.isFinite(plain)) return null
  const value = field.share ? plain / 100 : plain
  if (value < field.least || value > field.most) return null
  const whole = field.name === 'coats'
  return whole ? Math.round(value) : value
}

/** A part's name as it is kept: small letters and dashes. */
export const asPart = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 24)
