// Logging in, joining, the first instructor.
import type { Value } from '../value'

export const firstStart = {
  theFirstInstructor: 'The first instructor',
  nobodyHasALog: 'Nobody has a log-in here yet. You will set up the course and everybody else’s log-in.',
  oneTimeCode: 'One-time code',
  printedWhereTheServer: 'printed where the server was started',
  yourName: 'Your name',
  passwordAtLeast10: 'Password, at least 10 letters',
  thePasswordAgain: 'The password again',
  theTwoDiffer: 'The two differ.',
  begin: 'Begin',
}

export const join = {
  joinTheSession: 'Join the session',
  theCodeOnTheWall: 'The code on the wall',
  join: 'Join',
  roomAndTime: (room: Value, day: Value, starts: Value, ends: Value) =>
    `${room}, ${day}, ${starts} to ${ends}`,
  youAreLoggedInAs: (name: Value) => `You are logged in as ${name}.`,
  logInAsYourself: 'Log in as yourself; your bench opens then.',
  toMyBench: 'To my bench',
  logIn: 'Log in',
  anotherCode: 'Another code',
}

export const logIn = {
  fromTheKit: 'From the kit to the mark, bench by bench.',
  password: 'Password',
  logIn: 'Log in',
}

export const nowhere = {
  thereIsNoSuchPlace: 'There is no such place here',
  theAddressMayBeMistyped: 'The address may be mistyped.',
  toYourOwnPlace: 'To your own place',
}
