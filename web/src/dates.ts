/** Days and times as the user's country writes them, in English words; and read as one types them. */

export interface Custom {
  /** An English locale: for the order of day and month. */
  locale: string
  /** Twelve hours with am and pm. */
  twelve: boolean
  /** The weekday that a week begins with, 0 is Monday. */
  first: number
}

const SUNDAY_FIRST = /-(US|CA|MX|BR|IL|IN|JP|KR|TW|HK|PH|ZA|SA|AR|CO|VE|PE)\b/i

/** From the browser's languages, the user's first choice first. */
export function customOf(languages: readonly string[]): Custom {
  const own = languages[0] ?? 'en-GB'
  const english = /^en(-|$)/i.test(own) ? own : 'en-GB'
  let locale = 'en-GB'
  let twelve = false
  try {
    locale = new Intl.DateTimeFormat(english).resolvedOptions().locale
    twelve = new Intl.DateTimeFormat(own, { hour: 'numeric' }).resolvedOptions().hour12 ?? false
  } catch {
    // A language that the browser itself does not know: as in Britain.
  }
  return { locale, twelve, first: SUNDAY_FIRST.test(own) ? 6 : 0 }
}

export const custom = customOf(typeof navigator === 'undefined' ? [] : navigator.languages)

/** '19:30' as this user reads it: 19:30, or 7:30 pm. */
export function timeWords(time: string, as = custom): string {
  const found = /^(\d\d):(\d\d)/.exec(time)
  if (!found || !as.twelve) return time.slice(0, 5)
  const hour = Number(found[1])
  return `${hour % 12 || 12}:${found[2]} ${hour < 12 ? 'am' : 'pm'}`
}

/** A sentence of the server's with its times as this user reads them. */
export function sentenceWords(sentence: string, as = custom): string {
  if (!as.twelve) return sentence
  return sentence.replace(/(?<![\d:])(?:[01]\d|2[0-3]):[0-5]\d(?![\d:])/g, (one) =>
    timeWords(one, as),
  )
}

/** '19:30', '19.30', '1930', '7pm', '7:30 pm', '19' as HH:MM; null: no time. */
export function readTime(text: string): string | null {
  const said = /^(\d{1,2})(?:[:.h ]?(\d{2}))?\s*([ap])?\.?m?\.?$/i.exec(text.trim())
  if (!said) return null
  let hour = Number(said[1])
  const minute = Number(said[2] ?? 0)
  const half = said[3]?.toLowerCase()
  if (half) {
    if (hour < 1 || hour > 12) return null
    hour = (hour % 12) + (half === 'p' ? 12 : 0)
  }
  if (hour > 23 || minute > 59) return null
  return `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`
}

const MONTHS = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ')
const DAYS = 'mon tue wed thu fri sat sun'.split(' ')
const DAY_MS = 86_400_000

const iso = (day: Date) => day.toISOString().slice(0, 10)
const midnight = (day: Date) => new Date(`${iso(day)}T00:00:00Z`)

/**
 * '27 March', 'March 27', '27/3', 'Sat', 'tomorrow' or '2027-03-27' as an ISO date, on or after
 * `today` where no year is said; null: no date. 3/4 is read in the order of the user's country.
 */
export function readDate(text: string, today: Date, as = custom): string | null {
  const plain = text.trim().toLowerCase().replaceAll(',', ' ')
  const isoSaid = /^(\d{4})-(\d{2})-(\d{2})$/.exec(plain)
  if (isoSaid) return made(Number(isoSaid[1]), Number(isoSaid[2]) - 1, Number(isoSaid[3]), today)
  if (plain === 'today') return iso(today)
  if (plain === 'tomorrow') return iso(new Date(today.getTime() + DAY_MS))
  // A weekday before a date says nothing more; alone it is the next such day.
  const rest = plain.replace(/^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?(\s+|$)/, '')
  if (!rest && plain) {
    const wanted = DAYS.indexOf(plain.slice(0, 3))
    const on = (wanted - ((today.getUTCDay() + 6) % 7) + 7) % 7 || 7
    return iso(new Date(today.getTime() + on * DAY_MS))
  }
  const words =
    /^(\d{1,2})(?:st|nd|rd|th)?\s+([a-z]+)\.?(?:\s+(\d{4}))?$/.exec(rest) ??
    swapped(/^([a-z]+)\.?\s+(\d{1,2})(?:st|nd|rd|th)?(?:\s+(\d{4}))?$/.exec(rest))
  if (words) {
    const month = MONTHS.indexOf((words[2] ?? '').slice(0, 3))
    return month < 0 ? null : made(words[3] ? Number(words[3]) : null, month, Number(words[1]), today)
  } // prettier-ignore
  const figures = /^(\d{1,2})[/.](\d{1,2})[/.]?(\d{4}|\d{2})?$/.exec(rest)
  if (!figures) return null
  const monthFirst = as.locale === 'en-US' && rest.includes('/')
  const [day, month] = monthFirst ? [figures[2], figures[1]] : [figures[1], figures[2]]
  const year = figures[3] ? Number(figures[3]) + (figures[3].length === 2 ? 2000 : 0) : null
  return made(year, Number(month) - 1, Number(day), today)
}

function swapped(found: RegExpExecArray | null): (string | undefined)[] | null {
  return found && [found[0], found[2], found[1], found[3]]
}

function made(year: number | null, month: number, day: number, today: Date): string | null {
  const at = (y: number) => new Date(Date.UTC(y, month, day))
  let found = at(year ?? today.getUTCFullYear())
  if (year === null && found < midnight(today)) found = at(today.getUTCFullYear() + 1)
  return found.getUTCMonth() === month && found.getUTCDate() === day ? iso(found) : null
}

/** An ISO date in words: Saturday 27 March; `short`: Sat 27 Mar 2027. */
export function dateWords(day: string, short = false, as = custom): string {
  const format = new Intl.DateTimeFormat(as.locale, {
    weekday: short ? 'short' : 'long',
    day: 'numeric',
    month: short ? 'short' : 'long',
    year: short ? 'numeric' : undefined,
    timeZone: 'UTC',
  })
  const said = format.format(new Date(`${day}T00:00:00Z`))
  return as.locale === 'en-GB' ? said.replaceAll(',', '') : said
}

/** An ISO date in the least words: 27 Mar. */
export function dayMonth(day: string, as = custom): string {
  const format = new Intl.DateTimeFormat(as.locale, { day: 'numeric', month: 'short', timeZone: 'UTC' })
  return format.format(new Date(`${day}T00:00:00Z`))
} // prettier-ignore

/** The six weeks that show a month, as ISO dates. */
export function monthGrid(month: string, as = custom): string[] {
  const first = new Date(`${month}-01T00:00:00Z`)
  const before = (((first.getUTCDay() + 6) % 7) - as.first + 7) % 7
  return Array.from({ length: 42 }, (_, n) => iso(new Date(first.getTime() + (n - before) * DAY_MS)))
} // prettier-ignore
