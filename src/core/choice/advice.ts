import { assumed } from '../assumptions/assumptions';
import { isSeveralParts, type Verdict } from '../face/verdict';
import type { Forecast } from '../fade/forecast';

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
  forecast: Forecast | null;
  /** What one session at this place and season gives, and what it asks of the person. */
  session: { dose: number; handsMin: number; waitingH: number };
}

/** Go on or stop after a measurement, and why. The last word stays with the person. */
export function adviseAfter({ verdict, deltaB, evenness, uneven, forecast, session }: Advised): Advice {
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
  // Of several parts in one outline the palest is another plastic, not this one further on.
  const palest = isSeveralParts(evenness) ? deltaB : deltaB - evenness / 2;
  if (palest < assumed('palest part'))
    return {
      what: 'even it out',
      why: `On the whole it is ${distance}, but its palest parts are ${Math.abs(palest).toFixed(1)} below it already: the same again would take them past it. Shade those and give the yellow parts a short session, or stop here.`,
    };
  if (forecast && session.dose > 0) {
    const gain = (rate: number) => deltaB * (1 - Math.exp(-rate * session.dose));
    if (gain(forecast.rate.high) < assumed('seen b*'))
      return {
        what: 'stop',
        why: `It is ${distance}, and another session like the ones before would take b* down by about ${gain(forecast.rate.median).toFixed(1)}, at most ${gain(forecast.rate.high).toFixed(1)}: less than can be seen side by side, for ${session.handsMin} min of hands and ${session.waitingH.toFixed(1)} h of waiting.`,
      };
    const sessions = (dose: number) => Math.max(1, Math.ceil(dose / session.dose));
    const [few, many] = [sessions(forecast.doseToGo.low), sessions(forecast.doseToGo.high)];
    const howMany = `${few === many ? few : `${few} to ${many}`} more ${many === 1 ? 'session' : 'sessions'}`;
    return {
      what: 'go on',
      why: uneven
        ? `It is ${distance}, and uneven. First what mends that, as named above; then about ${howMany} as long as the ones before, laid evenly.`
        : `It is ${distance}. About ${howMany} like the ones before; the next should take about ${gain(forecast.rate.median).toFixed(1)} of it.`,
    };
  }
  return { what: 'go on', why: `It is ${distance}: there is yellow left to take away.` };
}
