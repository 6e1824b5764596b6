import fc from 'fast-check';
import { Refusal } from '../refusal';
import { seededNormal } from './seededNormal.testing';
import { adviseAfter, type Advised } from '../choice/advice';
import { sessionDose, warmthFactor } from '../fade/dose';
import { type ForecastInput, yellowAfter } from '../fade/fade';
import { exposureForecast, fadeCurve, ratePosterior } from '../fade/forecast';
import { planExposure, type PlanInput } from './plan';
import { priorOf, SCHOOL, SCHOOLS } from './schools';

const PRIOR = { medianRate: 0.06, logSd: 0.6 };
const base: ForecastInput = { startB: 27, targetB: 6, toleranceB: 1.5, sessions: [], prior: PRIOR, measurementSd: 0.6 };
const width = (input: ForecastInput) => {
  const { low, high } = exposureForecast(input).rate;
  return Math.log(high / low);
};

describe('forecast', () => {
  it('without sessions is the log-normal prior itself', () => {
    const { rate, doseToGo, currentB } = exposureForecast(base);
    expect(rate.median).toBeCloseTo(0.06, 5);
    expect(rate.low).toBeCloseTo(0.06 * Math.exp(-1.6449 * 0.6), 4);
    expect(rate.high).toBeCloseTo(0.06 * Math.exp(1.6449 * 0.6), 3);
    expect(currentB).toBe(27);
    expect(doseToGo.median).toBeCloseTo(Math.log(21 / 1.5) / 0.06, 2);
  });

  it('finds the rate that measurements without error show, wherever it lies', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 0.18, noNaN: true }), (rate) => {
        const sessions = [6, 8].map((dose, i, doses) => ({
          dose,
          measuredB: yellowAfter(
            27,
            6,
            rate,
            doses.slice(0, i + 1).reduce((a, b) => a + b),
          ),
        }));
        const found = exposureForecast({ ...base, sessions, measurementSd: 0.1 });
        expect(found.rate.median / rate).toBeGreaterThan(0.95);
        expect(found.rate.median / rate).toBeLessThan(1.05);
        expect(found.doubt).toBeNull();
      }),
    );
  });

  it('narrows with each measurement that fits', () => {
    const sessions = [8, 8, 8].map((dose, i) => ({ dose, measuredB: yellowAfter(27, 6, 0.06, 8 * (i + 1)) }));
    const widths = [0, 1, 2, 3].map((n) => width({ ...base, sessions: sessions.slice(0, n) }));
    expect(widths[1]).toBeLessThan(widths[0]!);
    expect(widths[2]).toBeLessThan(widths[1]!);
    expect(widths[3]).toBeLessThan(widths[2]!);
  });

  it('holds the truth in its band about nine times in ten, under noise', () => {
    const normal = seededNormal(11);
    let inside = 0;
    const trials = 300;
    for (let i = 0; i < trials; i++) {
      const rate = 0.06 * Math.exp(0.6 * normal());
      const sessions = [8, 10].map((dose, k) => ({
        dose,
        measuredB: yellowAfter(27, 6, rate, k === 0 ? 8 : 18) + 0.6 * normal(),
      }));
      const { doseToGo } = exposureForecast({ ...base, sessions });
      const truth = Math.max(0, Math.log(21 / 1.5) / rate - 18);
      if (truth >= doseToGo.low - 1e-9 && truth <= doseToGo.high + 1e-9) inside++;
    }
    expect(inside / trials).toBeGreaterThan(0.84);
    expect(inside / trials).toBeLessThan(0.96);
  });

  it('a session that nobody measured adds dose but no knowledge', () => {
    expect(width({ ...base, sessions: [{ dose: 9, measuredB: null }] })).toBeCloseTo(width(base), 9);
    expect(exposureForecast({ ...base, sessions: [{ dose: 9, measuredB: null }] }).doseToGo.median).toBeLessThan(
      exposureForecast(base).doseToGo.median,
    );
  });

  it('says so when a piece measures yellower than at the start', () => {
    expect(exposureForecast({ ...base, sessions: [{ dose: 10, measuredB: 31 }] }).doubt).toContain('yellower');
  });

  it('has nothing to go within the tolerance, and refuses a target above the start', () => {
    expect(exposureForecast({ ...base, startB: 7 }).doseToGo).toEqual({ low: 0, median: 0, high: 0 });
    expect(() => exposureForecast({ ...base, targetB: 30 })).toThrow(Refusal);
  });

  it('weights sum to one', () => {
    expect(ratePosterior(base).weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });
});

const at = {
  place: { latitude: 14.6, longitude: -30.2 },
  start: new Date('2026-03-21T12:00:00Z'),
  durationMin: 120,
  cloudFraction: 0,
  shading: [],
  lampMwPerCm2: 5,
  temperatureC: 25,
};

describe('dose of a session', () => {
  it('lamp and warmth follow their own laws', () => {
    expect(sessionDose(SCHOOL['bath-lamp'], at)).toBeCloseTo(2 * 5 * 1.8, 9);
    expect(sessionDose(SCHOOL.vapour, at)).toBeCloseTo(2, 9);
    expect(sessionDose(SCHOOL.vapour, { ...at, temperatureC: 35 })).toBeCloseTo(4, 9);
    expect(warmthFactor(15)).toBeCloseTo(0.5, 9);
  });

  it('what really got too hot is counted all the same: only a plan is refused', () => {
    expect(sessionDose(SCHOOL.vapour, { ...at, temperatureC: 55 })).toBeCloseTo(16, 9);
  });
});

it('a wall takes the beam while the sun is behind it, and its share of the sky; one all round leaves nearly nothing', () => {
  const at = {
    place: { latitude: 50, longitude: 0 },
    start: new Date('2026-06-21T13:00:00Z'),
    durationMin: 180,
    cloudFraction: 0,
    lampMwPerCm2: 0,
    temperatureC: 25,
  };
  const dose = (shading: { fromDeg: number; toDeg: number; heightDeg: number }[], rest = {}) =>
    sessionDose(SCHOOL['cream-film-sun'], { ...at, ...rest, shading });
  const west = [{ fromDeg: 200, toDeg: 320, heightDeg: 70 }];
  expect(dose(west)).toBeLessThan(0.6 * dose([]));
  expect(dose(west, { start: new Date('2026-06-21T06:00:00Z') })).toBeGreaterThan(
    0.7 * dose([], { start: new Date('2026-06-21T06:00:00Z') }),
  );
  expect(dose([{ fromDeg: 0, toDeg: 0, heightDeg: 90 }])).toBeLessThan(0.01 * dose([]));
});

describe('plan', () => {
  const input: PlanInput = {
    ...at,
    school: SCHOOL['bag-sun'],
    stockPercentWW: 35,
    targetPercentWW: 6,
    volumeL: 2,
    areaCm2: 500,
    toleranceB: 1.5,
    yellow: { startB: 27, targetB: 6, sessions: [], measurementSd: 0.6 },
  };

  it('mixes, counts gas, and forecasts hours that pay for the dose to go', () => {
    const plan = planExposure(input);
    expect(plan.dilution!.stockVolumeL + plan.dilution!.waterVolumeL).toBeGreaterThan(1.9);
    expect(plan.oxygenL).toBeGreaterThan(30);
    expect(plan.hoursToGo!.median * (plan.dose / 2)).toBeCloseTo(plan.forecast!.doseToGo.median, 6);
    expect(plan.afterB!.low).toBeLessThan(plan.afterB!.median);
    expect(plan.afterB!.median).toBeLessThan(27);
    expect(plan.cautions.map(({ id }) => id)).toEqual(['peroxide-burns', 'sun-heat']);
  });

  it('cream is used as it is', () => {
    const plan = planExposure({ ...input, school: SCHOOL['cream-film-sun'], stockPercentWW: 11.7 });
    expect(plan.dilution).toBeNull();
    expect(plan.creamMl).toBeCloseTo(50, 6);
  });

  it('is honest at night, without a measurement and without a lamp reading', () => {
    const night = planExposure({ ...input, start: new Date('2026-03-21T03:00:00Z'), durationMin: 60, yellow: null });
    expect(night.dose).toBe(0);
    expect(night.hoursToGo).toBeNull();
    expect(night.notes.join(' ')).toMatch(/Not measured yet.*next to no ultraviolet/s);
    expect(planExposure({ ...input, school: SCHOOL['bath-lamp'], lampMwPerCm2: 0 }).notes.join(' ')).toContain(
      'mW/cm²',
    );
  });

  it('refuses what a way is not worked with', () => {
    expect(() => planExposure({ ...input, targetPercentWW: 20 })).toThrow('stronger than that');
    expect(() => planExposure({ ...input, stockPercentWW: 3 })).toThrow('Water only makes it weaker');
  });

  it.each(SCHOOLS)('%s is not planned over 50 °C', (id) => {
    const school = SCHOOL[id];
    expect(() => planExposure({ ...input, school, targetPercentWW: school.usualPercentWW, temperatureC: 51 })).toThrow(
      'too hot',
    );
  });

  it('a weaker solution takes a larger dose, a stronger one a smaller', () => {
    const toGo = (percent: number) =>
      planExposure({ ...input, school: SCHOOL['bag-sun'], targetPercentWW: percent }).forecast!.doseToGo.median;
    expect(toGo(3)).toBeGreaterThan(1.3 * toGo(6));
    expect(toGo(6)).toBeGreaterThan(1.3 * toGo(12));
  });

  it('a strong bath starts from its own rate', () => {
    expect(priorOf(SCHOOL['bath-lamp'], 30).medianRate).toBe(0.1);
    expect(priorOf(SCHOOL['bath-lamp'], 12).medianRate).toBe(0.04);
  });
});

describe('advice', () => {
  const fade = { ...base, sessions: [{ dose: 8, measuredB: 19 }] };
  const asked: Advised = {
    verdict: 'to go',
    deltaB: 11,
    evenness: 2,
    uneven: false,
    fade,
    session: { dose: 8, handsMin: 30, waitingH: 3 },
  };
  it.each([
    [null, null, 'measure first'],
    ['to go', 11, 'go on'],
    ['to go', 0.4, 'stop'],
    ['matched', 0.5, 'stop'],
    ['past it', -3, 'stop'],
    ['uneven', 1, 'even it out'],
  ] as const)('%s at %s is “%s”', (verdict, deltaB, what) => {
    const advice = adviseAfter({ ...asked, verdict, deltaB });
    expect(advice.what).toBe(what);
    expect(advice.why).toMatch(/\.$/);
  });

  it('says how many sessions are left, and what the next should take', () => {
    expect(adviseAfter(asked).why).toMatch(/About \d.* more sessions .*; the next should take about \d/);
    // It does not ask for more of what came out uneven.
    const uneven = adviseAfter({ ...asked, uneven: true });
    expect(uneven.what).toBe('go on');
    expect(uneven.why).toMatch(/uneven\. First what mends that/);
    expect(uneven.why).not.toMatch(/like the ones before/);
  });

  it('stops where the next session brings less than can be seen, and says what it would have asked', () => {
    const slow = {
      ...base,
      prior: { medianRate: 0.002, logSd: 0.1 },
      sessions: [{ dose: 40, measuredB: 28 }],
    };
    const advice = adviseAfter({ ...asked, deltaB: 6, fade: slow });
    expect(advice.what).toBe('stop');
    expect(advice.why).toContain('too little for 30 min of hands and 3.0 h of waiting');
  });

  it('does not go on where the palest parts would go past the patch', () => {
    const nearly = { ...base, sessions: [{ dose: 24, measuredB: base.targetB + 3 }] };
    expect(adviseAfter({ ...asked, deltaB: 3, evenness: 10, fade: nearly })).toMatchObject({
      what: 'even it out',
      why: expect.stringContaining('palest parts are 2.0 below it already') as string,
    });
    // Keys and shell in one outline: their difference is no matter of a session.
    expect(adviseAfter({ ...asked, deltaB: 6, evenness: 30 }).what).toBe('go on');
  });
});

describe('measurements that contradict the fade', () => {
  const ask = (...measured: number[]) =>
    exposureForecast({ ...base, sessions: measured.map((measuredB) => ({ dose: 10, measuredB })) });

  it('widen the band to what they disagree by', () => {
    const [smooth, rough] = [ask(17.6, 12.2), ask(17.6, 20)];
    expect(smooth.doubt).toBeNull();
    expect(rough.doubt).toMatch(/The band is widened/);
    const wide = ({ rate }: typeof smooth) => Math.log(rate.high / rate.low);
    expect(wide(rough)).toBeGreaterThan(1.5 * wide(smooth));
  });

  it('a piece that comes to rest above its target is told so', () => {
    expect(ask(17.6, 17.2).doubt).toMatch(
      /come to rest near b\* 17\.2, above the target of .* fresh solution once, then stop/,
    );
    expect(ask(17.6, 12.2).doubt).toBeNull();
  });

  it('the curve starts at the start, falls, and holds its middle inside its band', () => {
    const input = { ...base, sessions: [{ dose: 10, measuredB: 18 }] };
    const curve = fadeCurve(input, exposureForecast(input));
    expect(curve[0]!.b).toEqual({ low: base.startB, median: base.startB, high: base.startB });
    curve.forEach(({ b }, i) => {
      expect(b.low).toBeLessThanOrEqual(b.median);
      expect(b.median).toBeLessThanOrEqual(b.high);
      if (i > 0) expect(b.median).toBeLessThan(curve[i - 1]!.b.median);
    });
  });
});
