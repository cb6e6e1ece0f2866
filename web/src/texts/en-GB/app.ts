// What belongs to no place: the frame, refusals without an answer, downloads.
import type { Value } from '../value'

export const app = {
  toTheContent: 'To the content',
  thisPlaceIsForStaff: 'This place is for staff',
  whatIsYours: 'What is yours is on My bench.',
  toMyBench: 'To My bench',
}

export const client = {
  theConnectionIsLost: 'The connection is lost. What you typed is kept here; try again in a moment.',
  theServerCouldNotDo: 'The server could not do that. Nothing was lost; try again.',
}

export const main = {
  somethingWentWrong: 'Something went wrong on this screen. Nothing was lost.',
}

export const router = {
  theWay: (path: Value) =>
    `The way to “${path}” could not be loaded. The connection may be lost, or Verifex was updated.`,
}

export const files = {
  theConnectionIsLost: 'The connection is lost; try again in a moment.',
  theServerCouldNotDo: 'The server could not do that; try again.',
  isSaved: (name: Value) => `${name} is saved.`,
}
