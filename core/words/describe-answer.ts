import { LOCALE, type Locale } from './locale'

/** Codes of answers that are none, and what each says to the person. `$1`: what is named, or how many minutes. */
const ANSWERS = {
  en: {
    'bad-request': 'This request is not understood.',
    'wrong-shape': 'Part of this request is missing or has the wrong form.',
    'wrong-type': 'This address takes a file of another sort.',
    'not-a-photo': 'This is not a photo that can be kept.',
    'photo-cut-short': 'This photo ends before it is whole. Take it again.',
    'other-photo': 'These are not the bytes that the address names.',
    'not-json': 'This address takes readable JSON.',
    'not-signed-in': 'Sign in first.',
    'wrong-sign-in': 'Name or password is not right.',
    'too-many-tries': 'Too many tries. Wait $1 minutes and try again.',
    busy: 'Many are signing in just now. Try again in a moment.',
    'many-at-once': 'Many write to this at once. It is tried again.',
    'not-allowed': 'This is not yours to change.',
    'not-your-role': 'Your role does not allow this.',
    'other-person': 'Somebody else is signed in here now.',
    'not-found': 'There is no such $1.',
    'wrong-method': 'This address does not take that kind of request.',
    taken: 'This was made a moment ago. Look again.',
    'too-large': 'This request is larger than the server takes.',
    'cut-short': 'This request ended before it was whole.',
    'other-place': 'This was sent by a page of another place.',
    'unknown-sheet': 'There is no such sheet. Choose one of the list.',
    'cannot-be-kept': 'Something in this cannot be kept as it is.',
    'too-old': 'This page is older than the server. Load it again; what waits here is kept.',
    'program-failed': 'Something went wrong on our side. Nothing you entered is lost.',
    'database-away': 'The database cannot be reached. What you entered is kept here and sent when it is back.',
    'no-such-address':
      'This address is not one that a line may be opened to. Loopback and link-local ones only where the server is set to.',
    'still-reckoned': 'This is still being reckoned. Ask again in a moment.',
    'takes-too-long': 'The server did not get to the end of this in time. It is tried again.',
    'not-prepared': 'The database is of another state of the program.',
    'sheets-not-ready': 'The sheets are being prepared.',
    'sheet-not-ready': 'This sheet is being prepared. It is tried again.',
    'number-taken': 'Another part has the number $1 already.',
    'too-few': 'Fewer than $1 lie there. Count them first.',
    'no-such-day': 'No calendar has the day $1.',
    'no-such-time': 'The clocks go forward on $1 and leave this time out. Choose another one.',
    'visit-changed': 'Somebody else has changed this visit meanwhile. It is shown as it is now.',
    'no-interval': 'Say how often it is done, or what comes in with the water.',
    'same-place': 'They lie there already.',
    'queue-away': 'Reports cannot be made just now. Ask for it again in a moment.',
    'address-taken': 'Somebody signs in with $1 already.',
    'own-role': 'Your own role stays, and you stay: somebody else who leads can change that.',
    'wrong-password': 'This is not your password.',
    'still-open': 'A job there is still open, or a visit is planned. Close the job and call the visit off first.',
    'still-planned': 'There are visits that they are to make. Give those to somebody else first.',
    'own-data': 'This is your own name. Somebody else who leads the shop can erase it.',
    'erased-already': 'This was erased already.',
    'archive-under-way': 'An archive is being made already. It comes where it was asked for.',
    'job-not-ready': 'This job is being brought to its new form. It is tried again.',
  },
} satisfies Record<Locale, Record<string, string>>

export type AnswerCode = keyof (typeof ANSWERS)['en']

/** The sentence for an answer that is none. */
export const describeAnswer = (code: AnswerCode, fact = 'thing', locale: Locale = LOCALE): string =>
  ANSWERS[locale][code].replace('$1', fact)
