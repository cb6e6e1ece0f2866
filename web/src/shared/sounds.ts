// Two short sounds for who looks at the kits and not at the screen: a rising one for yes, a low double one for no.
import { useStorage } from '@vueuse/core'

const on = useStorage('verifex-sounds', true)
let audio: AudioContext | null = null

/** Hz and the second each tone begins. */
const TONES = { yes: [[660, 0], [880, 0.07]], no: [[196, 0], [196, 0.16]] } as const // prettier-ignore
const SECONDS = 0.06
const LOUDNESS = 0.08

/** Plays it where sounds are on and the browser allows it; without a loudspeaker nothing is lost. */
export function play(kind: keyof typeof TONES): void {
  if (!on.value || typeof AudioContext === 'undefined') return
  try {
    audio ??= new AudioContext()
    for (const [hertz, from] of TONES[kind]) {
      const tone = audio.createOscillator()
      const volume = audio.createGain()
      tone.frequency.value = hertz
      volume.gain.value = LOUDNESS
      tone.connect(volume).connect(audio.destination)
      tone.start(audio.currentTime + from)
      tone.stop(audio.currentTime + from + SECONDS)
    }
  } catch {
    audio = null
  }
}

export function useSounds() {
  return { on }
}
