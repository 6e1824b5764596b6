/**
 * A computation that must not or cannot be done, said so that a person can act on it.
 *
 * `field` is the path of the input at fault, in the notation of the input itself
 * (`card[0].rect`), so that every edge can put the message beside the right field.
 */
export class Refusal extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
    this.name = 'Refusal';
  }
}
