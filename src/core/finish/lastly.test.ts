import fc from 'fast-check';
import { seededRandom } from '@/simulators/camera/random';
import { hazeMarksOn, hazeScene, someWindow } from '@/simulators/camera/haze';
import { PATCHES, someShot } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';
import { masksFor, type AreaUse } from './areas';
import { gramsOfDrops } from './dropUses';
import { GLOSSES, inOtherGloss } from './gloss';
import { hazeOf } from './haze';
import { lastCoatFor, lastCoatGain, lastSheet, LAST_COAT, sdOfBand, type YellowLook } from './lastCoat';
import { lostOrigin, lostWays, LOST_KINDS, LOST_WAYS, MASK_SHEET_MM, maskOf } from './lostMarks';
import { ORIGINS, originalityOf, originalityOfPiece, originOfWay, type OriginFact } from './originality';
import { originalityByRecord } from './originFacts';
import { overPlastic } from './overPlastic';
import { POLISHED, DULLNESS, polishLadder, polishVerdict } from './polish';
import { oneAndTheSame, targetOf, toOneLight, type TestDrop } from './testDrops';
import { wayRound } from './wayRound';

describe('gloss', () => {
  const srgb = fc.tuple(...([0, 1, 2] as const).map(() => fc.integer({ min: 60, max: 250 }))) as fc.Arbitrary<
    [number, number, number]
  >;
  it('changes nothing in the same gloss, and comes back from another', () =>
    fc.assert(
      fc.property(srgb, fc.constantFrom(...GLOSSES), fc.constantFrom(...GLOSSES), (colour, from, to) => {
        expect(inOtherGloss(colour, from, from).deltaE00).toBeLessThan(0.01);
        const there = inOtherGloss(colour, from, to);
        const back = inOtherGloss(there.srgb, to, from);
        // What was clipped at black or white stays so.
        if (there.srgb.every((code) => code > 1 && code < 254))
          back.srgb.forEach((code, k) => expect(Math.abs(code - colour[k]!)).toBeLessThan(0.5));
      }),
    ));
  it('makes a dark paint much darker in gloss, a pale one hardly', () => {
    expect(inOtherGloss([50, 50, 50], 'matt', 'gloss').lightness).toBeLessThan(-10);
    expect(Math.abs(inOtherGloss([230, 228, 220], 'matt', 'gloss').lightness)).toBeLessThan(3);
  });
});

describe('which goes to which', () => {
  const drops: TestDrop[] = [
    { amounts: {}, srgb: [235, 232, 225] as const, beside: [205, 190, 150] as const },
    { amounts: { ochre: 2 }, srgb: [212, 192, 150] as const, beside: [205, 190, 150] as const },
  ];
  it('brightens yellow plastic first where the paints reach its first colour', () => {
    const round = wayRound(drops, { lab: [77, 1, 20], hidden: [90, 0, 5], spared: false }, 3);
    expect(round.kind).toBe('brighten first');
  });
  it('paints what is hardly yellower, what may not be brightened, and says what it does not know', () => {
    expect(wayRound(drops, { lab: [77, 1, 7], hidden: [78, 0, 5], spared: false }, 3).kind).toBe('as it is');
    expect(wayRound(drops, { lab: [77, 1, 20], hidden: [90, 0, 5], spared: true }, 3).kind).toBe('spared');
    expect(wayRound(drops, { lab: [77, 1, 20], hidden: null, spared: false }, 3).kind).toBe('not known');
  });
  it('does not send anybody to the peroxide for a colour that the paints do not reach', () =>
    expect(wayRound(drops, { lab: [40, 1, 20], hidden: [30, 0, -20], spared: false }, 1).kind).toBe(
      'paints do not reach it',
    ));
  it('takes the light of each picture out of its cards', () => {
    const dim = { ...drops[1]!, srgb: [180, 163, 127] as const, beside: [174, 161, 127] as const };
    const [, there] = toOneLight([drops[0]!, dim], targetOf([drops[0]!])!);
    there!.srgb.forEach((code, k) => expect(Math.abs(code - [212, 192, 150][k]!)).toBeLessThan(3));
  });
});

it('says which paints are one', () => {
  const card = (id: string, srgb: TestDrop['srgb'], amount = 5): TestDrop => ({ amounts: { [id]: amount }, srgb });
  expect(
    oneAndTheSame([card('sand', [200, 190, 160]), card('dune', [200, 190, 161]), card('ochre', [200, 170, 110])]),
  ).toEqual([['sand', 'dune']]);
  expect(oneAndTheSame([card('sand', [200, 190, 160]), card('dune', [200, 190, 160], 9)])).toEqual([]);
});

it('weighs drops by twenty of them, or by what is usual', () => {
  expect(gramsOfDrops(20, 1.2)).toBeCloseTo(1.2);
  expect(gramsOfDrops(20, null)).toBeCloseTo(1);
});

describe('haze', () => {
  const seen = (seed: number, haze: number) => {
    const window = { ...someWindow(seed), haze, uneven: 0, reflected: 0 };
    const { picture, spec } = takePhotograph(hazeScene(window, PATCHES[1]), someShot('good', seed, 900));
    return { picture, marks: hazeMarksOn(spec) };
  };
  it.each([0, 0.25, 0.5])('of %p is read on a photograph', (haze) => {
    const { picture, marks } = seen(3, haze);
    const found = hazeOf(picture, marks, 6);
    expect(Math.abs(found.haze - haze)).toBeLessThan(3 * found.sd);
    expect(found.sd).toBeLessThan(0.08);
  });
  it('is refused where white and black are mixed up, or the print is pale', () => {
    const { picture, marks } = seen(3, 0.2);
    expect(() => hazeOf(picture, { ...marks, white: marks.black, black: marks.white }, 6)).toThrow(/darker/);
    expect(() => hazeOf(picture, { ...marks, black: marks.white }, 6)).toThrow(/too little contrast/);
    expect(() =>
      hazeOf(picture, { ...marks, whiteThrough: marks.blackThrough, blackThrough: marks.whiteThrough }, 6),
    ).toThrow(/seen through/);
  });
});

describe('polish', () => {
  it('never brings grain or polish to a screen or a tube, and always ends in leaving it', () => {
    for (const what of POLISHED)
      for (const dull of DULLNESS)
        for (const inside of [true, false]) {
          const { steps, without } = polishLadder(what, dull, inside);
          expect(steps.at(-1)).toBe('leave or renew');
          if (what === 'screen glass' || what === 'picture tube') {
            expect(without).not.toBeNull();
            expect(steps.some((step) => /paper|polish/.test(step))).toBe(false);
          }
        }
    expect(polishLadder('picture tube', 'dull all over', false).steps).not.toContain('wash');
  });
  it('stops where it is clear, or the last step won no more than its error', () => {
    const at = (haze: number) => ({ haze, sd: 0.03 });
    expect(polishVerdict(at(0.3), at(0.03)).kind).toBe('clear');
    expect(polishVerdict(at(0.3), at(0.2)).kind).toBe('next step');
    expect(polishVerdict(at(0.3), at(0.28)).kind).toBe('wins nothing');
    expect(polishVerdict(null, at(0.28)).kind).toBe('next step');
  });
});

describe('what a last coat is good for', () => {
  const look = (perYear: number, coated: boolean, sd = 0.3): YellowLook => ({ perYear, sd, coated, kept: 'light' });
  it('is a wide guess at first, and is learnt from looks again', () => {
    const first = lastCoatGain([], 'light');
    expect(first.without.low).toBeLessThan(first.without.median / 2);
    const looks = [2.2, 1.8, 2.4, 2, 1.9, 2.1]
      .map((b) => look(b, false))
      .concat([0.5, 0.4, 0.6, 0.5].map((b) => look(b, true)));
    const learnt = lastCoatGain(looks, 'light');
    expect(learnt.without.median).toBeGreaterThan(1.4);
    expect(learnt.coated.median).toBeLessThan(0.9);
    expect(learnt.helps).toBeGreaterThan(first.helps);
    expect(learnt.without.high - learnt.without.low).toBeLessThan(2 * learnt.without.median);
    expect(learnt.looks).toEqual({ coated: 4, bare: 6 });
  });
  it('does not claim a gain that the looks speak against', () => {
    const none = lastCoatGain(
      [1, 1.1, 0.9, 1].flatMap((b) => [look(b, true, 0.1), look(b, false, 0.1)]),
      'light',
    );
    expect(none.helps).toBeLessThan(lastCoatGain([], 'light').helps);
  });
  it('says less in the dark', () =>
    expect(lastCoatGain([], 'dark').without.median).toBeLessThan(lastCoatGain([], 'light').without.median));
  it('holds a next piece nine times in ten in workshops of its own law', () => {
    let [inside, all] = [0, 0];
    for (let seed = 1; seed <= 120; seed++) {
      const random = seededRandom(seed);
      const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
      const rate = 0.8 * Math.exp(0.7 * normal());
      const factor = 0.7 * Math.exp(0.35 * normal());
      const piece = (coated: boolean) => rate * (coated ? factor : 1) * Math.exp(0.45 * normal());
      const looks = Array.from({ length: seed % 9 }, (_, i) =>
        look(piece(i % 2 === 0) + 0.4 * normal(), i % 2 === 0, 0.4),
      );
      const found = lastCoatGain(looks, 'light');
      for (const [coated, span] of [
        [true, found.coated],
        [false, found.without],
      ] as const) {
        const next = piece(coated);
        if (next >= span.low && next <= span.high) inside++;
        all++;
      }
    }
    expect(inside / all).toBeGreaterThan(0.85);
    expect(inside / all).toBeLessThan(0.96);
  });
  it('takes the error of a rate out of its band, and suits the surface', () => {
    expect(sdOfBand({ low: -1.645, high: 1.645 })).toBeCloseTo(1, 2);
    expect(lastCoatFor({ plastic: 'ABS', finish: 'textured' })).toBe('protectant');
    expect(lastCoatFor({ plastic: 'ABS', finish: 'painted' })).toBe('wax');
    expect(lastCoatFor({ plastic: 'glass', finish: 'smooth' })).toBeNull();
  });
});

describe('lost marks', () => {
  it('are left first, and never invented where nothing is left', () => {
    for (const kind of LOST_KINDS)
      for (const raised of [true, false]) {
        expect(lostWays(kind, true, raised)[0]).toBe('leave');
        if (kind !== 'stripe') expect(lostWays(kind, false, raised)).toEqual(['leave']);
      }
    expect(lostWays('stripe', false, true)).toContain('painted and wiped');
    expect(lostWays('stripe', false, false)).not.toContain('painted and wiped');
  });
  it('are never recorded as original', () => {
    for (const way of LOST_WAYS) expect(lostOrigin(way)).not.toBe('original');
    expect(lostOrigin('copied label')).toBe('added');
  });
  it('leave exactly the width of the stripe open, whatever its length', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 40, noNaN: true }),
        fc.double({ min: 2, max: 3000, noNaN: true }),
        fc.option(fc.double({ min: 0, max: 60, noNaN: true })),
        (widthMm, lengthMm, fromEdgeMm) => {
          const { pieces, pieceMm, heightMm, shapes } = maskOf({ widthMm, lengthMm, fromEdgeMm });
          expect(pieceMm).toBeLessThanOrEqual(MASK_SHEET_MM.length + 1e-9);
          expect(pieces * pieceMm).toBeCloseTo(lengthMm, 6);
          const cut = shapes.filter(({ kind }) => kind === 'cut');
          const covered = cut.reduce((sum, { points }) => sum + points[2]![1] - points[0]![1], 0);
          expect(heightMm - covered).toBeCloseTo(widthMm, 6);
          if (fromEdgeMm !== null && fromEdgeMm > 0) expect(cut[0]!.points[2]![1]).toBeCloseTo(fromEdgeMm, 6);
        },
      ),
    ));
});

describe('originality', () => {
  const pieces = [
    { id: 'lid', lengthMm: 300, widthMm: 200, heightMm: 20 },
    { id: 'door', lengthMm: null, widthMm: null, heightMm: null },
  ];
  const fact = (more: Partial<OriginFact>): OriginFact => ({
    ...{ pieceId: 'lid', what: '', state: 'cleaned', share: null, by: 'record', words: '' },
    ...more,
  });
  it('is all original where nothing is known to have been done', () => {
    const { shares, guessed } = originalityOf(pieces, []);
    expect(shares).toEqual([{ state: 'original', share: 1 }]);
    expect(guessed).toBe(1);
  });
  it('lets what somebody told of a part take the place of the record', () => {
    const record = fact({ what: 'hinge stub', state: 'repaired', share: 0.1 });
    const told = fact({ what: 'hinge stub', state: 'printed', share: 0.2, by: 'told' });
    expect(originalityOfPiece('lid', [record, told]).shares).toEqual({ printed: 0.2, original: 0.8 });
  });
  it('says the least original of what was done to the whole of it', () =>
    expect(originalityOfPiece('lid', [fact({ state: 'refinished' }), fact({ state: 'cleaned' })]).state).toBe(
      'refinished',
    ));
  it('adds up to one, whatever is said', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            pieceId: fc.constantFrom('lid', 'door'),
            what: fc.constantFrom('', 'foot', 'hinge', 'slat', 'window'),
            state: fc.constantFrom(...ORIGINS),
            share: fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
            by: fc.constantFrom('told' as const, 'record' as const),
            words: fc.constant(''),
          }),
          { maxLength: 12 },
        ),
        (facts) => {
          const all = originalityOf(pieces, facts);
          expect(all.shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
          for (const piece of all.pieces)
            expect(Object.values(piece.shares).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
        },
      ),
    ));
  it('names what repairs leave behind', () => {
    expect(originOfWay('leave')).toBeNull();
    expect(originOfWay('gel')).toBe('repaired');
    expect(originOfWay('donor part')).toBe('from a donor');
    expect(originOfWay('printed part')).toBe('printed');
  });
});

it('counts coats as all of a piece from a little under half of it on, and a mark as a hundredth', () => {
  const lid = { id: 'lid', lengthMm: 300, widthMm: 200, heightMm: 0 };
  const painted = (areaCm2: number) =>
    originalityByRecord({
      ...{ pieces: [lid], origins: [], repairs: [], sinkSteps: [], treatments: [] },
      lostMarks: [{ pieceId: 'lid', name: 'stripe', way: 'transfer', doneAt: '2026-01-01T00:00:00.000Z' }],
      coatJobs: [{ id: 'job', pieceId: 'lid', name: 'front', areaCm2 }],
      coats: [{ jobId: 'job', kind: 'top coat', laidAt: '2026-01-01T00:00:00.000Z' }],
    }).pieces[0]!.shares;
  // Its two faces are 1,200 cm².
  expect(painted(490).refinished).toBeCloseTo(0.99);
  expect(painted(470).refinished).toBeCloseTo(470 / 1200);
  expect(painted(470).added).toBeCloseTo(0.01);
});

it('lays wax in two coats an hour apart where nobody has its sheet, a protectant once', () => {
  expect(lastSheet('wax')).toMatchObject({ soonestH: 1, throughH: 12, keyed: false });
  expect(lastSheet('protectant')).toMatchObject({ throughH: 1, keyed: false });
  expect([LAST_COAT.wax.mlPerM2, LAST_COAT.protectant.mlPerM2]).toEqual([8, 15]);
});

it('covers what was outlined for a piece and for the whole machine', () => {
  const area = (use: AreaUse, pieceId: string | null) => ({ use, pieceId });
  const areas = [area('piece', 'a'), area('contact land', 'a'), area('badge', 'b'), area('label', null)];
  expect(masksFor(areas, 'a').map(({ use }) => use)).toEqual(['contact land', 'label']);
  expect(masksFor(areas, null).map(({ use }) => use)).toEqual(['label']);
});

it('asks the core of surfaces what solvent a plastic bears', () => {
  const over = overPlastic({ plastic: 'polystyrene' }, ['polystyrene'])!;
  expect(over.primer).toBe('water-borne primer');
  expect(over.solvents.find(({ solvent }) => solvent === 'acetone')!.verdict).toBe('never');
  expect(overPlastic({ plastic: 'metal' }, ['bare-steel'])).toBeNull();
  expect(overPlastic({ plastic: 'rubber' }, ['rubber-foot'])!.primer).toBe('does not hold');
});
