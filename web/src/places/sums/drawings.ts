// What each sum is about, as a few lines and boxes. `$name` is what was entered, `=name` what came out.
export type Shape =
  | { kind: 'wire'; points: string }
  | { kind: 'box'; x: number; y: number; flat?: boolean; label: string; result?: boolean; optional?: string }
  | { kind: 'light'; x: number; y: number; label: string }
  | { kind: 'ground'; x: number; y: number }
  | { kind: 'chip'; x: number; y: number; label: string; result?: boolean }
  | { kind: 'dot'; x: number; y: number }
  | { kind: 'switch'; x: number; y: number }
  | { kind: 'word'; x: number; y: number; label: string }

/** All in units of a drawing 400 wide and 230 high. A box is 16 by 44, upright unless flat. */
export const DRAWINGS: Record<string, Shape[]> = {
  led: [
    { kind: 'chip', x: 120, y: 22, label: '$supply' },
    { kind: 'wire', points: '120,35 120,50' },
    { kind: 'box', x: 120, y: 72, label: 'R  =preferred', result: true },
    { kind: 'wire', points: '120,94 120,122' },
    { kind: 'light', x: 120, y: 138, label: 'Vf  $vf' },
    { kind: 'wire', points: '120,154 120,188' },
    { kind: 'ground', x: 120, y: 188 },
    { kind: 'word', x: 146, y: 112, label: 'I  =amps' },
  ],
  divider: [
    { kind: 'chip', x: 110, y: 22, label: '$supply' },
    { kind: 'wire', points: '110,35 110,46' },
    { kind: 'box', x: 110, y: 68, label: 'upper  $upper' },
    { kind: 'wire', points: '110,90 110,128' },
    { kind: 'dot', x: 110, y: 109 },
    { kind: 'wire', points: '110,109 282,109' },
    { kind: 'chip', x: 320, y: 109, label: '=loaded_volts', result: true },
    { kind: 'box', x: 110, y: 150, label: 'lower  $lower' },
    { kind: 'wire', points: '110,172 110,198' },
    { kind: 'ground', x: 110, y: 198 },
    { kind: 'box', x: 250, y: 150, label: 'load  $load', optional: 'load' },
  ],
  base: [
    { kind: 'chip', x: 46, y: 140, label: '$drive' },
    { kind: 'wire', points: '84,140 100,140' },
    { kind: 'box', x: 122, y: 140, flat: true, label: 'R  =preferred', result: true },
    { kind: 'wire', points: '144,140 190,140' },
    { kind: 'switch', x: 204, y: 140 },
    { kind: 'box', x: 214, y: 68, label: 'load  $load' },
    { kind: 'wire', points: '214,90 214,120' },
    { kind: 'wire', points: '214,46 214,26' },
    { kind: 'word', x: 224, y: 30, label: 'supply of the load' },
    { kind: 'wire', points: '214,160 214,190' },
    { kind: 'ground', x: 214, y: 190 },
    { kind: 'word', x: 126, y: 164, label: 'Ib  =base_amps' },
  ],
  'pull-up': [
    { kind: 'chip', x: 120, y: 22, label: '$supply' },
    { kind: 'wire', points: '120,35 120,50' },
    { kind: 'box', x: 120, y: 72, label: 'R  =preferred', result: true },
    { kind: 'wire', points: '120,94 120,140' },
    { kind: 'dot', x: 120, y: 140 },
    { kind: 'wire', points: '84,140 290,140' },
    { kind: 'chip', x: 46, y: 140, label: 'pin' },
    { kind: 'chip', x: 328, y: 140, label: 'module' },
    { kind: 'word', x: 170, y: 132, label: 'lead  $lead' },
    { kind: 'word', x: 130, y: 180, label: 'up within  $slot' },
  ],
  level: [
    { kind: 'chip', x: 46, y: 70, label: '$source' },
    { kind: 'wire', points: '84,70 104,70' },
    { kind: 'box', x: 126, y: 70, flat: true, label: 'upper  $upper' },
    { kind: 'wire', points: '148,70 290,70' },
    { kind: 'dot', x: 200, y: 70 },
    { kind: 'chip', x: 328, y: 70, label: '=volts', result: true },
    { kind: 'wire', points: '200,70 200,106' },
    { kind: 'box', x: 200, y: 128, label: 'lower  =lower', result: true },
    { kind: 'wire', points: '200,150 200,184' },
    { kind: 'ground', x: 200, y: 184 },
    { kind: 'word', x: 292, y: 100, label: 'pin, at most $most' },
  ],
  parallel: [
    { kind: 'wire', points: '60,40 340,40' },
    { kind: 'wire', points: '60,180 340,180' },
    { kind: 'wire', points: '110,40 110,88 110,132 110,180' },
    { kind: 'box', x: 110, y: 110, label: '$one' },
    { kind: 'wire', points: '200,40 200,180' },
    { kind: 'box', x: 200, y: 110, label: '$two' },
    { kind: 'box', x: 290, y: 110, label: '$three', optional: 'three' },
    { kind: 'word', x: 60, y: 212, label: 'together  =ohms' },
  ],
  series: [
    { kind: 'wire', points: '20,110 380,110' },
    { kind: 'box', x: 80, y: 110, flat: true, label: '$one' },
    { kind: 'box', x: 200, y: 110, flat: true, label: '$two' },
    { kind: 'box', x: 320, y: 110, flat: true, label: '$three', optional: 'three' },
    { kind: 'word', x: 60, y: 180, label: 'together  =ohms' },
  ],
}
