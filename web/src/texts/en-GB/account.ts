// A person’s own account.
import type { Value } from '../value'

export const account = {
  account: 'Account',
  thePasswordYouLogged:
    'The password you logged in with was printed on paper. Choose one of your own; then your place opens.',
  changeYourPassword: 'Change your password',
  theOldOne: 'The old one',
  theNew: (letters: Value) => `The new one, at least ${letters} letters`,
  theNewOneAgain: 'The new one again',
  theTwoDiffer: 'The two differ.',
  changedWhoever: 'Changed. Whoever was logged in with the old one is logged out.',
  changeIt: 'Change it',
}
