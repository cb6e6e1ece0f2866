// The docket: its frame, its stations and its history.
import { count, plural } from './language'
import type { Value } from '../value'

export const constants = {
  whatTheLibraryMeans: 'What the library means',
  saidOnceRemembered:
    'Said once, remembered for all pairs with this exercise: what a method gives; of a constant a number, or a kind of module.',
  notSaidYet: 'not said yet',
  n582OrClimateFine: '58.2 or climate-fine',
  aTemperatureInCelsius: 'a temperature in °C',
  aTemperatureInFahrenheit: 'a temperature in °F',
  aHumidityIn: 'a humidity in %',
  aPressureInHPa: 'a pressure in hPa',
  aPressureInPa: 'a pressure in Pa',
  aDistanceInCm: 'a distance in cm',
  aDistanceInMm: 'a distance in mm',
  aDistanceInInches: 'a distance in inches',
  anEchoTimeInS: 'an echo time in µs',
  printsOnTheDisplay: 'prints on the display',
  clearsTheDisplay: 'clears the display',
  movesTheCursor: 'moves the cursor',
  whetherATagIsNear: 'whether a tag is near',
  readsATagsId: 'reads a tag’s id',
  nothingThatShows: 'nothing that shows',
}

export const criterionRow = {
  countsOf: (whole: Value) => `{counts} of ${whole}`,
  change: (title: Value) => `Change ${title}`,
  wasProposed: (proposed: Value | null | undefined, by: Value, reason: Value) =>
    `${proposed ?? 'Nothing'} was proposed. ${by}: “${reason}”`,
  marksFor: (title: Value) => `Marks for ${title}`,
  outOf: (whole: Value) => `of ${whole}`,
  reason: 'Reason',
  theReasonItStays: 'The reason; it stays with the mark',
  asProposed: 'As proposed',
}

export const docket = {
  thisDocketCannot: 'This docket cannot be shown',
  theDocket: 'the docket',
  backToTheFloor: 'Back to the Floor',
  version: (title: Value, version: Value) => `${title}, version ${version}`,
  kit: (tag: Value) => `· kit ${tag}`,
  whatYouSeeIsFrom: (at: Value) => `What you see is from ${at}.`,
  nobodyElseWaits: 'Nobody else waits.',
  nextBenchInTheRound: 'next bench in the Round',
  undoTheLastDecision: 'undo the last decision',
  toBackToTheFloor: 'back to the Floor',
  nextStation: 'next station',
  stationBefore: 'station before',
}

export const useDocket = {
  youDecided: (pair: Value, decided: Value) => `${pair}: you ${decided}.`,
}

export const docketBanners = {
  powerOff: 'Power off.',
  theClearanceIsVoid: (voided: Value) => `The clearance is void: ${voided}.`,
  toThePowerStation: 'To the power station',
  couldNotBeChecked: 'This could not be checked.',
  anErrorOfOurs: 'That is an error of ours; it says nothing about what was handed in.',
  notCheckedYet: 'Part of this is not checked yet.',
  itIsTriedAgain: 'It is tried again by itself when the machine is less busy, and costs the pair nothing.',
  checkAgain: 'Check again',
  beingJudgedWhatWasHanded: 'Being judged: what was handed in is checked now.',
  decidedBy: (by: Value, decided: Value, at: Value) => `${by} ${decided} at ${at}.`,
}

export const flowChart = {
  functions: 'Functions',
  flowChart: 'Flow chart',
  flowChartOf: (name: Value) => `Flow chart of ${name}`,
}

export const historyPanel = {
  theHistory: 'the history',
}

export const kitStation = {
  kit: (tag: Value) => `Kit ${tag}`,
  noKitIsOut: 'No kit is out',
  handedOutAt: (returned: boolean, at: Value) =>
    `${returned ? 'Back at the hatch; handed out' : 'Handed out'} at ${at}`,
  ref: 'Ref',
  for: 'For',
  ohmsAsInTheRecipe: (ohms: Value) => `${ohms} Ω, as in the recipe`,
  asInTheRecipe: 'as in the recipe',
  board: 'Board',
  countsWithItsCalibration: (calibration: Value) => `{value} counts with its calibration: ${calibration}`,
  isPrinted: (module: boolean, order: Value) =>
    `${module ? 'The batch of' : 'This batch of'} {part} is printed ${order}.`,
  localRulesAndLicensed: 'Local rules and licensed practice come first.',
  toTheHatch: 'To the hatch',
  aLaterSession: 'A later session',
  carryOverTo: 'carry over to …',
  carryOver: 'Carry over',
}

export const markStation = {
  theEvidence: 'the evidence',
  closed: 'Closed',
  proposedSoFar: 'Proposed so far',
  proposed: 'Proposed',
  ofOf: (whole: Value) => `{total} of ${whole}`,
  schemeRuleSet: (scheme: Value, rulesVersion: Value) => `scheme ${scheme}, rule set ${rulesVersion}`,
  lookAtThemTogether: 'Look at them together',
  anotherBenchHasTheSame: 'Another bench has the same readings.',
  closingAsksWhatYouDecided: 'before you mark; closing asks what you decided about it. No pair sees this.',
  decidedAboutIt: (decided: Value) => `Decided: “${decided}”`,
  whatDidYouDecide: 'The log is worth a second look',
  aboutThisLog: 'What did you decide about it?',
  forYouToDecide: (criteria: Value) =>
    `Nobody has judged ${criteria}: give your own mark before you close. It costs the pair nothing that we could not check it.`,
  students: 'Students',
  eachGetsTheDockets: "Each gets the docket's mark; an absent student gets none.",
  closedBefore: 'Closed before',
  closedBeforeBy: (total: Value, whole: Value, by: Value, reopenedBy: Value, because: Value) =>
    `${total} of ${whole}, by ${by}; reopened by ${reopenedBy}: “${because}”`,
  decidedOnTheWay: 'Decided on the way',
  nothingYet: 'Nothing yet.',
  everythingThatHappened: 'Everything that happened',
  closeTheMarking: 'Close the marking',
  reopen: 'Reopen',
  feedbackSheet: 'Feedback sheet',
  closedAtNothing: (closedAt: Value) => `Closed at ${closedAt}; nothing changes it now. The pair can see it.`,
  thePairSeesItOnce: 'The pair sees it once it is closed.',
  reopenTheMarking: 'Reopen the marking',
  toCloseTheMarking: 'close the marking',
}

export const meterWalk = {
  meterWalk: 'Meter walk',
  askedForBeforePower: 'asked for before power',
  quickMeasurements: (steps: number, shown: number, mistakes: number) =>
    `${count(steps, 'quick measurement shows', 'quick measurements show')} ${shown} of the ${count(mistakes, 'single mistake', 'single mistakes')} this bench may have.`,
  theHarmfulOnes: (shown: number, harmful: number) =>
    shown === harmful
      ? `All ${harmful} that do harm are among them.`
      : `${shown} of the ${harmful} that do harm are among them.`,
  isRightHere: (should: Value) => `${should} is right here.`,
  powerOffTheLead: 'Power off, the lead to the computer out: ohms',
  thenPowerOnVolts: 'Then power on: volts',
  findThatLeadFirst: (wrong: number) =>
    `${plural(wrong, 'One differs', `${wrong} differ`)}: find that lead first`,
  allAsTheyShouldBe: 'all as they should be',
  ofDone: (done: Value, steps: Value) => `${done} of ${steps} done`,
}

export const overruleAsk = {
  aStopIsOpenPass: (what: Value) => `A Stop is open. Pass the ${what} all the same?`,
  whyItMayPass: 'Why it may pass',
  overruleAndPass: 'Overrule and pass',
  thePairIsTold: (seen: Value) =>
    `${seen} The pair is told that a Stop stands; the reason is kept with your name.`,
}

export const powerStation = {
  noWiringToClear: 'No wiring to clear',
  clearanceNames: 'Clearance names one wiring and one kit. The pair has not handed in its wiring yet.',
  clearedForPower: 'Cleared for power',
  wiringAttemptWithKit: (wiringAttempt: Value, kit: Value, by: Value, at: Value) =>
    `Wiring attempt ${wiringAttempt} with kit ${kit}, by ${by} at ${at}.`,
  aStopWasOverruled: 'A Stop was overruled:',
  beforePower: 'Before power',
  wiringAttempt: (number: Value) => `wiring attempt ${number}`,
  kit: (tag: Value) => `kit ${tag}`,
  thisClears: (withBoard: boolean) =>
    `This clears {number} with {tag}.${withBoard ? ` Any signal pin may be driven high or low.` : ''}`,
  remedy: 'Remedy',
  iComparedSupply: 'I compared supply, ground and polarity with the real bench',
  measuredOnThisBench: 'Measured on this bench',
  compareWithTheReal: 'Compare with the real bench',
  withdrawTheClearance: 'Withdraw the clearance',
  thePairMaySwitch: 'The pair may switch on.',
  clearForPower: 'Clear for power',
  overruleWithAReason: 'Overrule with a reason',
  stopsAreOpen: (stops: number) => plural(stops, 'One Stop is open.', `${stops} Stops are open.`),
  tickTheComparison: 'Tick the comparison first.',
  overruleTheStop: 'Overrule the Stop',
  powerGoesOnAlthough: 'Power goes on although the rules say no. The reason is kept with your name.',
  whyItIsSafe: 'Why it is safe all the same',
  overruleAndClear: 'Overrule and clear',
  takeItBack: 'Take it back',
  toClearForPower: 'clear for power',
  tickComparedWithTheReal: 'tick: compared with the real bench',
  overruleAStop: 'overrule a Stop with a reason',
}

export const programStation = {
  attempt: (number: Value, at: Value, by: Value) => `attempt ${number}, ${at}, ${by}`,
  program: 'Program',
  noProgramYet: 'No program yet',
  itIsReadAndRun: "It is read and run on this bench's twin as soon as it is handed in.",
  handInForThePair: 'Hand in for the pair',
  programAsHanded: 'Program as handed in',
  programBesideItsFlow: 'Program beside its flow chart',
  theFlowChart: 'the flow chart',
  thereIsNothingToDraw:
    'There is nothing to draw until the program is well formed; the findings say where it is not.',
  thisLineInTheRun: 'this line in the run',
  itCompilesAgrees: 'It compiles, agrees with the wiring, and does on the twin what the exercise asks.',
  sendBack: 'Send back',
  overruleTheStop: 'Overrule the Stop…',
  passTheProgram: 'Pass the program',
  passedReadings: 'Passed. Readings come next.',
  run: 'run',
  finding: 'finding',
  sendTheProgram: 'Send the program back',
  aWordToThePair: 'A word to the pair',
  programStops: 'program',
  flowChart: 'Flow chart',
  runOnTheTwin: 'Run on the twin',
  toSendBack: 'send back',
  toPassTheProgram: 'pass the program',
  programOrRun: 'program or run',
}

export const readingsStation = {
  thisBench: 'this bench:',
  supplyNotMeasured: 'supply not measured',
  sheetAndReadings: 'Sheet and readings',
  noLogYet: 'No log yet',
  thePairPastes: 'The pair pastes what the board printed, with a mark before each step.',
  enterTheLog: 'Enter the log',
  theExpectedValues: 'the expected values of this bench',
  thereIsNoSheet: 'There is no sheet for this bench',
  thisLogIsBeing: 'This log is being judged…',
  attempt: (number: Value, at: Value, by: Value) => `Attempt ${number}, ${at}, ${by}`,
  improvedSince: (number: Value) =>
    `Attempt 1 was not in limits; attempt ${number}, handed in after the pair had seen its sheet, is.`,
  noReadingsYet: 'No readings yet',
  theSheetStands: 'The sheet stands already: it is worked out from the wiring and what was measured.',
  answerKeyToPrint: 'Answer key to print',
  pageToPredictOn: 'Page to predict on',
  measuredOnThisBench: 'Measured on this bench',
  askForOneMoreMeasurement: 'Ask for one more measurement',
  acceptTheReadings: 'Accept the readings',
  acceptedMarking: 'Accepted. Marking comes next.',
  aWordToThePair: 'A word to the pair',
  ask: 'Ask',
  log: 'Log',
  live: 'Live',
  toleranceBudget: 'Tolerance budget',
  everyStepLies: 'Every step lies in this bench’s limits',
  readingsLieOutside: 'Readings lie outside this bench’s limits',
  aStepHasNoReadings: 'A step has no readings',
  noStepCouldBeJudged: 'No step could be judged',
  toAskForOneMoreMeasurement: 'ask for one more measurement',
  toAcceptTheReadings: 'accept the readings',
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
  whereItFirstDiffers: 'Where it first differs',
  toWhereItFirstDiffers: 'where it first differs',
  toWholeRun: 'whole run',
  nextStretchOfTheRun: 'next stretch of the run',
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
  viewsOfThisStation: 'Views of this station',
  nextInTheRound: 'next in the Round',
  keys: 'Keys',
}

export const studentRow = {
  absent: 'absent',
  by: 'by',
  marks: 'marks',
  theReason: 'The reason',
  reason: 'Reason',
}

export const wiringStation = {
  handedInBy: (by: Value) => `handed in by ${by}`,
  attempt: (number: Value, at: Value) => `attempt ${number}, ${at}`,
  boardMap: 'Board map',
  noWiringYet: 'No wiring yet',
  thePairEntersWhereEvery: 'The pair enters where every lead goes; you can do it for them.',
  enterTheWiring: 'Enter the wiring',
  thisWiring: 'This wiring could not be drawn; see its finding.',
  thisWiringIsBeing: 'This wiring is being judged…',
  netsAndCurrents:
    'Nets and currents are as the exercise asks. Compare supply, ground and polarity with the real bench.',
  netsAsSolved: "Nets, as solved with this bench's values",
  ruleSet: (rulesVersion: Value) => `Rule set ${rulesVersion}.`,
  sendBack: 'Send back',
  overruleTheStop: 'Overrule the Stop…',
  passTheWiring: 'Pass the wiring',
  passedPowerComes: 'Passed. Power comes next.',
  hintsGoToThePair: 'Hints go to the pair with it.',
  finding: 'finding',
  sendTheWiringBack: 'Send the wiring back',
  aWordToThePair: 'A word to the pair',
  wiring: 'wiring',
  currents: 'Currents',
  resistors: 'Resistors',
  compare: 'Compare',
  toSendBack: 'send back',
  toEnterTheWiring: 'enter the wiring',
  nextView: 'next view',
  toPassTheWiring: 'pass the wiring',
}

export const useStationKeys = {
  nextFinding: 'next finding',
  findingBefore: 'finding before',
}
