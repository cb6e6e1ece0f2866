// What each kind of hand-in is called and may be.
import { handInWords as texts } from '@texts/hand-in'
interface Words {
  noun: string
  label: string
  endings: string[]
  mostBytes: number
  most: string
}

export const PARTS_OF_KIND: Record<'wiring' | 'program' | 'readings', Words> = {
  wiring: {
    noun: texts.wiring,
    label: texts.wiringLabel,
    endings: ['.bench', '.txt'],
    mostBytes: 65536,
    most: '64 kB',
  },
  program: {
    noun: texts.program,
    label: texts.programTitle,
    endings: ['.cpp', '.ino', '.c', '.h', '.py', '.txt'],
    mostBytes: 65536,
    most: '64 kB',
  },
  readings: {
    noun: texts.log,
    label: texts.logTitle,
    endings: ['.txt', '.log', '.csv'],
    mostBytes: 10 * 1024 * 1024,
    most: '10 MB',
  },
}
