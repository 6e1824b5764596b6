import type { Asked } from './owner';
import { waitsForOwner } from './owner';

const NOTHING = { stages: [], spendMinor: 0, words: '' };
const brighten = (pieceId: string | null) => ({ about: 'treatment', stage: 'brighten', pieceId }) as const;
const buy = (costMinor: number) => ({ about: 'purchase', stage: 'mend', costMinor }) as const;
const asked = (rest: Partial<Asked>): Asked => ({
  about: 'treatment',
  stage: 'brighten',
  pieceId: null,
  costMinor: 0,
  answer: null,
  ...rest,
});

it('an own machine waits for nobody', () => {
  expect(waitsForOwner('', NOTHING, [], brighten('K1'))).toBeNull();
  expect(waitsForOwner('', NOTHING, [], buy(90_000))).toBeNull();
});

it('what is allowed without asking does not wait, and looking or taking apart never does', () => {
  expect(waitsForOwner('Ines Torvel', { ...NOTHING, stages: ['brighten'] }, [], brighten('K1'))).toBeNull();
  expect(
    waitsForOwner('Ines Torvel', NOTHING, [], { about: 'treatment', stage: 'teardown', pieceId: null }),
  ).toBeNull();
  expect(waitsForOwner('Ines Torvel', { ...NOTHING, spendMinor: 1500 }, [], buy(1500))).toBeNull();
});

it('waits until it is asked, until it is answered, and for good on a no', () => {
  const wait = (requests: Asked[], step: Parameters<typeof waitsForOwner>[3] = brighten('K1')) =>
    waitsForOwner('Ines Torvel', NOTHING, requests, step);
  expect(wait([])).toMatch(/Write a request first/);
  expect(wait([asked({})])).toMatch(/has not answered yet/);
  expect(wait([asked({ answer: 'no' })])).toMatch(/said no/);
  expect(wait([asked({ answer: 'yes' })])).toBeNull();
  expect(wait([asked({ answer: 'with conditions' })])).toBeNull();
  // The newest answer holds, in both directions.
  expect(wait([asked({ answer: 'no' }), asked({ answer: 'yes' })])).toBeNull();
  expect(wait([asked({ answer: 'yes' }), asked({ answer: 'no' })])).toMatch(/said no/);
});

it('a yes for one piece is none for another, and a yes for a cheap part none for a dear one', () => {
  expect(waitsForOwner('Ines Torvel', NOTHING, [asked({ pieceId: 'K1', answer: 'yes' })], brighten('K2'))).toMatch(
    /Write a request/,
  );
  const cheap = asked({ about: 'purchase', stage: 'mend', costMinor: 900, answer: 'yes' });
  expect(waitsForOwner('Ines Torvel', NOTHING, [cheap], buy(900))).toBeNull();
  expect(waitsForOwner('Ines Torvel', NOTHING, [cheap], buy(901))).toMatch(/Write a request/);
});
