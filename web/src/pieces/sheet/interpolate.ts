// Joins the points of the server's dense tables. No electronics here: only straight lines between what was sent.
import type { Schemas } from '@/api/client'

export type Slider = Schemas['SliderOut']
/** Raw low, raw, raw high, value low, value, value high. */
export type Six = number[]

/** Where `x` lies between the points of a rising list: the index below, and the share of the way to the next. */
export function place(points: number[], x: number): [number, number] {
  const last = points.length - 1
  if (last < 1 || x <= points[0]!) return [0, 0]
  if (x >= points[last]!) return [last - 1, 1]
  let low = 0
  let high = last
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (points[middle]! <= x) low = middle
    else high = middle
  }
  return [low, (x - points[low]!) / (points[high]! - points[low]!)]
}

/** A row of a table at `x`, by straight lines between its rows. */
export function rowAt(points: number[], rows: Six[], x: number): Six {
  const [at, share] = place(points, x)
  const one = rows[at] ?? []
  const other = rows[at + 1] ?? one
  return one.map((value, i) => value + share * ((other[i] ?? value) - value))
}

/** What a slider at `position` adds to the reading at a stimulus. */
export function shiftAt(stimuli: number[], slider: Slider, position: number, stimulus: number): Six {
  const at = (where: number) => {
    const [below, share] = place(slider.positions, where)
    const one = rowAt(stimuli, slider.table[below]!, stimulus)
    const other = rowAt(stimuli, slider.table[below + 1] ?? slider.table[below]!, stimulus)
    return one.map((value, i) => value + share * (other[i]! - value))
  }
  const here = at(position)
  return at(slider.value).map((usual, i) => here[i]! - usual)
}

/** The shifts of several sliders together: to first order they add. */
export function shifts(stimuli: number[], moved: [Slider, number][], stimulus: number): Six {
  const sum = [0, 0, 0, 0, 0, 0]
  for (const [slider, position] of moved)
    shiftAt(stimuli, slider, position, stimulus).forEach((shift, i) => (sum[i]! += shift))
  return sum
}
