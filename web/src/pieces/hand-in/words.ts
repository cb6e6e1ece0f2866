// What each kind of hand-in is called and may be.
interface Words {
  noun: string
  label: string
  endings: string[]
  mostBytes: number
  most: string
}

export const PARTS_OF_KIND: Record<'wiring' | 'program' | 'readings', Words> = {
  wiring: {
    noun: 'wiring',
    label: 'Wiring in bench notation',
    endings: ['.bench', '.txt'],
    mostBytes: 65536,
    most: '64 kB',
  },
  program: {
    noun: 'program',
    label: 'Program',
    endings: ['.cpp', '.ino', '.c', '.h', '.py', '.txt'],
    mostBytes: 65536,
    most: '64 kB',
  },
  readings: {
    noun: 'log',
    label: 'Log',
    endings: ['.txt', '.log', '.csv'],
    mostBytes: 10 * 1024 * 1024,
    most: '10 MB',
  },
}
