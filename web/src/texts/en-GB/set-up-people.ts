// Setting up: class lists, people and pairs.
import { count, plural } from './language'
import type { Value } from '../value'

export const foundCourse = {
  importAgain: 'Put it in once more',
  firstHeading: 'Set up your course',
  sixStepsLead:
    'Six steps lead to the first lab day: people, pairs, room, exercise, kits, session. Everything can be changed later.',
  titleLabel: 'What the course is called',
  courseExample: 'Instrumentation 1',
  zoneLabel: 'Time zone of its clock',
  sectionsLabel: 'Sections, if there are several',
  sectionsExample: 'Monday, Thursday',
  separatedByCommas: 'Separated by commas. Left empty there is one; more can be added later.',
  create: 'Set up the course',
  importHelp: 'or import a course that was downloaded from another installation, all of it or nothing:',
  chooseItsZip: 'Choose its zip',
  withoutItsKits: 'without its kits',
}

export const importList = {
  heading: 'Import a class list',
  fileHelp:
    'CSV, XLSX or ODS up to 1 MB, in whatever columns your school exports. Nothing is stored before you have seen what would change.',
  orPasteCells: 'or paste cells from a spreadsheet, or names line by line',
  readPasted: 'Read what is pasted',
  chooseAnotherOne: 'Choose another one',
  rows: (number: Value) => `{file}: ${number} rows. {link}`,
  preview: 'See what would change',
  import: (will: number) => `Import ${count(will, 'change')}`,
  nothingToImport: 'Nothing to import',
  atomic: 'All of it, or nothing.',
  whatYouPasted: 'what you pasted',
  takenOff: 'taken off',
  imported: (parts: Value) => `Imported: ${parts}.`,
  nothingWasNew: 'Nothing was new.',
}

export const joinCode = {
  heading: 'To your bench',
  codeAlt: 'QR code of the address with the code',
  openAddress: 'On your own phone or laptop, open',
  join: (address: Value) => `${address}/join`,
  typeCode: 'and type',
}

export const listChanges = {
  whatWouldChange: 'What would change',
  whichToList: 'Which to list',
  new: (sections: number, names: Value) => `New ${plural(sections, 'section', 'sections')}: ${names}.`,
  doubtfulHelp: 'Tick those that are right as the file has them; the others are left out.',
  missingHelp: 'They stay on the list unless you tick them.',
  noName: '(no name)',
  row: (row: Value) => `row ${row}`,
  leftAlone: 'left alone',
  cannotBeRead: 'cannot be read',
  missingHeading: 'not in this file',
}

export const listColumns = {
  heading: 'What each column is',
  listBegins: 'list begins',
  column: (column: Value) => `Column ${column}`,
  firstRow: (row: Value) => `The list begins in row ${row}`,
  notUsed: 'not used',
  wholeName: 'whole name',
  firstName: 'first name',
  lastName: 'last name',
  studentNumber: 'student number',
}

export const newLogIn = {
  logs: (name: Value) => `${name} logs in as before, with the log-in {logIn}.`,
  title: (invited: boolean) => (invited ? 'Invited' : 'Write this down'),
  invited:
    '{logIn} has an account of another course, and is asked to accept at the next log-in. Until then they have no part here.',
  firstPassword: 'First password',
  shownOnce: 'It is shown this once, and changed at the first log-in.',
  done: 'Done',
}

export const pairRow = {
  membersOf: (badge: Value) => `Members of ${badge}`,
  worksAlone: 'works alone',
  endThePair: 'End the pair',
}

export const pairsPart = {
  pairs: 'Pairs',
  whoWorksTogether:
    'Who works together. A change counts from now on; what was done stays with those who did it.',
  subject: 'the pairs',
  listFirst: 'The class list comes first',
  pairsAreMade: 'Pairs are made of who is on it.',
  listLink: 'To the class list',
  unpaired: (left: number) => `${plural(left, 'One student is', `${left} students are`)} in no pair`,
  entryHint: 'Type two names, or paste a column of pairs',
  pairExample: 'Kessler, Duarte',
  makePairs: (reading: Value) => `Make ${reading} pairs`,
  makeThePair: 'Make the pair',
  orPut: 'or put all of them together',
  byWhichRule: 'By which rule',
  byList: 'in list order',
  byChance: 'at random',
  strongWithWeak: 'strong with weak',
  alike: 'alike',
  earlierPartners: 'Earlier partners are kept apart where that can be done; an odd one makes a three.',
  proposePairs: 'Propose pairs',
  make: (groups: number) => `Make ${count(groups, 'pair')}`,
  anotherProposal: 'Another proposal',
  badge: 'Badge',
  members: 'Members',
}

export const peoplePart = {
  findHint: 'Find by name, number or log-in',
  findAStudent: 'Find a student',
  people: 'People',
  help: 'The students of a section. Log-ins are made from their names.',
  printSlips: 'Print log-in slips',
  importList: 'Import a class list',
  subject: 'the class list',
  addOneStudent: 'Add one student',
  nameHint: 'First and last name',
  number: 'Number',
  numberHint: 'if there is one',
  noStudents: 'Nobody is on the list yet',
  noneHint:
    'Import the list your school exports (CSV, XLSX or ODS, in whatever columns), paste names from a spreadsheet, or add them one by one.',
  classList: 'Class list',
  group: (group: Value) => `, group ${group}`,
  notYetUsed: 'not yet used',
  none: 'none',
  details: 'Details',
  newPassword: 'New password',
  remove: 'Remove',
  logInKept: (logIn: Value) => `The log-in stays ${logIn}.`,
  studentData: 'This student’s data',
  downloadData: 'Download all of it',
  removeConsequence:
    'Removing takes the name, the log-in and the programs and logs away, and leaves figures under a pseudonym. It cannot be undone.',
  removeConfirmed: 'I have read that',
  removeTheData: 'Remove the data',
}

export const sectionStaff = {
  nameOfSection: (name: Value) => `Name of section ${name}`,
  studentsPairs: (students: Value, pairs: Value) => `${students} students, ${pairs} pairs`,
  remove: 'Remove',
  anotherInstructors: 'another instructor’s',
  roleOf: (name: Value) => `Role of ${name}`,
  instructor: 'instructor',
  assistant: 'assistant',
  newPassword: 'New password',
  invitedAs: (role: Value) => `invited as ${role}; the part begins when they accept it after logging in`,
  withdraw: 'Withdraw',
  nameHint: 'First and last name, or a log-in',
  nameLabel: (name: Value) => `Somebody for the staff of ${name}`,
  role: 'Role',
}

export const names = {
  unknown: (name: Value) => `Nobody here is called “${name}”.`,
  ambiguous: (name: Value, hits: Value) => `“${name}” may be ${hits}.`,
  standsHereTwice: (name: Value) => `${name} stands here twice.`,
  memberCount: 'A pair has two members; a three is allowed.',
  withWhom: (name: Value | null | undefined) => `${name ?? 'One name'}: with whom?`,
}
