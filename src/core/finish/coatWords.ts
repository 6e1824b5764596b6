import { showMinutes } from '../runsheet/time';
import type { CoatFault, Missed } from './coat';

/** What speaks against a coat, in words. */
export function faultWords({ kind, is, limit }: CoatFault): string {
  const c = (value: number) => `${value.toFixed(1)} °C`;
  switch (kind) {
    case 'frost':
      return `the surface is at ${c(is)}, at or under freezing`;
    case 'cold':
      return `the surface is at ${c(is)}, and the sheet asks for ${c(limit)} at least`;
    case 'warm':
      return `the surface is at ${c(is)}, and the sheet allows ${c(limit)} at most`;
    case 'damp':
      return `the air holds ${Math.round(is)} %, and the sheet allows ${Math.round(limit)} % at most`;
    case 'dew':
      return is <= 0
        ? 'the surface is colder than the dew point: water settles on it'
        : `the surface is only ${c(is)} above the dew point, and ${c(limit)} are needed`;
    case 'wind':
      return `the wind blows ${is.toFixed(1)} m/s, more than ${limit} m/s`;
    case 'rain':
      return 'it rains';
  }
}

export const FAULT_NAMES: Record<CoatFault['kind'] | 'hands' | 'recoat', string> = {
  frost: 'frost',
  cold: 'cold',
  warm: 'heat',
  damp: 'damp air',
  dew: 'the dew point',
  wind: 'wind',
  rain: 'rain',
  hands: 'hours when nobody is there',
  recoat: 'the recoat times of the sheet',
};

/** What is to be done now, after a coat. */
export function nowWords(missed: Missed): string {
  switch (missed.kind) {
    case 'wait':
      return `The next coat would lift the one under it now. Wait ${showMinutes(60 * missed.fromH)} more; then key it first, where its first window was missed.`;
    case 'in time':
      return missed.untilH === null
        ? 'The next coat may follow.'
        : `The next coat may follow, for ${showMinutes(60 * missed.untilH)} more.`;
    case 'key it':
      return 'Its window was missed and the bad time is over: key it lightly with 400 and wipe it, then the next coat may follow.';
    case 'start anew':
      return 'Its window was missed, and the sheet knows no later one: key it through and try the next coat on a hidden spot, or take it off and begin anew.';
  }
}
