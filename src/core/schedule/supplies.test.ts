import fc from 'fast-check';
import { runsOut, type OnShelf, type Taken } from './supplies';

const DAY = 86_400_000;
const item = (more: Partial<OnShelf> = {}): OnShelf => ({
  ...{ id: 'c', name: 'Cream', kind: 'peroxide cream', left: 100, low: null, size: 200, priceMinor: 900 },
  ...{ deliveryDays: 3, oldFrom: null },
  ...more,
});
const use = (day: number, amount: number | null, more: Partial<Taken> = {}): Taken => ({
  ...{ at: day * DAY, stockId: null, word: 'peroxide cream', amount, task: `day ${day}` },
  ...more,
});

it('names the day on which it runs out, the task, and the last day to order', () => {
  const [found] = runsOut([item()], [use(9, 60), use(5, 60)], 0);
  expect(found).toMatchObject({ planned: 120, at: 9 * DAY, task: 'day 9', orderBy: 6 * DAY, buy: 1, costMinor: 900 });
});

it('a date that is too near is ordered now, not yesterday', () => {
  expect(runsOut([item({ left: 10 })], [use(1, 60)], 0)[0]).toMatchObject({ orderBy: 0 });
});

it('what lasts is not bought; what falls under its lowest stock is', () => {
  expect(runsOut([item()], [use(1, 50)], 0)[0]).toMatchObject({ at: null, lowAt: null, buy: 0, costMinor: null });
  expect(runsOut([item({ low: 80 })], [use(4, 50)], 0)[0]).toMatchObject({
    at: null,
    lowAt: 4 * DAY,
    buy: 1,
    orderBy: DAY,
  });
  expect(runsOut([item({ low: 500 })], [], 0)[0]).toMatchObject({ lowAt: 0, buy: 2, costMinor: 1800 });
});

it('what nobody has is named by what is wanted, and what nobody knows the content of runs out on no day', () => {
  expect(runsOut([], [use(8, null, { word: 'putty' })], 0)[0]).toMatchObject({
    id: null,
    name: 'putty',
    at: 8 * DAY,
    orderBy: DAY,
  });
  expect(runsOut([item({ left: null })], [use(1, 60)], 0)[0]).toMatchObject({ at: null, planned: 60 });
});

it('of two bottles the one that still has enough is taken', () => {
  const found = runsOut([item({ left: 10 }), item({ id: 'd', left: 100 })], [use(1, 60)], 0);
  expect(found.map(({ planned }) => planned)).toEqual([0, 60]);
});

it('what is past its age is said', () => {
  expect(runsOut([item({ oldFrom: 5 })], [], 6)[0]!.isOld).toBe(true);
  expect(runsOut([item({ oldFrom: 7 })], [], 6)[0]!.isOld).toBe(false);
});

it('all that is planned is accounted for, and more on the shelf never makes it run out sooner', () =>
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 90 })), { maxLength: 20 }),
      fc.integer({ min: 0, max: 500 }),
      (uses, left) => {
        const taken = uses.map(([day, amount]) => use(day, amount));
        const at = (more: number) => runsOut([item({ left: left + more })], taken, 0)[0]!;
        expect(at(0).planned).toBe(uses.reduce((all, [, amount]) => all + amount, 0));
        expect(at(50).at ?? Infinity).toBeGreaterThanOrEqual(at(0).at ?? Infinity);
        expect(at(0).buy === 0).toBe(at(0).at === null);
      },
    ),
  ));
