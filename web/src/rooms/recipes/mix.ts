import type { Schemas } from '../../api/client'

type MixPart = Schemas['MixPart']

/** '5 Reed green, 2 Silt' as parts; a name alone is one part. */
export function readMix(text: string): MixPart[] {
  return text
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean)
    .map((one) => {
      const said = /^(\d{1,2})\s+(.+)$/.exec(one)
      return { parts: Number(said?.[1] ?? 1), name: said?.[2] ?? one }
    })
}

export function sayMix(parts: MixPart[]): string {
  if (parts.length === 1 && parts[0]?.parts === 1) return parts[0].name
  return parts.map((one) => `${one.parts} ${one.name}`).join(', ')
}
