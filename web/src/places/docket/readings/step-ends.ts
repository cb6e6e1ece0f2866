// The plot of a log in which the begins of steps are moved: places among its points, and the line drawn through them.

type Point = { line: number; value: number }

export const WIDTH = 1000

/** The place of the first point on a line or after it. */
export function indexOf(drawn: Point[], line: number): number {
  const found = drawn.findIndex((point) => point.line >= line)
  return found < 0 ? drawn.length - 1 : found
}

/** Where a key moves a begin to; null for a key that moves nothing. */
export function moved(key: string, index: number, count: number): number | null {
  const by: Record<string, number> = {
    ArrowLeft: -1,
    ArrowDown: -1,
    ArrowRight: 1,
    ArrowUp: 1,
    PageDown: -10,
    PageUp: 10,
    Home: -count,
    End: count,
  }
  const step = by[key]
  return step === undefined ? null : Math.max(0, Math.min(count - 1, index + step))
}

/** An SVG path through the points; what lies outside the middle 98 % is drawn at the edge, so that one wild value hides nothing. */
export function pathOf(drawn: Point[], height: number): string {
  const sorted = drawn.map((point) => point.value).sort((a, b) => a - b)
  const low = sorted[Math.floor(0.01 * (sorted.length - 1))] ?? 0
  const high = sorted[Math.ceil(0.99 * (sorted.length - 1))] ?? 1
  const span = high - low || 1
  const y = (value: number) =>
    height - 8 - (Math.max(0, Math.min(1, (value - low) / span)) * (height - 16) || 0)
  return drawn
    .map(
      (point, i) => `${i ? 'L' : 'M'}${((i / drawn.length) * WIDTH).toFixed(1)} ${y(point.value).toFixed(1)}`,
    )
    .join('')
}
