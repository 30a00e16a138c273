/** How wide a text of the board is set. Measured once each; a font that comes later starts anew. */

const FONT = '13px "Archivo Variable", sans-serif'

let known = new Map<string, number>()
let pen: CanvasRenderingContext2D | null | undefined

export function wide(text: string): number {
  const found = known.get(text)
  if (found !== undefined) return found
  pen ??= document.createElement('canvas').getContext('2d')
  if (!pen) return text.length * 7
  pen.font = FONT
  const width = pen.measureText(text).width
  known.set(text, width)
  return width
}

/** Forget all widths: the font has come. */
export function forget() {
  known = new Map()
}
