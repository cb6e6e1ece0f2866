// Setting a course up: the steps and what belongs to the whole course.
import type { Value } from '../value'

export const coursePart = {
  courseSections: 'Course, sections and staff',
  help: 'Access follows the section: staff see their own sections only.',
  nextYear: (title: Value) => `${title}, next year`,
  copyForAnother: 'Copy for another year',
  anotherCourse: 'Another course',
  title: 'Title',
  timeZone: 'Time zone',
  termBegins: 'Term begins',
  termEnds: 'Term ends',
  holidaysLabel: 'Days without a session',
  as20261224Separated: 'as 2026-12-24, separated by commas',
  noDay: (wrongDay: Value) => `“${wrongDay}” is no day; write it as 2026-12-24.`,
  closeTheCourse: 'Close the course',
  openItAgain: 'Open it again',
  sectionsAndStaff: 'Sections and staff',
  anotherSection: 'Another section, such as Thursday',
  newSectionLabel: 'Name of another section',
  addTheSection: 'Add the section',
  copyHelp:
    'The copy has the exercises with all their versions, the rooms and the sections, and nobody in them. Kits stay with this course.',
  copyTitleLabel: 'What the copy is called',
  copyTheCourse: 'Copy the course',
}

export const partHead = {
  section: 'Section',
}

export const recordsPart = {
  heading: 'Copies and event log',
  help: 'What was done in this course, and what would bring it back.',
  lastCopy: (day: Value, at: Value) => `The data were copied last on ${day} at ${at}.`,
  neverCopied: 'The data were never copied.',
  dailyCopy: 'A copy is made every day while the server runs.',
  copyNow: 'Copy the data now',
  downloadCourse: 'Download the course as a zip',
  findHint: 'Find a name, a kit, an act',
  findLabel: 'Find in the event log',
  saveTable: 'Save as CSV',
  subject: 'the event log',
  eventLog: 'Event log',
  when: 'When',
  who: 'Who',
  about: 'About',
  noMatch: 'Nothing like that was done.',
  none: 'Nothing was done yet.',
  firstDay: 'From',
  lastDay: 'To',
  allEvents: 'All events',
  newest: 'The newest',
  older: 'Older ones',
}

export const setUp = {
  yourCourses: 'your courses',
  instructorsOnly: 'Only an instructor sets up a course.',
  courseSubject: 'the course',
}

export const stepRail = {
  settingUp: 'Setting up',
  course: 'Course',
  closed: ' (closed)',
  ready: 'Ready for the first lab day',
  notReady: 'Before the first lab day',
  done: ', done',
  copyIsOld: 'the last copy of the data is old',
  neverCopied: 'no copy of the data yet',
}
