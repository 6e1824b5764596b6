import { gatesOf } from '@/core/session/gates';
import { planExposure } from '@/core/session/plan';
import { SCHOOL, type SchoolId } from '@/core/session/schools';
import { bathVolume } from '@/core/peroxide/bathVolume';
import { CAUTION_CLOSE } from '@/core/peroxide/cautions';
import { cardContent, type SessionCard } from './cardPdf';

const FACTS = {
  labels: 'serial plate',
  metalInside: '',
  printed: false,
  painted: false,
  clear: false,
  brittle: false,
  spared: [],
  marks: [],
};

function card(
  id: SchoolId,
  given: Partial<SessionCard> & { stockPercentWW: number; targetPercentWW: number },
): SessionCard {
  const school = SCHOOL[id];
  const { stockPercentWW, targetPercentWW } = given;
  const plan = planExposure({
    school,
    stockPercentWW,
    targetPercentWW,
    volumeL: given.bath?.solutionL ?? 4,
    areaCm2: 600,
    toleranceB: 1.5,
    yellow: null,
    place: { latitude: 14.6, longitude: -30 },
    start: new Date('2026-06-21T08:00:00Z'),
    durationMin: 240,
    cloudFraction: 0,
    shading: [],
    lampMwPerCm2: 4,
    temperatureC: 40,
  });
  return {
    piece: 'K1 Lid',
    school,
    plan,
    stock: 'Strong',
    bath: null,
    from: '2026-06-21T08:00:00Z',
    durationMin: 240,
    turnEveryMin: 60,
    turns: [],
    gates: gatesOf(school, FACTS, true),
    warmth: null,
    sky: '',
    timeZone: 'Etc/GMT+2',
    units: 'metric' as const,
    stands: false,
    ...given,
  };
}

/** The lines of a card, as one reads them from top to bottom. */
const lines = (of: SessionCard) => cardContent(of).map((part) => (part as { text: string }).text);

it('a bath says what to pour first, how deep its tub stands, and what keeps the piece under', () => {
  const tub = bathVolume(
    { shape: 'box', lengthMm: 500, widthMm: 400, heightMm: 150 },
    [{ massG: 630, densityGPerCm3: 1.05, heightMm: 60 }],
    20,
    1.1122,
  );
  const read = lines(
    card('bath-lamp', { stockPercentWW: 35, targetPercentWW: 30, bath: { ...tub, name: 'Grey tub' } }),
  );
  expect(read).toContainEqual(
    expect.stringMatching(/^\d+\.\d\d L of water first, then \d+\.\d\d L of Strong: 30\.0 %\.$/),
  );
  expect(read).toContainEqual(
    '15.4 L in “Grey tub” stand 80 mm deep with the piece in it. At least 38 g on it, no metal, or it floats up.',
  );
  expect(read[1]).toContain('Sun 21 Jun 2026, 06:00 to 10:00');
});

it('a bottle of the right strength is poured as it is; what the plan has to say of it stands beside', () => {
  const read = lines(card('bath-lamp', { stockPercentWW: 12, targetPercentWW: 12 }));
  expect(read).toContainEqual('4.00 L of Strong as it is: 12.0 %.');
  expect(read).toContainEqual(expect.stringContaining('Not measured yet with card and hidden patch'));
});

it('powder has the litres that it goes into; cream has no litres', () => {
  expect(lines(card('oxygen-soak', { stockPercentWW: 32.5, targetPercentWW: 1 }))).toContainEqual(
    expect.stringMatching(/^4\.0 L of warm water, then 12\d g of Strong, stirred in slowly: 1\.0 %\.$/),
  );
  expect(lines(card('cream-film-sun', { stockPercentWW: 12, targetPercentWW: 12 }))).toContainEqual(
    '60 mL of Strong, 12.0 %, brushed on about 1 mm thick.',
  );
});

it('the cautions stand before the mixing, with whose words go before ours; what is to be done is left to tick', () => {
  const read = lines(card('bath-lamp', { stockPercentWW: 35, targetPercentWW: 30 }));
  const at = (words: string) => read.findIndex((line) => line.includes(words));
  expect(at('Wear:')).toBeGreaterThan(-1);
  expect(at('Wear:')).toBeLessThan(at(CAUTION_CLOSE));
  expect(at(CAUTION_CLOSE)).toBeLessThan(at('Mix'));
  expect(at('☐  Lifted, or taped over and kept above the solution: serial plate')).toBeGreaterThan(
    at('Before the start'),
  );
});
