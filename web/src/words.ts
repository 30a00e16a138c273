/** Words and figures as the screens say them. */

import { timeWords } from './dates'

export { dateWords as date, readDate } from './dates'

/** HH:MM in a zone, for reckoning: what is shown goes through `clockIn`. */
export function timeIn(zone: string): (iso: string) => string {
  const format = new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: zone,
  })
  return (iso) => format.format(new Date(iso))
}

export function clockIn(zone: string): (iso: string) => string {
  const time = timeIn(zone)
  return (iso) => timeWords(time(iso))
}

/** Sat 28. */
export function dayIn(zone: string): (iso: string) => string {
  const format = new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    timeZone: zone,
  })
  return (iso) => format.format(new Date(iso)).replace(',', '')
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
