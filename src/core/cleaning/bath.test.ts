import { scrubMinutes } from './bath';

const CAPS = { lengthMm: 260, widthMm: 140, heightMm: 12 };
const LID = { lengthMm: 400, widthMm: 220, heightMm: 45 };

it('fifty caps take about twenty minutes, a lid about twelve', () => {
  expect(scrubMinutes({ parts: 50, size: CAPS })).toBeCloseTo(18.7, 1);
  expect(scrubMinutes({ parts: 50, size: null })).toBe(20);
  expect(scrubMinutes({ parts: 1, size: LID })).toBeCloseTo(11.8, 1);
  expect(scrubMinutes({ parts: 1, size: null })).toBe(12);
});

it('more parts and larger ones take longer', () => {
  expect(scrubMinutes({ parts: 60, size: CAPS })).toBeGreaterThan(scrubMinutes({ parts: 50, size: CAPS }));
  expect(scrubMinutes({ parts: 1, size: { ...LID, widthMm: 300 } })).toBeGreaterThan(
    scrubMinutes({ parts: 1, size: LID }),
  );
  expect(scrubMinutes({ parts: 0, size: null })).toBe(12);
});
