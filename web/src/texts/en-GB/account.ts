// A person’s own account.
import type { Value } from '../value'

export const account = {
  account: 'Account',
  firstPasswordWasPrinted:
    'The password you logged in with was printed on paper. Choose one of your own; then your place opens.',
  passwordReplaced: (by: Value, at: Value) =>
    `${by} gave you a new first password on ${at}. If you did not ask for it, talk to them, or to whoever set up this installation. Choose one of your own now.`,
  somebodyInCharge: 'Somebody in charge of your course',
  changeYourPassword: 'Change your password',
  currentPassword: 'The current one',
  newPassword: (letters: Value) => `The new one, at least ${letters} letters`,
  newPasswordAgain: 'The new one again',
  passwordsDiffer: 'The two differ.',
  changedWhoever: 'Changed. Whoever was logged in with the old one is logged out.',
  changeIt: 'Change it',
}

export const invitations = {
  label: 'Invitations',
  invitesYou: (by: Value, role: Value, section: Value) => `${by} invites you to be ${role} of ${section}.`,
  accept: 'Accept',
  decline: 'Decline',
}
