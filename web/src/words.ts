/** Words and figures as the screens say them. */

export function clockIn(zone: string): (iso: string) => string {
  const format = new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: zone,
  })
  return (iso) => format.format(new Date(iso))
}

export function dayIn(zone: string, long = false): (iso: string) => string {
  const format = new Intl.DateTimeFormat('en-GB', {
    weekday: long ? 'long' : 'short',
    day: 'numeric',
    month: long ? 'long' : undefined,
    timeZone: zone,
  })
  return (iso) => format.format(new Date(iso)).replace(',', '')
}

export function date(iso: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  })
    .format(new Date(`${iso}T00:00:00Z`))
    .replace(',', '')
}

export function hours(seconds: number): string {
  const minutes = Math.round(seconds / 60)
  if (minutes < 60) return `${minutes} min`
  const whole = `${Math.floor(minutes / 60)} h`
  return minutes % 60 ? `${whole} ${String(minutes % 60).padStart(2, '0')}` : whole
}

/** The last moment up to `now` (ms) at which `clock` shows `typed` ('22:10'); null: not a time. */
export function lastAt(typed: string, now: number, clock: (iso: string) => string): string | null {
  const minutes = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3))
  if (!/^\d\d:\d\d$/.test(typed)) return null
  const whole = now - (now % 60_000)
  const shown = (moment: number) => clock(new Date(moment).toISOString())
  let at = whole - ((minutes(shown(whole)) - minutes(typed) + 1440) % 1440) * 60_000
  // A change to or from summer time between then and now.
  const off = (minutes(shown(at)) - minutes(typed) + 1440) % 1440
  if (off) at -= (off > 720 ? off - 1440 : off) * 60_000
  return new Date(at).toISOString()
}

const NUMBERS = 'no one two three four five six seven eight nine ten eleven twelve'.split(' ')

export function count(n: number, one: string, many = `${one}s`): string {
  return `${NUMBERS[n] ?? n} ${n === 1 ? one : many}`
}

/** Words as at the start of a sentence. */
export const begun = (words: string) => `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}`

export const WEEKDAYS = 'Monday Tuesday Wednesday Thursday Friday Saturday Sunday'.split(' ')

const MONTHS = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ')

/** '27 March', '27 Mar 2027' or '2027-03-27' as an ISO date on or after `today`; null: no date. */
export function readDate(text: string, today: Date): string | null {
  const iso = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text.trim())
  if (iso) return text.trim()
  const said = /^(\d{1,2})(?:st|nd|rd|th)?\s+([a-z]+)\.?(?:\s+(\d{4}))?$/i.exec(text.trim())
  if (!said) return null
  const month = MONTHS.indexOf((said[2] ?? '').slice(0, 3).toLowerCase())
  const day = Number(said[1])
  if (month < 0 || day < 1 || day > 31) return null
  let year = said[3] ? Number(said[3]) : today.getFullYear()
  const made = (y: number) => new Date(Date.UTC(y, month, day))
  if (made(year).getUTCMonth() !== month) return null
  if (!said[3] && made(year).getTime() < today.getTime()) year += 1
  return made(year).toISOString().slice(0, 10)
}
