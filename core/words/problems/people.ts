import { counted } from '../english'

/** Wrong with signing in or with an account; and where the server doesn’t answer. */
export const peopleProblems = {
  'wrong-sign-in': () => 'Name and password don’t go together. Try again.',
  wait: (problem: { readonly seconds: number }) =>
    `Too many wrong tries. Wait ${counted(problem.seconds, 'second')}, then try again.`,
  'password-short': (problem: { readonly least: number }) =>
    `A password has at least ${problem.least} characters. A short sentence is easy to remember.`,
  'password-long': (problem: { readonly most: number }) => `A password has at most ${problem.most} characters.`,
  'password-common': () =>
    'This password is among the first that are guessed. Take a short sentence that only you would write.',
  'wrong-password': () => 'That is not the password you have now. Nothing was changed.',
  'own-account': () =>
    'This is your own account. Change your password from the menu at the top right; to be removed, ask another administrator.',
  'account-gone': () => 'That account has been removed already.',
  'not-yours-to-manage': (problem: { readonly name: string }) =>
    `${problem.name} also works in a book that you don’t administer, or may make books and you may not. Ask an administrator there.`,
  'account-name': (problem: { readonly limit: number }) => `A name has 1 to ${problem.limit} characters.`,
  'account-taken': (problem: { readonly name: string }) =>
    `There is already a sign-in called “${problem.name}”. Choose another name.`,
  'already-started': () => 'Hearth Table has been started already. Sign in instead.',
  'last-administrator': () => 'A book needs at least one administrator. Make somebody else one first.',
  'signed-out': () =>
    'You have been signed out. Sign in in another tab, then try again here; nothing you typed is lost.',
  /** Nothing was to be changed by what was asked. */
  'no-answer': () => 'Hearth Table doesn’t answer. See that this computer is connected, and try again in a moment.',
  /** A change was on its way: it may have been made. */
  'no-answer-to-change': () =>
    'Hearth Table doesn’t answer. See that this computer is connected, look whether it was done all the same, and try again.',
  unexpected: () => 'Something went wrong on our side. What you typed is still here; try again in a moment.',
}
