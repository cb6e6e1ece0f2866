// The Floor: benches, the Round, papers.
import { count, plural } from './language'
import type { Value } from '../value'

export const benchCard = {
  bench: (bench: Value) => `Bench ${bench}`,
  noBench: 'No bench',
  onTheWay: (claimedBy: Value) => `${claimedBy} is on the way`,
  done: 'Done',
  power: 'Power',
}

export const floor = {
  sessionsSubject: 'the sessions',
  noSession: 'No session is planned',
  noSessionHint: 'A session names a section, a room and a time; the Floor shows it on the day.',
  setUpLink: 'To Set-up',
  pairs: (benches: number) => count(benches, 'pair'),
  bench: (typed: Value) => `bench ${typed}`,
  papers: 'Papers',
  view: 'View',
  table: 'Table',
  roomSubject: 'the room',
  loadingTheRoom: 'Loading the room…',
  noSeats: 'Nobody has a seat here yet',
  noSeatsHint: 'Benches appear when pairs are seated or kits are handed out.',
  handOutKits: 'Hand out kits',
  openTheFirst: 'open the first of the Round, or the bench typed',
  putTheFirst: 'put the first of the Round later',
  roomOrTable: 'room or table',
}

export const floorTable = {
  since: 'Since',
  now: 'Now',
  none: 'none',
}

export const papers = {
  heading: 'Papers for the class',
  whichPapers: 'Which papers',
  answerKeys: 'Answer keys',
  pagesToPredict: 'Pages to predict on',
  sheetsHint: 'One page a pair: what its own bench should read, with limits. For staff.',
  predictionHint: 'One page a pair without any answer: the steps, and room for a prediction.',
  running: 'Laying out the pages',
  noKits:
    "No kit is out yet, and each page follows its pair's own kit and wiring. They can be printed as soon as kits are handed out; until then the sheet of the exercise is under Exercises.",
  make: (pairs: number) => `Make ${count(pairs, 'page')}`,
}

export const passClean = {
  passClean: (clean: Value) => `Pass ${clean} clean`,
  heading: 'Pass what has nothing to look at',
  condition: 'No Stop, Fix or Check, and readings in limits. Each can be undone for 15 minutes.',
  changedMeanwhile: (changed: Value) => `Changed meanwhile, so left as they are: ${changed}.`,
  pass: (picked: Value) => `Pass ${picked}`,
}

export const pauseButton = {
  pausedPowerStays: 'Paused: power stays off',
  goOn: 'Go on',
  pause: 'Pause',
  pauseTheSession: 'Pause the session',
  help: 'For a fire alarm or whatever empties the room: benches off, everybody out. Until it goes on nobody is cleared for power; what was handed in is kept, and the end moves by as long as the pause was.',
  pauseItNow: 'Pause it now',
}

export const round = {
  round: 'Round',
  pairsWait: (visits: number) => plural(visits, '1 pair waits', `${visits} pairs wait`),
  nobodyWaits: 'Nobody waits',
  pairsAppearHere: 'Pairs appear here when they ask. Time for a walk along the benches.',
  waits: (station: Value, since: Value) => `${station} · waits ${since}`,
  keepPowerOff: 'Keep the power off.',
  onTheWay: (claimedBy: Value) => `${claimedBy} is on the way.`,
  openBench: (bench: Value) => `Open bench ${bench}`,
  openTheDocket: 'Open the docket',
  later: 'Later',
}
