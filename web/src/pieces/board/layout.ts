// The whole board map: rows, rails, wires, blocks and what flies.
import type { Schemas } from '@/api/client'
import { type Band, foldRows, heights, usedRows } from './bands'
import { type Block, type Fan, placeBlocks } from './blocks'
import { type Flyer, placeFlyers } from './flyers'
import { type Chip, type Lead, placeLeads } from './leads'
import { readPlace, ROW, X } from './places'

type Bench = Schemas['BenchOut']
const HEAD = 44
const HEAD_STEP = 24
const SPLIT_AFTER = 31

export interface MapLayout {
  height: number
  bands: Band[]
  /** From where to where the rails run; two runs where they are broken in the middle, none without a base. */
  rails: [number, number][]
  chips: Chip[]
  leads: Lead[]
  blocks: Block[]
  flyers: Flyer[]
  usesRight: boolean
}

/** Lay a bench out. What reaches a rail and no row stands in the head, one under the other. */
export function layOut(bench: Bench): MapLayout {
  let inHead = 0
  const head = () => HEAD + HEAD_STEP * inHead++
  const top = HEAD + HEAD_STEP * countHead(bench)
  const bands = foldRows(usedRows(bench), bench.rows, top)
  const yOf = heights(bands)
  const fan = fanner()
  const { chips, leads } = placeLeads(bench, yOf, head, fan)
  const blocks = placeBlocks(bench.parts, yOf, head, fan)
  const end = (bands.at(-1)?.y ?? (bench.rows ? top : 0)) + ROW
  const { flyers, height } = placeFlyers(bench, end + (bench.rows ? 14 : 8))
  return {
    height: end + (flyers.length ? height + 8 : 0),
    bands,
    rails: railsOf(bench, end, yOf),
    chips,
    leads,
    blocks,
    flyers,
    usesRight:
      flyers.length > 0 ||
      leads.some((lead) => lead.points.some(([x]) => x >= X.holesRight)) ||
      blocks.some((block) => block.legs.some((leg) => leg.x >= X.holesRight)),
  }
}

/** The first line of a row lies in it, the next ones end a little below and above. */
function fanner(): Fan {
  const taken = new Map<number, number>()
  return (row) => {
    const count = taken.get(row) ?? 0
    taken.set(row, count + 1)
    return Math.ceil(count / 2) * 8 * (count % 2 ? 1 : -1)
  }
}

function countHead(bench: Bench): number {
  const kinds = (places: string[]) => places.map((text) => readPlace(text).kind)
  const wires = bench.wires.filter((w) => {
    const ends = kinds([w.from_place, w.to_place])
    return ends.includes('rail') && !ends.includes('hole')
  })
  const parts = bench.parts.filter((p) => {
    const legs = kinds(Object.values(p.legs))
    return legs.includes('rail') && !legs.includes('hole')
  })
  return wires.length + parts.length
}

function railsOf(bench: Bench, end: number, yOf: (row: number) => number): [number, number][] {
  if (!bench.rows) return []
  if (bench.base !== 'full-split') return [[26, end - 8]]
  const middle = (yOf(SPLIT_AFTER) + yOf(SPLIT_AFTER + 1)) / 2
  const broken = yOf(SPLIT_AFTER) === yOf(SPLIT_AFTER + 1) ? yOf(SPLIT_AFTER) : middle
  return [
    [26, broken - 5],
    [broken + 5, end - 8],
  ]
}
