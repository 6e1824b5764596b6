import type { Observed } from '@/core/keyboard/evidence';
import { Refusal } from '@/core/refusal';
import { forFunctionTest } from '@/core/keyboard/forFunctionTest';
import type { TestPhase, TestResults, TestWords } from '@/core/runsheet/functionTest';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { addRow, changeRow, findRows, needRow, removeRows } from '@/data/table';

const PHASE_WORDS: Record<TestPhase, string> = {
  before: 'before anything is done',
  'before closing': 'before closing',
  after: 'after',
};

/** Begins to press every key; a test that runs already goes on. */
export async function beginTest(keyboardId: string, phase: TestPhase, now: Date): Promise<string> {
  return inTransaction(async () => {
    const { restorationId, name } = await needRow('keyboards', keyboardId);
    const [running] = await findRows('key_tests', { keyboardId, endedAt: null });
    if (running) return running.id;
    const { id } = await addRow('key_tests', {
      restorationId,
      keyboardId,
      phase,
      at: now.toISOString(),
      endedAt: null,
    });
    await appendLog(
      { restorationId, stage: 'keys', kind: 'key test', words: `${name}: test ${PHASE_WORDS[phase]} begun.` },
      now,
    );
    return id;
  });
}

/** What keys did; `unknown` takes back what was said of them. Two devices tap into one test: of one key the last counts. */
export async function seeKeys(testId: string, keys: readonly string[], seen: Observed, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, keyboardId, endedAt } = await needRow('key_tests', testId);
    if (endedAt !== null)
      throw new Refusal('testId', 'This test was ended, perhaps on another device. Begin a new one, or open it again.');
    const board = await needRow('keyboards', keyboardId);
    const stray = keys.find((key) => !board.keys.some(({ id }) => id === key));
    if (stray !== undefined)
      throw new Refusal('keys', `The key “${stray}” is not on the board any more. Load the page again.`);
    await removeRows('keys_seen', { testId, key: [...keys] });
    if (seen === 'unknown') return;
    for (const key of keys) await addRow('keys_seen', { restorationId, testId, key, seen, at: now.toISOString() });
  });
}

/**
 * Ends a test, however far it got: what was not pressed stays untested.
 *
 * @param heard what was heard beside that on a cable, like bounces; empty for nothing
 * @param together pairs of keys that answered as one, the first of them pressed
 */
export async function endTest(
  testId: string,
  heard: string,
  together: readonly (readonly [string, string])[],
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, keyboardId, phase, endedAt } = await needRow('key_tests', testId);
    if (endedAt !== null) return;
    const { name, keys } = await needRow('keyboards', keyboardId);
    const seen = await findRows('keys_seen', { testId });
    if (seen.length === 0)
      throw new Refusal('testId', 'Nothing was pressed yet. Tap what the keys did, or take the test back.');
    await changeRow('key_tests', { id: testId }, { endedAt: now.toISOString() });
    await removeRows('keys_together', { testId });
    for (const [pressed, also] of together)
      if (keys.some(({ id }) => id === pressed) && keys.some(({ id }) => id === also))
        await addRow('keys_together', { restorationId, testId, pressed, also, at: now.toISOString() });
    const named = (state: Observed) => seen.filter((one) => one.seen === state).map(({ key }) => key);
    const [dead, stuck] = [named('dead'), named('stuck')];
    const untested = keys.length - seen.length;
    const words = [
      `${name}, test ${PHASE_WORDS[phase]}: ${named('works').length} of ${keys.length} keys work`,
      dead.length > 0 && `dead: ${dead.join(', ')}`,
      stuck.length > 0 && `stuck: ${stuck.join(', ')}`,
      untested > 0 && `${untested} untested`,
      heard,
    ];
    await appendLog(
      { restorationId, stage: 'keys', kind: 'key test', words: `${words.filter(Boolean).join('; ')}.` },
      now,
    );
  });
}

/** A test that was ended too early goes on. */
export async function reopenTest(testId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, keyboardId } = await needRow('key_tests', testId);
    if ((await findRows('key_tests', { keyboardId, endedAt: null })).length > 0)
      throw new Refusal('testId', 'Another test of this keyboard runs. End that one first.');
    await changeRow('key_tests', { id: testId }, { endedAt: null });
    await appendLog({ restorationId, stage: 'keys', kind: 'key test', words: 'A key test was opened again.' }, now);
  });
}

/** What the newest key tests of a machine say in its function test, where they are newer than that. */
export interface KeysTried {
  results: TestResults;
  words: TestWords;
}

/** What was pressed key by key since the last function test; `null` where nothing was. */
export async function keysTried(restorationId: string): Promise<KeysTried | null> {
  const [last] = await findRows('function_tests', { restorationId }, [['rowid', 'DESC']], 1);
  const boards = await findRows('keyboards', { restorationId });
  const tests = await findRows('key_tests', { restorationId }, [['at', 'ASC']]);
  const seen = await findRows('keys_seen', { restorationId });
  const tried = boards.flatMap(({ id, name, keys }) => {
    const newest = tests.filter(
      (test) => test.keyboardId === id && (!last || test.at > last.at) && seen.some(({ testId }) => testId === test.id),
    );
    const test = newest[newest.length - 1];
    if (!test) return [];
    const did = Object.fromEntries(seen.filter(({ testId }) => testId === test.id).map((one) => [one.key, one.seen]));
    return [
      forFunctionTest(
        name,
        keys.map((key) => key.id),
        did,
      ),
    ];
  });
  if (tried.length === 0) return null;
  return {
    results: Object.assign({}, ...tried.map(({ results }) => results)) as TestResults,
    words: Object.assign({}, ...tried.map(({ words }) => words)) as TestWords,
  };
}
