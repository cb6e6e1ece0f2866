// The shape of each severity as SVG path data in a box of 12 by 12: told apart without colour, in tags and in margins.
export const SEVERITY_SHAPES: Record<string, { path: string; outline?: boolean }> = {
  stop: { path: 'M1.5 1.5h9v9h-9Z' },
  fix: { path: 'M6 1L11.2 10.5H.8Z' },
  check: { path: 'M2 6a4 4 0 1 0 8 0a4 4 0 1 0-8 0', outline: true },
  unchecked: { path: 'M2.2 6h1.6M5.2 6h1.6M8.2 6h1.6', outline: true },
  note: { path: 'M1 4.8h10v2.4H1Z' },
}
export const shapeOf = (severity: string) => SEVERITY_SHAPES[severity] ?? SEVERITY_SHAPES.note!
