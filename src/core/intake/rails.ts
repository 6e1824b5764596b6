import { assumed } from '../assumptions/assumptions';
import { withPoint } from '../units';

/** One voltage of a supply, on its pin where that is known; against its own ground, so it may be negative. */
export interface Rail {
  /** As it is called on the plug; empty where nobody knows. */
  pin: string;
  volts: number;
}

const MOST_RAILS = 8;
const MOST_VOLTS = 1000;
const ONE = /^(?:(?:pin\s*)?([^:=]{1,20}?)\s*[:=]\s*)?([+\-−–]?\s*\d+(?:[.,]\d+)?)\s*V?$/i;

/**
 * Voltages as they are typed: `9`, or with their pins `1: 5; 2: 12; 3: −12`.
 *
 * @returns `[]` for nothing, `null` for what is no voltage
 */
export function railsTyped(typed: string): Rail[] | null {
  const parts = typed
    .split(/[;/\n]|,\s/)
    .map((part) => part.trim())
    .filter(Boolean);
  if (parts.length > MOST_RAILS) return null;
  const rails = parts.map((part): Rail | null => {
    const found = ONE.exec(part);
    if (!found) return null;
    const volts = Number(withPoint(found[2]!.replace(/\s/g, '').replace(/[−–]/, '-')));
    return volts !== 0 && Math.abs(volts) <= MOST_VOLTS ? { pin: (found[1] ?? '').trim(), volts } : null;
  });
  return rails.some((rail) => rail === null) ? null : (rails as Rail[]);
}

const volt = (volts: number): string => `${volts < 0 ? '−' : ''}${Math.abs(volts)}`;

/** Voltages as they would be typed. */
export const typedRails = (rails: readonly Rail[]): string =>
  rails.map(({ pin, volts }) => (pin ? `${pin}: ${volt(volts)}` : volt(volts))).join('; ');

/** Voltages in words. */
const railWords = (rails: readonly Rail[]): string =>
  rails.map(({ pin, volts }) => `${volt(volts)} V${pin ? ` on ${pin}` : ''}`).join(', ');

const isSame = (asked: number, given: number): boolean =>
  Math.abs(given - asked) <= assumed('volts off') * Math.abs(asked);

/** What is wrong with the voltages at hand against the label, and what is not known of them. */
export function compareRails(label: readonly Rail[], atHand: readonly Rail[]): { wrong: string[]; unknown: string[] } {
  if (label.length === 0 || atHand.length === 0)
    return {
      wrong: [],
      unknown: ['The voltage is not known on both sides. Read both labels, or have the supply measured.'],
    };
  if (label.length === 1 && atHand.length === 1) {
    const [asked, given] = [label[0]!.volts, atHand[0]!.volts];
    if (isSame(asked, given)) return { wrong: [], unknown: [] };
    const why =
      Math.abs(given) > Math.abs(asked)
        ? 'Too much voltage destroys chips at once.'
        : 'Too little lets drives and memory fail.';
    return {
      wrong: [
        `The label asks for ${volt(asked)} V and the supply at hand gives ${volt(given)} V. ${why} Find one of ${volt(asked)} V.`,
      ],
      unknown: [],
    };
  }
  const pinned = label.every(({ pin }) => pin) && atHand.every(({ pin }) => pin);
  if (!pinned) {
    const sorted = (rails: readonly Rail[]) => rails.map(({ volts }) => volts).sort((a, b) => a - b);
    const [asked, given] = [sorted(label), sorted(atHand)];
    const fits = asked.length === given.length && asked.every((volts, i) => isSame(volts, given[i]!));
    return fits
      ? {
          wrong: [],
          unknown: [
            'Several voltages come over one plug, and which pin carries which is not known on both sides. Swapped, they destroy it: have it measured pin by pin.',
          ],
        }
      : {
          wrong: [
            `The label asks for ${railWords(label)} and the supply at hand gives ${railWords(atHand)}. Do not connect it.`,
          ],
          unknown: [],
        };
  }
  const on = (pin: string) => atHand.find((rail) => rail.pin.toLowerCase() === pin.toLowerCase());
  const wrong = label.flatMap(({ pin, volts }) => {
    const given = on(pin)?.volts;
    if (given !== undefined && isSame(volts, given)) return [];
    return [
      `Pin ${pin} is to carry ${volt(volts)} V and the supply at hand has ${given === undefined ? 'nothing' : `${volt(given)} V`} there. Do not connect it.`,
    ];
  });
  return { wrong, unknown: [] };
}
