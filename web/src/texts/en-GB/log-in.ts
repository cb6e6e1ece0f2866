// Logging in, joining, the first instructor.
import type { Value } from '../value'

export const firstStart = {
  heading: 'The first instructor',
  help: 'Nobody has a log-in here yet. You will set up the course and everybody else’s log-in.',
  oneTimeCode: 'One-time code',
  codeHint: 'printed where the server was started',
  yourName: 'Your name',
  passwordLabel: 'Password, at least 10 letters',
  passwordAgain: 'The password again',
  passwordsDiffer: 'The two differ.',
  begin: 'Begin',
}

export const join = {
  joinTheSession: 'Join the session',
  codeLabel: 'The code on the wall',
  join: 'Join',
  roomAndTime: (room: Value, day: Value, starts: Value, ends: Value) =>
    `${room}, ${day}, ${starts} to ${ends}`,
  loggedInAs: (name: Value) => `You are logged in as ${name}.`,
  logInHint: 'Log in as yourself; your bench opens then.',
  myBenchLink: 'To my bench',
  logIn: 'Log in',
  anotherCode: 'Another code',
}

export const logIn = {
  fromTheKit: 'From the kit to the mark, bench by bench.',
  password: 'Password',
  logIn: 'Log in',
}

export const nowhere = {
  heading: 'There is no such place here',
  hint: 'The address may be mistyped.',
  homeLink: 'To your own place',
}
