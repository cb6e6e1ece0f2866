// How values are said; no electronics here, only writing.
import { ref } from 'vue'
import { LANGUAGE } from '@texts/language'
import { roles, severities, stations, verdicts } from '@texts/words'

export const STATIONS = ['kit', 'wiring', 'power', 'program', 'readings', 'mark'] as const
export type StationName = (typeof STATIONS)[number]

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

export const stationName = (station: string) => stations[station] ?? capital(station)

export const roleName = (role: string) => roles[role] ?? role

export const severityName = (severity: string) => severities[severity] ?? capital(severity)

export function minutesSince(since: string | null | undefined, now: number): number {
  return since ? Math.max(0, Math.floor((now - Date.parse(since)) / 60_000)) : 0
}

export function waited(since: string | null | undefined, now: number): string {
  const minutes = minutesSince(since, now)
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`
}

/** The time zone of the course somebody is in: times are shown in it, wherever the device is. */
export const courseZone = ref<string>()

export function clockTime(at: string | number | Date, zone = courseZone.value): string {
  return new Date(at).toLocaleTimeString(LANGUAGE, { hour: '2-digit', minute: '2-digit', timeZone: zone })
}

export function dayOf(at: string | number | Date, zone = courseZone.value): string {
  return new Date(at).toLocaleDateString(LANGUAGE, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: zone,
  })
}

/** A day that may be years ago: 14 Mar 2026. */
export function fullDay(at: string | number | Date, zone = courseZone.value): string {
  return new Date(at).toLocaleDateString(LANGUAGE, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: zone,
  })
}

const TONES: Record<string, string> = { likely: 'good', 'in-limits': 'good', out: 'stop' }

/** How a reading was judged: its words, and the tone of their colour. */
export function verdictWords(verdict: string): { word: string; tone: string } {
  return { word: verdicts[verdict] ?? verdict, tone: TONES[verdict] ?? 'check' }
}

export function fixed(value: number | null | undefined, digits: number): string {
  return value === null || value === undefined ? '–' : value.toFixed(digits).replace('-', '−')
}
