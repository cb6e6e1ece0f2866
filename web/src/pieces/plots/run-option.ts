// The run on the twin as chart options: what was given and printed, counts, and when each light or sounder was on.
import type { Schemas } from '@/api/client'
import { runOption as texts } from '@texts/plots'
import { lightColour } from '../board/colours'
import { axis, inks } from './echarts'

export interface Stretch {
  start_ms: number
  end_ms: number
}
interface Run {
  trace: Schemas['TraceOut']
  behaviour: Schemas['BehaviourOut'] | null
  thresholds: number[]
  shown: Stretch | null
}
type Ink = ReturnType<typeof inks>

const LANE = 20
const LETTER = 7 // pixels of a letter on a bar
const COUNTS = 62
const PALE = ['white', 'yellow', 'cyan', 'orange'] // colours that dark letters stand on

/** Times an output showed something, in seconds, with what it was: `on`, a colour, a pitch, a brightness. */
export function spans(trace: Schemas['TraceOut'], ref: string): [number, number, string][] {
  const said = trace.looks?.length
    ? trace.looks
    : trace.indicators.map(({ ms, ref: who, on }) => ({ ms, ref: who, text: on ? 'on' : 'off' }))
  const own = said.filter((look) => look.ref === ref)
  return own.flatMap(({ ms, text }, index) =>
    text === 'off'
      ? []
      : [[ms / 1000, (own[index + 1]?.ms ?? trace.ended_ms) / 1000, text] as [number, number, string]],
  )
}

/** Whether the printed values are in the unit of what is given: then they share an axis. */
export function sameUnit(behaviour: Schemas['BehaviourOut'] | null): boolean {
  return !!behaviour?.outcomes.some(
    (o) => o.limits && o.limits[0]! <= o.stimulus && o.stimulus <= o.limits[1]!,
  )
}

export function lanesOf({ trace, behaviour }: Pick<Run, 'trace' | 'behaviour'>): string[] {
  const asked = behaviour?.outcomes.flatMap((o) => Object.keys({ ...o.asked, ...o.switched_at })) ?? []
  return [...new Set([...trace.indicators.map((e) => e.ref), ...asked])]
}

export function heightOf(run: Pick<Run, 'trace' | 'behaviour'>): number {
  const top = run.trace.stimulus[0]?.texts.length ? 112 : 236
  return top + lanesOf(run).length * LANE + (run.trace.samples.length ? COUNTS + 24 : 0)
}

export function runOption(run: Run) {
  const c = inks()
  const { trace, behaviour, shown } = run
  const lanes = lanesOf(run)
  const main = trace.stimulus[0]
  const tags = main?.texts.length ? main.texts : []
  const reading = (behaviour?.reading ?? []).map(([ms, value]) => [ms! / 1000, value])
  const apart = reading.length > 0 && !sameUnit(behaviour)
  const counts = trace.samples.map((s) => [s.ms / 1000, s.count])
  const pad = shown ? (shown.end_ms - shown.start_ms) * 0.04 : 0
  const min = shown ? Math.max(0, Math.floor((shown.start_ms - pad) / 1000)) : 0
  const max = shown ? Math.ceil((shown.end_ms + pad) / 1000) : trace.ended_ms / 1000
  const under = 44 + lanes.length * LANE
  const grids = [
    { left: 58, right: apart ? 58 : 18, top: 26, bottom: under + (counts.length ? COUNTS + 26 : 8) },
    { left: 58, right: apart ? 58 : 18, height: lanes.length * LANE, bottom: 40 },
    ...(counts.length ? [{ left: 58, right: apart ? 58 : 18, height: COUNTS - 14, bottom: under + 8 }] : []),
  ]
  const time = (gridIndex: number, last: boolean) =>
    axis(last ? 'seconds' : '', c, {
      gridIndex,
      min,
      max,
      ...(last
        ? { nameLocation: 'middle', nameGap: 24, splitLine: { show: false } }
        : { axisLabel: { show: false } }),
      axisPointer: { show: true, snap: false, label: { show: last } },
    })
  const unit = main?.unit ?? ''
  const yAxis: Record<string, unknown>[] = [
    axis(unit, c, { gridIndex: 0, show: !tags.length, nameTextStyle: { color: c.soft, align: 'right' } }),
    {
      type: 'category',
      gridIndex: 1,
      data: lanes,
      axisLabel: { color: c.ink, fontFamily: c.mono, fontSize: 12 },
      axisTick: { show: false },
      axisLine: { lineStyle: { color: c.line } },
    },
    ...(counts.length
      ? [axis('count', c, { gridIndex: 2, splitNumber: 2, nameTextStyle: { color: c.soft, align: 'right' } })]
      : []),
    ...(apart
      ? [
          axis('printed', c, {
            gridIndex: 0,
            position: 'right',
            splitLine: { show: false },
            nameTextStyle: { color: c.soft, align: 'left' },
          }),
        ]
      : []),
  ]
  return {
    animation: false,
    textStyle: { fontFamily: c.text },
    axisPointer: { link: [{ xAxisIndex: 'all' }], lineStyle: { color: c.faint } },
    tooltip: tooltip(c),
    grid: grids,
    xAxis: [time(0, false), time(1, true), ...(counts.length ? [time(2, false)] : [])],
    yAxis,
    series: [
      given(run, c, tags),
      {
        name: texts.printed,
        type: 'line',
        yAxisIndex: apart ? yAxis.length - 1 : 0,
        data: reading,
        symbol: 'circle',
        symbolSize: 4.5,
        showSymbol: true,
        lineStyle: { width: 0 },
        itemStyle: { color: c.ink },
      },
      ...(counts.length
        ? [
            {
              name: texts.count,
              type: 'line',
              xAxisIndex: 2,
              yAxisIndex: 2,
              data: counts,
              symbol: 'none',
              step: 'end',
              lineStyle: { color: c.soft, width: 1 },
            },
          ]
        : []),
      bars(trace, lanes, c),
    ],
  }
}

function tooltip(c: Ink) {
  return {
    trigger: 'axis',
    backgroundColor: c.sheet,
    borderColor: c.line,
    textStyle: { color: c.ink, fontFamily: c.mono, fontSize: 12.5 },
    confine: true,
    formatter: (points: { seriesName: string; value: [number, number] }[]) => {
      const at = points[0]?.value[0]
      if (at === undefined) return ''
      const rows = points.map((p) => `${p.seriesName} ${Number(p.value[1].toFixed(2))}`)
      return [`${at.toFixed(2)} s`, ...new Set(rows)].join('<br>')
    },
  }
}

function given(run: Run, c: Ink, tags: Schemas['LineOut'][]) {
  const { trace, behaviour } = run
  const main = trace.stimulus[0]
  const divergence = behaviour?.first_divergence_ms
  const thresholds = tags.length ? [] : run.thresholds
  return {
    name: texts.given,
    type: 'line',
    data: tags.length ? [] : (main?.points ?? []).map(([ms, value]) => [ms! / 1000, value]),
    symbol: 'none',
    lineStyle: { color: c.copper, width: 2 },
    markLine: {
      symbol: 'none',
      silent: true,
      label: {
        color: c.act,
        fontFamily: c.mono,
        fontSize: 12,
        position: 'insideStartTop',
        backgroundColor: c.sheet,
        padding: [1, 3],
        formatter: texts.threshold('{c}', main?.unit ?? ''),
      },
      lineStyle: { color: c.act, type: 'dashed' },
      data: [
        ...thresholds.map((t) => ({ yAxis: t })),
        ...tags.map(({ ms, text }) => ({
          xAxis: ms / 1000,
          lineStyle: { color: c.copper },
          label: {
            formatter: text || texts.noTag,
            color: c.ink,
            position: 'insideStartTop',
            rotate: 0,
            align: 'left',
          },
        })),
        ...(divergence !== null && divergence !== undefined
          ? [
              {
                xAxis: divergence / 1000,
                lineStyle: { color: c.stop, width: 1.5 },
                label: {
                  formatter: texts.differsHere,
                  color: c.stop,
                  position: 'end',
                  rotate: 0,
                  align: 'left',
                },
              },
            ]
          : []),
      ],
    },
  }
}

function bars(trace: Schemas['TraceOut'], lanes: string[], c: Ink) {
  const rows = lanes.flatMap((ref, lane) => spans(trace, ref).map((span) => [lane, ...span] as const))
  return {
    name: texts.on,
    type: 'custom',
    xAxisIndex: 1,
    yAxisIndex: 1,
    silent: true,
    clip: true,
    tooltip: { show: false },
    data: rows.map(([lane, from, to]) => [lane, from, to]),
    encode: { x: [1, 2], y: 0 },
    renderItem: (
      params: { dataIndex: number },
      api: { value: (n: number) => number; coord: (p: number[]) => number[] },
    ) => {
      const [x1, y] = api.coord([api.value(1), api.value(0)]) as [number, number]
      const [x2] = api.coord([api.value(2), api.value(0)]) as [number]
      const width = Math.max(2, x2 - x1)
      const text = rows[params.dataIndex]?.[3] ?? 'on'
      const fill = lightColour(text) ?? c.act
      const bar = { type: 'rect', shape: { x: x1, y: y - 6, width, height: 12 }, style: { fill } }
      // A plain on needs no word; anything else is written on its bar where it has the room.
      if (text === 'on' || width < text.length * LETTER + 8) return bar
      const style = {
        text,
        x: x1 + 5,
        y,
        fill: PALE.includes(text) ? '#1f2430' : fill === c.act ? c.sheet : '#fff',
        font: `11px ${c.mono}`,
        textVerticalAlign: 'middle',
      }
      return { type: 'group', children: [bar, { type: 'text', style }] }
    },
  }
}
