// What belongs to no place: the frame, refusals without an answer, downloads.
import type { Value } from '../value'

export const app = {
  skipToContent: 'To the content',
  forStaffOnly: 'This place is for staff',
  whatIsYours: 'What is yours is on My bench.',
  myBenchLink: 'To My bench',
}

export const client = {
  connectionLost: 'The connection is lost. What you typed is kept here; try again in a moment.',
  serverFailed: 'The server could not do that. Nothing was lost; try again.',
}

export const main = {
  somethingWentWrong: 'Something went wrong on this screen. Nothing was lost.',
}

export const router = {
  placeNotLoaded: (path: Value) =>
    `The way to “${path}” could not be loaded. The connection may be lost, or Verifex was updated.`,
}

export const files = {
  connectionLost: 'The connection is lost; try again in a moment.',
  serverFailed: 'The server could not do that; try again.',
  saved: (name: Value) => `${name} is saved.`,
}
