import { assumed } from '../assumptions/assumptions';

export interface Trace {
  lengthMm: number;
  widthMm: number;
  /** Of one coat, Ω per square. */
  sheetOhmsPerSquare: number;
  coats: number;
  /** Of the two places where it meets the track, together. */
  contactOhms: number;
  /** What this kind of board takes. */
  limitOhms: number;
}

type TraceVerdict = 'good' | 'works' | 'fails';

/**
 * Resistance of a painted or printed stretch: squares × ohms per square / coats, and its contacts.
 *
 * @returns `good` to a tenth of the limit, `works` to the limit, `fails` over it
 */
export function traceResistance({ lengthMm, widthMm, sheetOhmsPerSquare, coats, contactOhms, limitOhms }: Trace): {
  squares: number;
  ohms: number;
  verdict: TraceVerdict;
} {
  const squares = lengthMm / widthMm;
  const ohms = (squares * sheetOhmsPerSquare) / coats + contactOhms;
  return { squares, ohms, verdict: ohms <= limitOhms / 10 ? 'good' : ohms <= limitOhms ? 'works' : 'fails' };
}

type ContactVerdict = 'pass' | 'clean' | 'renew';

export interface ContactLimits {
  /** A contact passes under this, Ω. */
  passOhms: number;
  /** It is cleaned up to this, and renewed above. */
  cleanOhms: number;
}

/** Limits of a contact where the workshop has none of its own. */
export const usualContactLimits = (): ContactLimits => ({
  passOhms: assumed('contact passes'),
  cleanOhms: assumed('contact is cleaned'),
});

/** What a contact’s resistance asks for; `null`, open, asks for renewing. */
export function contactVerdict(ohms: number | null, { passOhms, cleanOhms }: ContactLimits): ContactVerdict {
  if (ohms === null || ohms > cleanOhms) return 'renew';
  return ohms < passOhms ? 'pass' : 'clean';
}
