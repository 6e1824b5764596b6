import fc from 'fast-check';
import { CRACK } from '../../assumptions/mendingCases.testing';
import { damageSchema } from './damageSchema';
import { BREAKS, breakOf, LOADS, sizesFor, usualPull, type Damage } from './damage';
import type { MEND_SCHOOLS } from './choose';
import { chooseRepair, crackEnd, oddsOfMend, pressAt, verdictOf, waitOf } from './choose';
import { GLUES, sheetOf, strengthOn, type GlueName } from './glues';
import { backed, facesGlued, loadOf, oddsToHold, pinned, screwed, shareBelow } from './holds';
import { MEND, MEND_CAUTIONS, MEND_WAYS } from './ways';
import { FINDING_KINDS, FINDING_PARTS } from '../../intake/findings';

const NOBODY = { school: 'strong and hidden', tried: [], stores: [], hourMinor: 1000 } as const;
const BOSS: Damage = {
  ...{ ...CRACK, kind: 'stripped hole', load: 'screw' },
  ...{ bossMm: 7, holeMm: 2.6, engagedMm: 8, screwMm: 3 },
};
const STUB: Damage = {
  ...{ ...CRACK, kind: 'broken off', load: 'hinge', pull: 'pried', lengthMm: 6, wallMm: 5, armMm: 4 },
  ...{ stubMm: 6, deepMm: 12 },
};
const waysOf = (damage: Damage) => chooseRepair(damage, NOBODY).options.map(({ way }) => way);
const size = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });

it('the normal law is that of the tables', () => {
  expect(shareBelow(0)).toBeCloseTo(0.5, 7);
  expect(shareBelow(1.645)).toBeCloseTo(0.95002, 5);
  expect(shareBelow(-1.96)).toBeCloseTo(0.0249979, 6);
});

it('faces bear their area times the strength of the glue, and prying a tenth of it at most', () => {
  const along = facesGlued(CRACK, 'gel');
  expect(along.capacityN).toBeCloseTo(20 * 2.5 * 5, 6);
  expect(along).toMatchObject({ loadN: 40, gives: 'glue' });
  // 2.5 mm of wall under an arm of 10 mm: 2.5 ÷ 60 of it.
  expect(facesGlued({ ...CRACK, pull: 'pried' }, 'gel').capacityN).toBeCloseTo(250 / 24, 6);
  expect(facesGlued({ ...CRACK, pull: 'pried', armMm: 1 }, 'gel').capacityN).toBeCloseTo(25, 6);
});

it('what is laid behind adds its area, pried open by the lever of the wall', () => {
  const thin: Damage = { ...CRACK, wallMm: 1, behindMm: 2 };
  expect(backed(thin, 'gel', 'putty').capacityN).toBeCloseTo(20 * 1 * 5 + 20 * 2 * 6, 6);
  const pried = backed({ ...thin, wallMm: 4, pull: 'pried' }, 'gel', 'putty');
  expect(pried).toMatchObject({ gives: 'glue' });
  expect(pried.capacityN).toBeCloseTo(20 * 4 * 5 * (4 / 60) + 20 * 2 * 6 * 0.4, 6);
  // In a thin wall the old plastic beside the putty gives first: 20 MPa in bending, 8 mm from where it pulls.
  const thinner = backed({ ...thin, pull: 'pried' }, 'gel', 'putty');
  expect(thinner).toMatchObject({ gives: 'old plastic' });
  expect(thinner.capacityN).toBeCloseTo((20 * 20 * 1) / (6 * 8), 6);
  expect(pried.working).toHaveLength(3);
});

it('more lap never holds less, more load never likelier, and odds are odds', () => {
  fc.assert(
    fc.property(
      size(1, 200),
      size(0.5, 10),
      size(0, 40),
      size(1, 60),
      size(1, 500),
      (long, wall, behind, arm, load) => {
        for (const pull of ['along', 'pried'] as const) {
          const damage: Damage = {
            ...CRACK,
            pull,
            lengthMm: long,
            wallMm: wall,
            behindMm: behind,
            armMm: arm,
            loadN: load,
          };
          const one = backed(damage, 'gel', 'epoxy');
          const longer = backed({ ...damage, lengthMm: long * 1.5 }, 'gel', 'epoxy');
          const wider = backed({ ...damage, behindMm: behind + 5 }, 'gel', 'epoxy');
          expect(longer.capacityN).toBeGreaterThanOrEqual(one.capacityN - 1e-9);
          expect(wider.capacityN).toBeGreaterThanOrEqual(one.capacityN - 1e-9);
          expect(one.capacityN).toBeGreaterThanOrEqual(facesGlued(damage, 'gel').capacityN - 1e-9);
          expect(one.odds).toBeGreaterThanOrEqual(0);
          expect(one.odds).toBeLessThanOrEqual(1);
          expect(oddsToHold(one.capacityN, load * 2)).toBeLessThanOrEqual(one.odds + 1e-9);
        }
      },
    ),
  );
});

it('as strong as its load it holds every second time, and four times its load nearly always', () => {
  expect(oddsToHold(40, 40)).toBeCloseTo(0.5, 6);
  expect(oddsToHold(160, 40)).toBeGreaterThan(0.99);
  expect(oddsToHold(0, 40)).toBe(0);
});

it('a pried hinge stub wants its pin: glue alone does not hold it', () => {
  const { options } = chooseRepair(STUB, NOBODY);
  const by = (way: string) => options.find((option) => option.way === way)!;
  expect(by('pin').odds).toBeGreaterThan(0.95);
  expect(by('gel').odds).toBeLessThan(0.5);
  expect(options[0]!.way).toBe('pin');
  expect(options.map(({ way }) => way)).not.toContain('plate behind');
  expect(pinned(STUB)).toMatchObject({ pinMm: 2.5, splits: false });
  expect(chooseRepair({ ...STUB, stubMm: 2 }, NOBODY).out.find(({ way }) => way === 'pin')!.why).toContain('too thin');
  expect(chooseRepair({ ...STUB, stubMm: null }, NOBODY).out.find(({ way }) => way === 'pin')!.why).toContain(
    'how thick',
  );
});

it('a stripped hole: filled it holds again, sleeved it does not, and what was not measured is asked for', () => {
  const wide: Damage = { ...BOSS, holeMm: 2.95 };
  expect(screwed(wide, null)!.capacityN).toBe(0);
  expect(screwed(wide, 'putty')!.capacityN).toBeGreaterThan(80);
  const { options, out } = chooseRepair(wide, NOBODY);
  expect(options.map(({ way }) => way)).toEqual(expect.arrayContaining(['putty behind', 'gel and soda', 'metal part']));
  expect(out.map(({ way }) => way)).toEqual(expect.arrayContaining(['sleeve', 'bought part']));
  const asked = chooseRepair({ ...BOSS, screwMm: null }, NOBODY).out;
  expect(asked.find(({ way }) => way === 'sleeve')!.why).toContain('how wide');
});

it('nothing goes behind what is reached from in front, and no solvent on what nobody knows', () => {
  expect(waysOf({ ...CRACK, reach: 'front' })).not.toContain('plate behind');
  expect(waysOf({ ...CRACK, behindMm: 0 })).not.toContain('putty behind');
  expect(waysOf(CRACK)).toEqual(expect.arrayContaining(['plate behind', 'putty behind', 'solvent', 'leave']));
  expect(waysOf({ ...CRACK, plastic: 'not known' })).not.toContain('solvent');
  expect(waysOf({ ...CRACK, plastic: 'polycarbonate' })).not.toContain('solvent');
  expect(strengthOn('solvent', 'wood')).toBe(0);
});

it('to the honest a part that is replaced counts for more, and what is out of sight shows nothing', () => {
  const hinged = { ...STUB, seen: true };
  const of = (damage: Damage, school: (typeof MEND_SCHOOLS)[number]) =>
    chooseRepair(damage, { ...NOBODY, school }).options.find(({ way }) => way === 'donor part')!.counts;
  expect(of(hinged, 'honest')).toBeGreaterThan(of(hinged, 'strong and hidden'));
  expect(of({ ...hinged, seen: false }, 'strong and hidden')).toBeLessThan(of(hinged, 'strong and hidden'));
});

it('what this workshop saw moves the odds, and a repair that broke later counts as one that failed', () => {
  const tried = [
    ...Array.from({ length: 5 }, () => ({ way: 'gel', outcome: 'holds' }) as const),
    { way: 'gel', outcome: 'does not hold' } as const,
    { way: 'pin', outcome: 'does not hold' } as const,
  ];
  expect(oddsOfMend('gel', 0.5, tried)).toEqual({ odds: (10 * 0.5 + 5) / 16, from: 6 });
  expect(oddsOfMend('solvent', 0.5, tried)).toEqual({ odds: 0.5, from: 0 });
});

it('what the stores lack is named and counts', () => {
  const with_ = chooseRepair(CRACK, { ...NOBODY, stores: [{ name: 'Gel cyanoacrylate, 20 g', priceMinor: 400 }] });
  const without = chooseRepair(CRACK, NOBODY);
  const gel = (choice: typeof without) => choice.options.find(({ way }) => way === 'gel')!;
  expect(gel(with_).missing).toEqual([]);
  expect(gel(without).missing).toEqual(['cyanoacrylate']);
  expect(gel(without).counts - gel(with_).counts).toBeCloseTo(60, 6);
});

it('every kind of break has two ways at least, whatever it carries, and the best stands first', () => {
  for (const kind of BREAKS)
    for (const load of LOADS) {
      const { options } = chooseRepair(
        { ...STUB, ...BOSS, stubMm: 6, deepMm: 12, kind, load, pull: usualPull(load) },
        NOBODY,
      );
      expect(options.length).toBeGreaterThan(1);
      const inTheWay = kind === 'film burnt' || kind === 'foot worn or gone';
      if (inTheWay) expect(options.at(-1)!.way).toBe('leave');
      const counts = options.filter(({ way }) => !inTheWay || way !== 'leave').map((option) => option.counts);
      expect(counts).toEqual([...counts].sort((a, b) => a - b));
    }
});

it('every way has its steps, and each caution and glue that they name is there', () => {
  for (const way of MEND_WAYS) {
    const { steps, needs, takes } = MEND[way];
    expect(steps.length).toBeGreaterThan(0);
    for (const { caution, glue } of steps as readonly { caution?: string; glue?: GlueName }[]) {
      if (caution) expect(MEND_CAUTIONS[caution]).toBeDefined();
      if (glue) expect(waitOf(way)).toBeGreaterThanOrEqual(GLUES[glue].cureMin);
    }
    if (takes.length > 0) expect(needs.length).toBeGreaterThan(0);
  }
  expect(waitOf('solvent')).toBe(48 * 60);
  expect(waitOf('warm and press')).toBe(120);
  expect(sheetOf('putty', 'handlingMin')).toEqual({ sheetMin: 120, sheetC: 20, lowestC: 10, highestC: 40 });
});

it('says whether the end of a crack is drilled, and why', () => {
  expect(crackEnd({ ...CRACK, load: 'nothing' })).toContain('nothing pulls');
  expect(crackEnd({ ...CRACK, wallMm: 1 })).toContain('weakens');
  expect(crackEnd({ ...CRACK, wallMm: 1, seen: false })).toContain('Drill');
  expect(crackEnd(STUB)).toBeNull();
  expect([verdictOf(0.95), verdictOf(0.6), verdictOf(0.2)]).toEqual(['holds', 'may hold', 'does not hold']);
  expect(pressAt('polycarbonate')).toBeNull();
});

it('bad sizes are refused with words', () => {
  const wrong = (changes: object) => damageSchema.validate({ ...BOSS, ...changes }).error?.message ?? '';
  expect(wrong({})).toBe('');
  expect(wrong({ lengthMm: 0 })).toContain('Length of the break');
  expect(wrong({ lengthMm: 5000 })).toContain('1000');
  expect(wrong({ holeMm: 8 })).toContain('hole');
  expect(wrong({ loadN: -1 })).toContain('What pulls');
});

it('every finding of a survey is some break, and only what decides is asked', () => {
  for (const kind of FINDING_KINDS) for (const part of FINDING_PARTS) expect(BREAKS).toContain(breakOf(kind, part));
  expect(breakOf('missing', 'foot or pad')).toBe('foot worn or gone');
  expect(breakOf('missing', 'case')).toBe('missing');
  expect(sizesFor('missing', 'hinge')).toEqual([]);
  expect(sizesFor('crack', 'screw')).toContain('holeMm');
  expect(sizesFor('broken off', 'hinge')).toContain('stubMm');
  expect(loadOf({ load: 'snaps', loadN: null })).toBe(25);
});

it('of a kind that wears out the stronger make is offered first, and one as it was is said to break again', () => {
  const clip: Damage = { ...CRACK, kind: 'missing', load: 'snaps' };
  const ways = (damage: Damage) => chooseRepair(damage, NOBODY).options;
  expect(ways({ ...clip, wearsOut: true })[0]!.way).toMatch(/printed part|metal part/);
  const donor = (damage: Damage) => ways(damage).find(({ way }) => way === 'donor part')!;
  expect(donor({ ...clip, wearsOut: true }).odds).toBeLessThan(donor(clip).odds);
  expect(donor({ ...clip, wearsOut: true }).notes.join()).toContain('breaks as it did');
  // To the honest the order stays what it counts for.
  const honest = chooseRepair({ ...clip, wearsOut: true }, { ...NOBODY, school: 'honest' }).options.map(
    ({ counts }) => counts,
  );
  expect(honest).toEqual([...honest].sort((a, b) => a - b));
});

it('a window is lifted no warmer than its plastic bears, and hard glue is said to win', () => {
  const window: Damage = { ...CRACK, kind: 'window to come out', load: 'nothing' };
  const lift = (changes: Partial<Damage>) =>
    chooseRepair({ ...window, ...changes }, NOBODY).options.find(({ way }) => way === 'warm and lift')!;
  expect(lift({ plastic: 'acrylic' }).notes).toEqual(['Warm the rim to 60 °C, no warmer.']);
  expect(lift({ plastic: 'not known' }).notes[0]).toContain('45 °C');
  expect(lift({ windowGlue: 'hard glue' }).odds).toBeLessThan(lift({}).odds);
  expect(lift({}).odds).toBeLessThan(lift({ windowGlue: 'tape' }).odds);
});
