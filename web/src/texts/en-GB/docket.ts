// The docket: its frame, its stations and its history.
import { count, plural } from './language'
import type { Value } from '../value'

export const constants = {
  heading: 'What the library means',
  help: 'Said once, remembered for all pairs with this exercise: what a method gives; of a constant a number, or a kind of module.',
  notDefinedYet: 'not said yet',
  valueExample: '58.2 or climate-fine',
  celsius: 'a temperature in °C',
  fahrenheit: 'a temperature in °F',
  humidityPercent: 'a humidity in %',
  pressureHectopascal: 'a pressure in hPa',
  pressurePascal: 'a pressure in Pa',
  distanceCentimetres: 'a distance in cm',
  distanceMillimetres: 'a distance in mm',
  distanceInches: 'a distance in inches',
  echoTimeMicroseconds: 'an echo time in µs',
  displayPrint: 'prints on the display',
  displayClear: 'clears the display',
  displayCursor: 'moves the cursor',
  tagPresent: 'whether a tag is near',
  tagRead: 'reads a tag’s id',
  noEffect: 'nothing that shows',
}

export const criterionRow = {
  countsOf: (whole: Value) => `{counts} of ${whole}`,
  change: (title: Value) => `Change ${title}`,
  wasProposed: (proposed: Value | null | undefined, by: Value, reason: Value) =>
    `${proposed ?? 'Nothing'} was proposed. ${by}: “${reason}”`,
  marksFor: (title: Value) => `Marks for ${title}`,
  outOf: (whole: Value) => `of ${whole}`,
  reason: 'Reason',
  reasonHint: 'The reason; it stays with the mark',
  asProposed: 'As proposed',
}

export const docket = {
  failedHeading: 'This docket cannot be shown',
  subject: 'the docket',
  floorLink: 'Back to the Floor',
  version: (title: Value, version: Value) => `${title}, version ${version}`,
  kit: (tag: Value) => `· kit ${tag}`,
  shownFrom: (at: Value) => `What you see is from ${at}.`,
  nobodyWaits: 'Nobody else waits.',
  keyNextBench: 'next bench in the Round',
  keyUndo: 'undo the last decision',
  keyFloor: 'back to the Floor',
  keyNextStation: 'next station',
  keyPreviousStation: 'station before',
}

export const useDocket = {
  youDecided: (pair: Value, decided: Value) => `${pair}: you ${decided}.`,
}

export const docketBanners = {
  powerOff: 'Power off.',
  clearanceVoid: (voided: Value) => `The clearance is void: ${voided}.`,
  powerStationLink: 'To the power station',
  checkFailed: 'This could not be checked.',
  checkFailedReason: 'That is an error of ours; it says nothing about what was handed in.',
  notCheckedYet: 'Part of this is not checked yet.',
  notCheckedReason: 'It is tried again by itself when the machine is less busy, and costs the pair nothing.',
  checkAgain: 'Check again',
  checkRunning: 'Being judged: what was handed in is checked now.',
  decidedBy: (by: Value, decided: Value, at: Value) => `${by} ${decided} at ${at}.`,
}

export const flowChart = {
  functions: 'Functions',
  flowChart: 'Flow chart',
  flowChartOf: (name: Value) => `Flow chart of ${name}`,
}

export const historyPanel = {
  subject: 'the history',
}

export const kitStation = {
  kit: (tag: Value) => `Kit ${tag}`,
  noKit: 'No kit is out',
  handedOutAt: (returned: boolean, at: Value) =>
    `${returned ? 'Back at the hatch; handed out' : 'Handed out'} at ${at}`,
  ref: 'Ref',
  for: 'For',
  recipeOhms: (ohms: Value) => `${ohms} Ω, as in the recipe`,
  recipeValue: 'as in the recipe',
  board: 'Board',
  countedWithCalibration: (calibration: Value) => `{value} counts with its calibration: ${calibration}`,
  legOrderPrinted: (module: boolean, order: Value) =>
    `${module ? 'The batch of' : 'This batch of'} {part} is printed ${order}.`,
  localRulesFirst: 'Local rules and licensed practice come first.',
  hatchLink: 'To the hatch',
  laterSession: 'A later session',
  carryOverTo: 'carry over to …',
  carryOver: 'Carry over',
}

export const markStation = {
  evidence: 'the evidence',
  closed: 'Closed',
  proposedSoFar: 'Proposed so far',
  proposed: 'Proposed',
  totalOf: (whole: Value) => `{total} of ${whole}`,
  schemeRuleSet: (scheme: Value, rulesVersion: Value) => `scheme ${scheme}, rule set ${rulesVersion}`,
  secondLookLink: 'Look at them together',
  sameReadings: 'Another bench has the same readings.',
  secondLookHint: 'before you mark; closing asks what you decided about it. No pair sees this.',
  decidedAboutIt: (decided: Value) => `Decided: “${decided}”`,
  secondLookHeading: 'The log is worth a second look',
  aboutThisLog: 'What did you decide about it?',
  openCriteria: (criteria: Value) =>
    `Nobody has judged ${criteria}: give your own mark before you close. It costs the pair nothing that we could not check it.`,
  students: 'Students',
  studentsHint: "Each gets the docket's mark; an absent student gets none.",
  closedBefore: 'Closed before',
  closedBeforeBy: (total: Value, whole: Value, by: Value, reopenedBy: Value, because: Value) =>
    `${total} of ${whole}, by ${by}; reopened by ${reopenedBy}: “${because}”`,
  decisionsHeading: 'Decided on the way',
  nothingYet: 'Nothing yet.',
  everythingThatHappened: 'Everything that happened',
  closeTheMarking: 'Close the marking',
  reopen: 'Reopen',
  feedbackSheet: 'Feedback sheet',
  closedAtNothing: (closedAt: Value) => `Closed at ${closedAt}; nothing changes it now. The pair can see it.`,
  closeHint: 'The pair sees it once it is closed.',
  reopenTheMarking: 'Reopen the marking',
  keyClose: 'close the marking',
}

export const meterWalk = {
  meterWalk: 'Meter walk',
  requiredBeforePower: 'asked for before power',
  quickMeasurements: (steps: number, shown: number, mistakes: number) =>
    `${count(steps, 'quick measurement shows', 'quick measurements show')} ${shown} of the ${count(mistakes, 'single mistake', 'single mistakes')} this bench may have.`,
  harmfulCovered: (shown: number, harmful: number) =>
    shown === harmful
      ? `All ${harmful} that do harm are among them.`
      : `${shown} of the ${harmful} that do harm are among them.`,
  expectedValue: (should: Value) => `${should} is right here.`,
  offHeading: 'Power off, the lead to the computer out: ohms',
  onHeading: 'Then power on: volts',
  differing: (wrong: number) => `${plural(wrong, 'One differs', `${wrong} differ`)}: find that lead first`,
  allAgree: 'all as they should be',
  progress: (done: Value, steps: Value) => `${done} of ${steps} done`,
}

export const overruleAsk = {
  heading: (what: Value) => `A Stop is open. Pass the ${what} all the same?`,
  reasonLabel: 'Why it may pass',
  overruleAndPass: 'Overrule and pass',
  consequence: (seen: Value) =>
    `${seen} The pair is told that a Stop stands; the reason is kept with your name.`,
}

export const powerStation = {
  noWiring: 'No wiring to clear',
  clearanceNames: 'Clearance names one wiring and one kit. The pair has not handed in its wiring yet.',
  clearedForPower: 'Cleared for power',
  clearedWiring: (wiringAttempt: Value, kit: Value, by: Value, at: Value) =>
    `Wiring attempt ${wiringAttempt} with kit ${kit}, by ${by} at ${at}.`,
  overruledStop: 'A Stop was overruled:',
  beforePower: 'Before power',
  wiringAttempt: (number: Value) => `wiring attempt ${number}`,
  kit: (tag: Value) => `kit ${tag}`,
  clearsWhat: (withBoard: boolean) =>
    `This clears {number} with {tag}.${withBoard ? ` Any signal pin may be driven high or low.` : ''}`,
  remedy: 'Remedy',
  iComparedSupply: 'I compared supply, ground and polarity with the real bench',
  measurementsHeading: 'Measured on this bench',
  compareHeading: 'Compare with the real bench',
  withdrawTheClearance: 'Withdraw the clearance',
  cleared: 'The pair may switch on.',
  clearForPower: 'Clear for power',
  overrule: 'Overrule with a reason',
  stopsAreOpen: (stops: number) => plural(stops, 'One Stop is open.', `${stops} Stops are open.`),
  tickTheComparison: 'Tick the comparison first.',
  overruleTheStop: 'Overrule the Stop',
  overruleConsequence: 'Power goes on although the rules say no. The reason is kept with your name.',
  overruleReason: 'Why it is safe all the same',
  overruleAndClear: 'Overrule and clear',
  takeItBack: 'Take it back',
  keyClear: 'clear for power',
  keyCompared: 'tick: compared with the real bench',
  overruleAStop: 'overrule a Stop with a reason',
}

export const programStation = {
  attempt: (number: Value, at: Value, by: Value) => `attempt ${number}, ${at}, ${by}`,
  program: 'Program',
  noProgramYet: 'No program yet',
  noProgramHint: "It is read and run on this bench's twin as soon as it is handed in.",
  handInForPair: 'Hand in for the pair',
  programAsHanded: 'Program as handed in',
  flowHint: 'Program beside its flow chart',
  flowSubject: 'the flow chart',
  flowMissing: 'There is nothing to draw until the program is well formed; the findings say where it is not.',
  keyLineInRun: 'this line in the run',
  nothingFound: 'It compiles, agrees with the wiring, and does on the twin what the exercise asks.',
  sendBack: 'Send back',
  overruleTheStop: 'Overrule the Stop…',
  passTheProgram: 'Pass the program',
  passedReadings: 'Passed. Readings come next.',
  run: 'run',
  finding: 'finding',
  sendTheProgram: 'Send the program back',
  messageLabel: 'A word to the pair',
  programStops: 'program',
  flowChart: 'Flow chart',
  runTab: 'Run on the twin',
  keySendBack: 'send back',
  keyPass: 'pass the program',
  programOrRun: 'program or run',
}

export const readingsStation = {
  ownValues: 'this bench:',
  supplyNotMeasured: 'supply not measured',
  sheetAndReadings: 'Sheet and readings',
  noLogYet: 'No log yet',
  noLogHint: 'The pair pastes what the board printed, with a mark before each step.',
  enterTheLog: 'Enter the log',
  sheetSubject: 'the expected values of this bench',
  noSheet: 'There is no sheet for this bench',
  checkRunning: 'This log is being judged…',
  attempt: (number: Value, at: Value, by: Value) => `Attempt ${number}, ${at}, ${by}`,
  improvedSince: (number: Value) =>
    `Attempt 1 was not in limits; attempt ${number}, handed in after the pair had seen its sheet, is.`,
  noReadingsYet: 'No readings yet',
  sheetReady: 'The sheet stands already: it is worked out from the wiring and what was measured.',
  answerKeyLink: 'Answer key to print',
  predictionPageLink: 'Page to predict on',
  measurementsHeading: 'Measured on this bench',
  sendBack: 'Ask for one more measurement',
  acceptTheReadings: 'Accept the readings',
  acceptedMarking: 'Accepted. Marking comes next.',
  messageLabel: 'A word to the pair',
  ask: 'Ask',
  log: 'Log',
  live: 'Live',
  toleranceBudget: 'Tolerance budget',
  everyStepLies: 'Every step lies in this bench’s limits',
  readingsLieOutside: 'Readings lie outside this bench’s limits',
  stepWithoutReadings: 'A step has no readings',
  nothingJudged: 'No step could be judged',
  keySendBack: 'ask for one more measurement',
  keyAccept: 'accept the readings',
}

export const reasonAsk = {
  ifYouLike: ' (if you like)',
}

export const runOutput = {
  displayLastChanged: (ms: Value) => `Display, last changed at ${ms} s`,
  printedLines: (lines: Value) => `Printed lines (${lines})`,
  nothingWasPrinted: 'Nothing was printed in this stretch.',
  printedLinesLabel: 'Printed lines',
}

export const runStudy = {
  wholeRun: 'Whole run',
  firstDifference: 'Where it first differs',
  keyFirstDifference: 'where it first differs',
  keyWholeRun: 'whole run',
  keyNextStretch: 'next stretch of the run',
  stretchBefore: 'stretch before',
}

export const runTable = {
  onTheTwin: 'On the twin',
  did: 'Did',
  changeAt: (stimulus: Value, unit: Value) => `change at\u00a0${stimulus}\u00a0${unit}`,
  noChange: 'no change',
  agrees: 'agrees',
  differs: 'differs',
}

export const stationFrame = {
  evidence: 'Evidence',
  viewsLabel: 'Views of this station',
  nextBench: 'next in the Round',
  keys: 'Keys',
}

export const studentRow = {
  absent: 'absent',
  by: 'by',
  marks: 'marks',
  reasonLabel: 'The reason',
  reason: 'Reason',
}

export const wiringStation = {
  handedInBy: (by: Value) => `handed in by ${by}`,
  attempt: (number: Value, at: Value) => `attempt ${number}, ${at}`,
  boardMap: 'Board map',
  noWiringYet: 'No wiring yet',
  noWiringHint: 'The pair enters where every lead goes; you can do it for them.',
  enterTheWiring: 'Enter the wiring',
  notDrawn: 'This wiring could not be drawn; see its finding.',
  checkRunning: 'This wiring is being judged…',
  netsAndCurrents:
    'Nets and currents are as the exercise asks. Compare supply, ground and polarity with the real bench.',
  netsAsSolved: "Nets, as solved with this bench's values",
  ruleSet: (rulesVersion: Value) => `Rule set ${rulesVersion}.`,
  sendBack: 'Send back',
  overruleTheStop: 'Overrule the Stop…',
  passTheWiring: 'Pass the wiring',
  passedPowerComes: 'Passed. Power comes next.',
  hintsIncluded: 'Hints go to the pair with it.',
  finding: 'finding',
  sendBackHeading: 'Send the wiring back',
  messageLabel: 'A word to the pair',
  wiring: 'wiring',
  currents: 'Currents',
  resistors: 'Resistors',
  compare: 'Compare',
  keySendBack: 'send back',
  keyEnterWiring: 'enter the wiring',
  nextView: 'next view',
  keyPass: 'pass the wiring',
}

export const useStationKeys = {
  nextFinding: 'next finding',
  findingBefore: 'finding before',
}
