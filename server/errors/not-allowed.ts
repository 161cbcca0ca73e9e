/** What whoever asks may not do, or did not show what it takes. The code is one of the problems that a request can fail by. */
export class NotAllowed extends Error {
  constructor(
    readonly code: 'not-in' | 'wrong-pass-phrase' | 'not-the-keeper' | 'not-this-person' | 'not-found',
    message: string,
  ) {
    super(message);
  }
}
