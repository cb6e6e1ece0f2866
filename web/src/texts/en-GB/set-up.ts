// Setting a course up: the steps and what belongs to the whole course.
import type { Value } from '../value'

export const coursePart = {
  courseSections: 'Course, sections and staff',
  accessFollowsTheSection: 'Access follows the section: staff see their own sections only.',
  nextYear: (title: Value) => `${title}, next year`,
  copyForAnother: 'Copy for another year',
  anotherCourse: 'Another course',
  title: 'Title',
  timeZone: 'Time zone',
  termBegins: 'Term begins',
  termEnds: 'Term ends',
  daysWithoutASession: 'Days without a session',
  as20261224Separated: 'as 2026-12-24, separated by commas',
  isNoDayWrite: (wrongDay: Value) => `“${wrongDay}” is no day; write it as 2026-12-24.`,
  closeTheCourse: 'Close the course',
  openItAgain: 'Open it again',
  sectionsAndStaff: 'Sections and staff',
  anotherSection: 'Another section, such as Thursday',
  nameOfAnotherSection: 'Name of another section',
  addTheSection: 'Add the section',
  theCopyHasTheExercises:
    'The copy has the exercises with all their versions, the rooms and the sections, and nobody in them. Kits stay with this course.',
  whatTheCopyIsCalled: 'What the copy is called',
  copyTheCourse: 'Copy the course',
}

export const partHead = {
  section: 'Section',
}

export const recordsPart = {
  copiesAndEvent: 'Copies and event log',
  whatWasDone: 'What was done in this course, and what would bring it back.',
  theDataWereCopied: (day: Value, at: Value) => `The data were copied last on ${day} at ${at}.`,
  theDataWereNeverCopied: 'The data were never copied.',
  aCopyIsMadeEvery: 'A copy is made every day while the server runs.',
  copyTheDataNow: 'Copy the data now',
  downloadTheCourse: 'Download the course as a zip',
  findANameAKit: 'Find a name, a kit, an act',
  findInTheEvent: 'Find in the event log',
  saveAsCsv: 'Save as CSV',
  theEventLog: 'the event log',
  eventLog: 'Event log',
  when: 'When',
  who: 'Who',
  about: 'About',
  nothingLikeThatWasDone: 'Nothing like that was done.',
  nothingWasDone: 'Nothing was done yet.',
  fromDay: 'From',
  toDay: 'To',
  allEvents: 'All events',
  theNewest: 'The newest',
  olderOnes: 'Older ones',
}

export const setUp = {
  yourCourses: 'your courses',
  onlyAnInstructorSets: 'Only an instructor sets up a course.',
  theCourse: 'the course',
}

export const stepRail = {
  settingUp: 'Setting up',
  course: 'Course',
  closed: ' (closed)',
  readyForTheFirst: 'Ready for the first lab day',
  beforeTheFirstLab: 'Before the first lab day',
  done: ', done',
  theLastCopy: 'the last copy of the data is old',
  noCopyOfTheData: 'no copy of the data yet',
}
