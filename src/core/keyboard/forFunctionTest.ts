import type { Observed } from './evidence';
import { KEY_GROUPS, type TestResults, type TestWords } from '../runsheet/functionTest';

type Group = (typeof KEY_GROUPS)[number];

/** Names that say where a key stands and not what is on it: a letter for the row and a number. */
const PLACE = /^[a-z]\d{1,2}$/;

/** The group of a function test that a key belongs to, by what is on it; `null` where that is not known. */
export function groupOf(name: string): Group | null {
  const n = name.toLowerCase();
  if (/^\d$/.test(n)) return 'digits';
  if (/^\p{L}$/u.test(n)) return 'letters';
  if (/^(space|shift)\b/.test(n)) return 'space and shift';
  if (/^(up|down|left|right|[↑↓←→])$/.test(n)) return 'cursor keys';
  if (/^f\d{1,2}$/.test(n)) return 'function keys';
  if (/^(num|pad)\b/.test(n)) return 'number pad';
  return null;
}

/**
 * What a test of a keyboard, key by key, says in the machine's function test: of the keyboard as a whole, and of each group
 * of keys that was tried, where the keys carry what is on their caps.
 *
 * @param name of the keyboard
 * @param seen what keys did, by name
 */
export function forFunctionTest(
  name: string,
  keys: readonly string[],
  seen: Readonly<Record<string, Observed>>,
): { results: TestResults; words: TestWords } {
  const named = keys.filter((key) => PLACE.test(key)).length <= keys.length / 2;
  const results: TestResults = {};
  const words: TestWords = {};
  const put = (item: string, of: readonly string[]) => {
    const did = (state: Observed) => of.filter((key) => seen[key] === state);
    const [works, dead, stuck] = [did('works'), did('dead'), did('stuck')];
    const tried = works.length + dead.length + stuck.length;
    if (tried === 0) return;
    results[item] = dead.length + stuck.length > 0 ? 'faulty' : 'works';
    const said = [
      dead.length > 0 && `dead: ${dead.join(', ')}`,
      stuck.length > 0 && `stays on: ${stuck.join(', ')}`,
      tried < of.length && `${of.length - tried} not tried`,
    ].filter(Boolean);
    if (said.length > 0) words[item] = said.join('; ');
  };
  put(name, keys);
  if (named)
    for (const group of KEY_GROUPS)
      put(
        group,
        keys.filter((key) => groupOf(key) === group),
      );
  return { results, words };
}
