import type { Verdict } from '../photo/verdict';
import type { Forecast } from './forecast';

export interface Advice {
  what: 'go on' | 'stop' | 'even it out' | 'measure first';
  why: string;
}

/**
 * Go on or stop after a measurement, and why. The last word stays with the person.
 *
 * @param verdict of the newest measurement, `null` before the first
 * @param usualSessionDose what one session at this place and season gives
 */
export function adviseAfter(verdict: Verdict | null, deltaB: number | null, forecast: Forecast | null, usualSessionDose: number): Advice {
  if (verdict === null || deltaB === null)
    return {
      what: 'measure first',
      why: 'Without a measurement there is no start to count from. Photograph the piece with a grey card and its hidden patch.',
    };
  const distance = `${Math.abs(deltaB).toFixed(1)} of b* ${deltaB >= 0 ? 'above' : 'below'} the hidden patch`;
  if (verdict === 'past it')
    return { what: 'stop', why: `It is lighter and less yellow than the hidden patch (${distance}). More would only bleach it further.` };
  if (verdict === 'matched') return { what: 'stop', why: `It matches the hidden patch (${distance}). Going on would risk going past it.` };
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
  if (forecast && usualSessionDose > 0) {
    const sessions = (dose: number) => Math.max(1, Math.ceil(dose / usualSessionDose));
    const [few, many] = [sessions(forecast.doseToGo.low), sessions(forecast.doseToGo.high)];
    return {
      what: 'go on',
      why: `It is ${distance}. About ${few === many ? few : `${few} to ${many}`} more ${many === 1 ? 'session' : 'sessions'} like the one planned.`,
    };
  }
  return { what: 'go on', why: `It is ${distance}: there is yellow left to take away.` };
}
