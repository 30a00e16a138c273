// Mixes of two colours by spectral.js (npm, MIT), from rows [colour, parts, colour, parts] on
// standard input to colours on standard output.
import { readFileSync } from 'node:fs'
import { Color, mix } from '../../web/node_modules/spectral.js/spectral.js'

const rows = JSON.parse(readFileSync(0, 'utf8'))
const mixed = rows.map(([one, a, two, b]) =>
  mix([new Color(one), a], [new Color(two), b]).toString({ format: 'hex' }),
)
console.log(JSON.stringify(mixed))
