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

/** Nothing is wrong with what was given: the machine could not do it just now. */
export class Overload extends Refusal {}

/** A refusal as plain data: of an error that goes from one thread to another only the words arrive. */
export interface Refused {
  refused: { field: string; message: string };
}

/** Work that hands its refusals over as data, for a thread of its own. */
export const refusingAsData =
  <Given, Made>(work: (given: Given) => Made) =>
  (given: Given): Made | Refused => {
    try {
      return work(given);
    } catch (failure) {
      if (!(failure instanceof Refusal)) throw failure;
      return { refused: { field: failure.field, message: failure.message } };
    }
  };

/** What was made in another thread. @throws Refusal where that refused it */
export function unlessRefused<Made>(made: Made): Exclude<Made, Refused> {
  const { refused } = (typeof made === 'object' && made !== null ? made : {}) as Partial<Refused>;
  if (refused) throw new Refusal(refused.field, refused.message);
  return made as Exclude<Made, Refused>;
}
