/** A refusal as the HTTP interface says it; raised in use cases that routes call, turned into an answer in one place. */
export class RequestRefused extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly path = '',
  ) {
    super(message);
  }
}

/** A plan of which the row is missing that every view needs. */
export const incompletePlan = () =>
  new RequestRefused(409, 'incomplete-plan', 'Something is missing in the plan without which it cannot be shown.', 'id');

/** A question that would take too long or answer too much; the message says what of it. */
export const tooMuch = (message: string, path = '') => new RequestRefused(422, 'too-much', message, path);
