// The parts of the chart library the plots use, and the look they share.
import { CustomChart, LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { isDark, token } from '@/look/theme'

use([
  CustomChart,
  LineChart,
  ScatterChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
  SVGRenderer,
])

/** Colours and text of the theme now. Reading `isDark` makes a computed option follow the theme. */
export function inks() {
  void isDark.value
  return {
    ink: token('ink'),
    soft: token('soft'),
    faint: token('faint'),
    line: token('line'),
    sheet: token('sheet'),
    copper: token('copper'),
    copperSoft: token('copper-soft'),
    act: token('act'),
    good: token('good'),
    stop: token('stop'),
    check: token('check'),
    mono: token('mono'),
    text: token('text'),
  }
}

export function axis(name: string, c: ReturnType<typeof inks>, more: Record<string, unknown> = {}) {
  return {
    type: 'value' as string,
    name,
    nameLocation: 'end' as const,
    nameTextStyle: { color: c.soft, fontFamily: c.text, fontSize: 13 },
    axisLabel: { color: c.soft, fontFamily: c.mono, fontSize: 12 },
    axisLine: { lineStyle: { color: c.line } },
    splitLine: { lineStyle: { color: c.line, opacity: 0.6 } },
    scale: true,
    ...more,
  }
}
