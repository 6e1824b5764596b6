import { assumed } from '../assumptions/assumptions';
import { isSeveralParts, type Verdict } from '../face/verdict';
import type { ForecastInput } from '../fade/fade';
import { exposureForecast } from '../fade/forecast';
import { costsOf, leastOf, type SessionAsked } from './decide';

export interface Advice {
  what: 'go on' | 'stop' | 'even it out' | 'measure first';
  why: string;
}

/** What the advice rests on. */
export interface Advised {
  /** Of the newest measurement; `null` before the first. */
  verdict: Verdict | null;
  deltaB: number | null;
  /** 5th to 95th percentile of Δb* over the face. */
  evenness: number;
  /** A kind of unevenness is named, with what mends it. */
  uneven: boolean;
  /** What its fade is worked out from; `null` as long as that is not known. */
  fade: ForecastInput | null;
  /** What one session at this place and season gives, and what it asks of the person. */
  session: SessionAsked;
}

/** Go on or stop after a measurement, and why. The last word stays with the person. */
export function adviseAfter({ verdict, deltaB, evenness, uneven, fade, session }: Advised): Advice {
  if (verdict === null || deltaB === null)
    return {
      what: 'measure first',
      why: 'Without a measurement there is no start to count from. Photograph the piece with a grey card and its hidden patch.',
    };
  const distance = `b* ${Math.abs(deltaB).toFixed(1)} ${deltaB >= 0 ? 'above' : 'below'} the hidden patch`;
  if (verdict === 'past it')
    return {
      what: 'stop',
      why: `It is lighter and less yellow than the hidden patch (${distance}). More would only bleach it further.`,
    };
  if (verdict === 'matched')
    return { what: 'stop', why: `It matches the hidden patch (${distance}). Going on would risk going past it.` };
  if (verdict === 'uneven')
    return {
      what: 'even it out',
      why: `On the whole it matches (${distance}), but parts differ. A short, even session with much turning helps; more of the same does not.`,
    };
  if (deltaB < 1)
    return {
      what: 'stop',
      why: `The yellow is gone (${distance}); the difference that is left is not yellow. Light and peroxide do not mend that.`,
    };
  // Several parts in one outline are several plastics, not one face further on in places.
  const spread = isSeveralParts(evenness) ? 0 : evenness;
  const palest = deltaB - spread / 2;
  const palestWords = `On the whole it is ${distance}, but its palest parts are ${Math.abs(palest).toFixed(1)} below it already: the same again would take them past it. Shade those and give the yellow parts a short session, or stop here.`;
  if (fade && session.dose > 0) {
    const costs = costsOf(fade, spread, session);
    // What is bleached does not come back: where the palest parts are on their way past it, no cost speaks for more of the same.
    const choice = leastOf(palest < assumed('palest part') ? { ...costs, 'go on': Infinity } : costs);
    const { currentBand, nextB, doseToGo } = exposureForecast({ ...fade, nextDose: session.dose });
    const gain = Math.max(0, currentBand.median - nextB!.median);
    if (choice === 'stop')
      return {
        what: 'stop',
        why: `It is ${distance}, and another session like the ones before would take b* down by about ${gain.toFixed(1)}: too little for ${session.handsMin} min of hands and ${session.waitingH.toFixed(1)} h of waiting.`,
      };
    if (choice === 'even it out')
      return {
        what: 'even it out',
        why:
          palest < 0
            ? palestWords
            : `It is ${distance}, its palest parts ${palest.toFixed(1)}, its yellowest ${(deltaB + spread / 2).toFixed(1)}. Shade the pale parts and give the yellow ones the session: the same for all would take the pale ones past it.`,
      };
    const sessions = (dose: number) => Math.max(1, Math.ceil(dose / session.dose));
    const [few, many] = [sessions(doseToGo.low), sessions(doseToGo.high)];
    const howMany = `${few === many ? few : `${few} to ${many}`} more ${many === 1 ? 'session' : 'sessions'}`;
    return {
      what: 'go on',
      why: uneven
        ? `It is ${distance}, and uneven. First what mends that, as named above; then about ${howMany} as long as the ones before, laid evenly.`
        : `It is ${distance}. About ${howMany} like the ones before; the next should take about ${gain.toFixed(1)} of it.`,
    };
  }
  if (palest < assumed('palest part')) return { what: 'even it out', why: palestWords };
  return { what: 'go on', why: `It is ${distance}: there is yellow left to take away.` };
}
