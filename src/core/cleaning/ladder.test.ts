import fc from 'fast-check';
import { AIMS } from '../intake/aim';
import { SEVERITIES } from '../intake/findings';
import { AGENT_IDS, agentIds, agentOf, leastRoughness, type AgentId, type OwnAgent } from '../materials/agents';
import { FAMILY_NAMES } from '../materials/families';
import {
  areTwins,
  chosenTogether,
  cleaningLadder,
  expectedMinutes,
  NOTHING_OWN,
  VISIBLE,
  worthOf,
  type OwnKnowledge,
  type Spot,
} from './ladder';
import { mixture } from '../materials/mixing';
import { chanceOf, OUTCOMES, type Tried } from './outcomes';
import { nextRung, planPiece, skippedBy } from './plan';
import { SOIL_IDS } from './soils';
import { SURFACE_IDS } from '../materials/surfaces';
import { verdictOn } from '../materials/verdicts';

const SPOT: Spot = {
  soil: 'hand-grease',
  surfaces: ['abs-textured'],
  severity: 'plain',
  visible: 'front',
  aim: 'presentable',
  paperLabel: '',
  metalInside: '',
};

const OWN_SURFACE = 'own-surface' as const;
const WITH_SURFACE: OwnKnowledge = {
  ...NOTHING_OWN,
  surfaces: [{ id: OWN_SURFACE, title: 'Rubber paint', like: 'painted-plastic' }],
};
const anySpot: fc.Arbitrary<Spot> = fc.record({
  soil: fc.constantFrom(...SOIL_IDS),
  surfaces: fc.uniqueArray(fc.constantFrom(...SURFACE_IDS, OWN_SURFACE), { minLength: 1, maxLength: 3 }),
  severity: fc.constantFrom(...SEVERITIES),
  visible: fc.constantFrom(...VISIBLE),
  aim: fc.constantFrom(...AIMS),
  paperLabel: fc.constantFrom('', 'serial label'),
  metalInside: fc.constantFrom('', 'shield'),
});
const anyTried: fc.Arbitrary<Tried[]> = fc.array(
  fc.record({
    agent: fc.constantFrom(...AGENT_IDS),
    soil: fc.constantFrom(...SOIL_IDS),
    surface: fc.constantFrom(...SURFACE_IDS),
    outcome: fc.constantFrom(...OUTCOMES),
    times: fc.integer({ min: 1, max: 4 }),
  }),
  { maxLength: 20 },
);
/** Whatever a workshop may add: any ingredients, as rough as they are at least, for any soils. */
const anyOwnAgent: fc.Arbitrary<OwnAgent> = fc
  .record({
    id: fc.constantFrom('own-a' as const, 'own-b' as const, 'own-c' as const),
    families: fc.uniqueArray(fc.constantFrom(...FAMILY_NAMES), { minLength: 1, maxLength: 3 }),
    wet: fc.constantFrom('dry' as const, 'damp' as const, 'bath' as const),
    takes: fc.dictionary(fc.constantFrom(...SOIL_IDS), fc.constantFrom(0.25, 0.5, 0.8)),
  })
  .map((own) => ({
    ...agentOf('soap-soak'),
    title: own.id,
    roughness: leastRoughness(own.families),
    source: 'this workshop',
    ...own,
  }));
const anyOwn: fc.Arbitrary<OwnKnowledge> = fc.record({
  tried: anyTried,
  verdicts: fc.array(
    fc.record({
      agent: fc.constantFrom(...AGENT_IDS),
      surface: fc.constantFrom(...SURFACE_IDS),
      verdict: fc.constantFrom('test first' as const, 'never' as const),
      reason: fc.constant('seen here'),
    }),
    { maxLength: 8 },
  ),
  off: fc.uniqueArray(fc.constantFrom(...AGENT_IDS), { maxLength: 30 }),
  agents: fc.uniqueArray(anyOwnAgent, { maxLength: 3, selector: ({ id }) => id }),
  surfaces: fc.constant(WITH_SURFACE.surfaces),
});
const agents = (spot: Spot, own = WITH_SURFACE) => cleaningLadder(spot, own).rungs.map(({ agent }) => agent);

describe('the laws of the ladder', () => {
  it('holds no forbidden pair of agent and surface, no forbidden mixture, and nothing that is switched off', () => {
    fc.assert(
      fc.property(anySpot, anyOwn, (spot, own) => {
        const rungs = agents(spot, own);
        for (const agent of rungs) {
          for (const surface of spot.surfaces) expect(verdictOn(agent, surface, own).verdict).not.toBe('never');
          for (const other of rungs) expect(mixture(agent, other, own.agents).together).not.toBe('never together');
          expect(own.off).not.toContain(agent);
          if (spot.metalInside) expect(agentOf(agent, own.agents).wet).not.toBe('bath');
        }
      }),
      { numRuns: 400 },
    );
  });

  it('goes from gentle to rough, and says why each agent that could take the soil is not on it', () => {
    fc.assert(
      fc.property(anySpot, anyOwn, (spot, own) => {
        const { rungs, ruledOut } = cleaningLadder(spot, own);
        const rough = rungs.map(({ agent }) => agentOf(agent, own.agents).roughness);
        expect(rough).toEqual([...rough].sort((a, b) => a - b));
        const could = agentIds(own.agents).filter((agent) => {
          const { meantFor } = agentOf(agent, own.agents);
          const meant = !meantFor || spot.surfaces.some((surface) => meantFor.includes(surface));
          return meant && chanceOf(agent, spot.soil, [], own.agents) !== null;
        });
        expect([...rungs, ...ruledOut].map(({ agent }) => agent).sort()).toEqual(could.sort());
      }),
    );
  });

  it('the rungs that stand are the best set of all, by the worth of the whole row', () => {
    const rung = fc.record({
      gain: fc.double({ min: 0, max: 120, noNaN: true }),
      cost: fc.double({ min: 1, max: 60, noNaN: true }),
      mean: fc.double({ min: 0.02, max: 0.98, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(rung, { maxLength: 9 }), fc.nat(3), (row, forced) => {
        const candidates = row.map(({ gain, cost, mean }) => ({
          merit: gain * mean - cost,
          rung: { chance: { mean } },
        }));
        const worth = (stands: readonly boolean[]) =>
          candidates.reduceRight(
            (after, { merit, rung: { chance } }, i) => (stands[i] ? merit + (1 - chance.mean) * after : after),
            0,
          );
        const found = worth(chosenTogether(candidates, forced));
        for (let set = 0; set < 1 << row.length; set++) {
          const stands = row.map((_, i) => i < forced || ((set >> i) & 1) === 1);
          expect(worth(stands)).toBeLessThanOrEqual(found + 1e-9);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('what was left out would have made it worth less', () => {
    const spot: Spot = { ...SPOT, soil: 'nicotine' };
    const { rungs, ruledOut } = cleaningLadder(spot);
    const without = ruledOut.filter(({ because }) => because === 'together').map(({ agent }) => agent);
    expect(without).toContain('soap-wipe');
    expect(ruledOut.find(({ agent }) => agent === 'soap-wipe')!.why).toMatch(
      /^Quicker without: what follows does as well/,
    );
    // Alone it would be worth it.
    const alone = AGENT_IDS.filter((agent) => agent !== 'soap-wipe');
    expect(agents(spot, { ...NOTHING_OWN, off: alone })).toEqual(['soap-wipe']);
    expect(rungs.length).toBeGreaterThan(1);
  });

  it('a stricter aim never skips a rung that a lesser one takes', () => {
    fc.assert(
      fc.property(anySpot, anyOwn, fc.nat(AIMS.length - 2), (spot, own, aim) => {
        const lesser = agents({ ...spot, aim: AIMS[aim]! }, own);
        const stricter = agents({ ...spot, aim: AIMS[aim + 1]! }, own);
        for (const agent of lesser) expect(stricter).toContain(agent);
      }),
    );
  });

  it('a piece with two surfaces gets only what both allow', () => {
    fc.assert(
      fc.property(anySpot, (spot) => {
        const both = agents(spot);
        for (const surface of spot.surfaces) {
          const one = cleaningLadder({ ...spot, surfaces: [surface] }, WITH_SURFACE);
          const forbidden = one.ruledOut.filter(({ because }) => because === 'surface').map(({ agent }) => agent);
          for (const agent of both) expect(forbidden).not.toContain(agent);
        }
      }),
    );
  });

  it('a spot that is seen less is never worked rougher', () => {
    fc.assert(
      fc.property(anySpot, (spot) => {
        const [front, underside, hidden] = VISIBLE.map((visible) => agents({ ...spot, visible }));
        for (const agent of hidden!) expect(underside).toContain(agent);
        for (const agent of underside!) expect(front).toContain(agent);
      }),
    );
  });
});

describe('danger to the person', () => {
  it('no strong acid stands before anything gentler that may be tried, whatever its minutes', () => {
    fc.assert(
      fc.property(anySpot, anyOwn, (spot, own) => {
        const { rungs, ruledOut } = cleaningLadder(spot, own);
        const at = rungs.findIndex(({ agent }) => agent === 'hydrochloric-acid');
        if (at < 0) return;
        expect(at).toBe(rungs.length - 1);
        for (const { agent, because } of ruledOut)
          if (because === 'worth')
            expect(agentOf(agent, own.agents).roughness).toBeGreaterThanOrEqual(agentOf('hydrochloric-acid').roughness);
      }),
      { numRuns: 400 },
    );
  });

  it('a rust stain at the front begins with soap, and its acid comes last', () => {
    const rungs = agents({ ...SPOT, soil: 'rust-stain', severity: 'bad' });
    expect(rungs[0]).toBe('soap-soak');
    expect(rungs.slice(-1)).toEqual(['hydrochloric-acid']);
    expect(rungs).toEqual(expect.arrayContaining(['vinegar', 'descaler']));
  });

  it('no leak begins with a dry brush, whatever it lies on', () => {
    for (const soil of ['alkaline-leak', 'acid-leak'] as const)
      for (const surface of SURFACE_IDS) {
        const [first] = agents({ ...SPOT, soil, surfaces: [surface] });
        if (first) expect(agentOf(first).families).not.toContain('brush');
      }
  });
});

describe('what did nothing on this very spot', () => {
  it('a twin of it loses chance, and others do not', () => {
    const stain: Spot = { ...SPOT, soil: 'rust-stain', severity: 'bad', aim: 'as new' };
    const chance = (failed: AgentId[], agent: AgentId) =>
      cleaningLadder({ ...stain, failed }).rungs.find((rung) => rung.agent === agent)?.chance.mean;
    expect(chance([], 'bathroom-acid')).toBeCloseTo(0.3);
    // A third of the chance is left: here the number that says so decides that it still stands before the strong acid.
    expect(chance(['descaler'], 'bathroom-acid')).toBeCloseTo(0.3 * 0.35);
    expect(chance(['descaler'], 'vinegar')).toBe(chance([], 'vinegar'));
    expect(areTwins('vinegar', 'citric-acid')).toBe(true);
    expect(areTwins('soap-wipe', 'enzyme-wipe')).toBe(false);
    expect(areTwins('soft-brush', 'dry-cloth')).toBe(false);
    expect(areTwins('isopropyl', 'isopropyl')).toBe(false);
  });

  it('falls off the ladder where what is left of its chance is not worth it', () => {
    const grease: Spot = { ...SPOT, soil: 'mineral-scale', visible: 'underside', aim: 'clean only' };
    expect(agents(grease)).toContain('citric-acid');
    expect(agents({ ...grease, failed: ['vinegar'] })).not.toContain('citric-acid');
  });
});

describe('the next rung', () => {
  it('is the first untried one on every ladder of the data set, so that none is jumped over', () => {
    let ladders = 0;
    for (const soil of SOIL_IDS)
      for (const surface of SURFACE_IDS) {
        const ladder = cleaningLadder({ ...SPOT, soil, surfaces: [surface] });
        if (ladder.rungs.length === 0) continue;
        ladders++;
        const done: { agent: AgentId; outcome: 'no change' }[] = [];
        const offered: AgentId[] = [];
        for (let next = nextRung(ladder, done); next; next = nextRung(ladder, done)) {
          offered.push(next.agent);
          done.push({ agent: next.agent, outcome: 'no change' });
        }
        expect(offered).toEqual(ladder.rungs.map(({ agent }) => agent));
      }
    expect(ladders).toBeGreaterThan(100);
  });

  it('goes back to the gentlest untried one after a rougher was taken by hand, and says what that skips', () => {
    const ladder = cleaningLadder({ ...SPOT, soil: 'rust-stain', severity: 'bad' });
    const [first, second, third] = ladder.rungs.map(({ agent }) => agent) as [AgentId, AgentId, AgentId];
    expect(skippedBy(ladder, [], third)).toEqual([first, second]);
    expect(skippedBy(ladder, [{ agent: first }], third)).toEqual([second]);
    expect(skippedBy(ladder, [], first)).toEqual([]);
    expect(nextRung(ladder, [{ agent: third, outcome: 'no change' }])!.agent).toBe(first);
  });
});

describe('the order inside one roughness', () => {
  const attempt = fc.record({
    minutes: fc.double({ min: 0.5, max: 60, noNaN: true }),
    chance: fc.double({ min: 0.02, max: 0.98, noNaN: true }),
  });

  function* orders<T>(row: readonly T[]): Generator<T[]> {
    if (row.length === 0) yield [];
    for (let i = 0; i < row.length; i++)
      for (const rest of orders([...row.slice(0, i), ...row.slice(i + 1)])) yield [row[i]!, ...rest];
  }

  it('by minutes to success takes the fewest minutes of all orders, up to eight candidates', () => {
    fc.assert(
      fc.property(fc.array(attempt, { minLength: 1, maxLength: 6 }), (row) => {
        const ours = expectedMinutes([...row].sort((a, b) => a.minutes / a.chance - b.minutes / b.chance));
        for (const order of orders(row)) expect(ours).toBeLessThanOrEqual(expectedMinutes(order) + 1e-9);
      }),
      { numRuns: 30 },
    );
    const eight = Array.from({ length: 8 }, (_, i) => ({ minutes: 1 + ((i * 7) % 11), chance: 0.05 + 0.11 * i }));
    let best = Infinity;
    for (const order of orders(eight)) best = Math.min(best, expectedMinutes(order));
    expect(expectedMinutes([...eight].sort((a, b) => a.minutes / a.chance - b.minutes / b.chance))).toBeCloseTo(
      best,
      9,
    );
  });

  it('follows this workshop’s own outcomes, and says so', () => {
    const film: Spot = { ...SPOT, soil: 'nicotine' };
    expect(agents(film).filter((agent) => agentOf(agent).roughness === 4)).toEqual([
      'kitchen-degreaser',
      'sugar-soap',
      'oxygen-soak',
    ]);
    const tried: Tried[] = [
      { agent: 'kitchen-degreaser', soil: 'nicotine', surface: 'abs-textured', outcome: 'no change', times: 6 },
    ];
    const ladder = cleaningLadder(film, { ...NOTHING_OWN, tried });
    expect(ladder.rungs.filter(({ agent }) => agentOf(agent).roughness === 4).map(({ agent }) => agent)[0]).toBe(
      'sugar-soap',
    );
    expect(ladder.rungs.find(({ agent }) => agent === 'kitchen-degreaser')!.why).toContain(
      'Your own 6 passes say 28 %, the data set 70 %.',
    );
  });

  it('the posterior lies between the data set and what was seen, and nears it', () => {
    fc.assert(
      fc.property(fc.constantFrom(...SOIL_IDS), fc.integer({ min: 1, max: 60 }), (soil, passes) => {
        const agent = AGENT_IDS.find((id) => chanceOf(id, soil, []) !== null)!;
        const all = (outcome: 'gone' | 'no change') =>
          chanceOf(agent, soil, [{ agent, soil, surface: 'abs-textured', outcome, times: passes }])!;
        const { prior } = all('gone');
        expect(all('gone').mean).toBeGreaterThan(prior);
        expect(all('no change').mean).toBeLessThan(prior);
        if (passes > 40) expect(all('gone').mean).toBeGreaterThan(0.9);
      }),
    );
  });
});

describe('when to stop', () => {
  it('a rust stain underneath is left, at the front of a machine made as new it goes to the acid', () => {
    const stain: Spot = { ...SPOT, soil: 'rust-stain' };
    const below = cleaningLadder({ ...stain, visible: 'underside' });
    expect(below.rungs).toEqual([]);
    expect(below.end).toBe('not worth it');
    const front = agents({ ...stain, severity: 'bad', aim: 'as new' });
    expect(front.at(-1)).toBe('hydrochloric-acid');
  });

  it('what eats on is never left for looks', () => {
    const leak: Spot = {
      ...SPOT,
      soil: 'alkaline-leak',
      surfaces: ['circuit-board'],
      visible: 'hidden',
      aim: 'keep the age',
      severity: 'slight',
    };
    // Neutralised weakly and dabbed, rinsed with pure water, dried with alcohol: boards are never wetted.
    expect(agents(leak)).toEqual(['dabbed-vinegar', 'isopropyl', 'glass-fibre-pen']);
    expect(agents({ ...leak, soil: 'acid-leak' })[0]).toBe('dabbed-bicarbonate');
    for (const agent of ['dabbed-vinegar', 'dabbed-bicarbonate'] as const)
      expect(agentOf(agent, []).rinse).toMatch(/pure water.*then alcohol/);
    // Alcohol does not take sugar.
    expect(agents({ ...leak, soil: 'sweet-drink', visible: 'front', severity: 'bad' })[0]).toBe('dabbed-water');
    // On a shell there are plainer ways.
    expect(agents({ ...leak, surfaces: ['abs-textured'] }).some((agent) => /dabbed/.test(agent))).toBe(false);
    expect(worthOf(leak)).toBeGreaterThan(worthOf({ ...leak, soil: 'dust' }));
  });

  it('a soil that nothing safe takes is said to be one, with a specialist where it harms', () => {
    expect(cleaningLadder({ ...SPOT, soil: 'cured-glue', surfaces: ['printed-membrane', 'paper-label'] }).end).toBe(
      'nothing may',
    );
    expect(cleaningLadder({ ...SPOT, soil: 'sweet-drink', surfaces: ['printed-membrane', 'paper-label'] }).end).toBe(
      'specialist',
    );
  });

  it('a label is covered, metal inside keeps the bath away and names what to do', () => {
    const { rungs } = cleaningLadder({ ...SPOT, soil: 'general-grime', paperLabel: 'serial label' });
    expect(rungs.find(({ agent }) => agent === 'soap-soak')!.masks[0]).toMatch(
      /^serial label: lift it, or tape it over whole/,
    );
    const { ruledOut } = cleaningLadder({ ...SPOT, metalInside: 'inner shield' });
    expect(ruledOut.find(({ agent }) => agent === 'soap-soak')!.why).toBe(
      'Metal still inside: inner shield. Take it out under Teardown before anything goes into a bath.',
    );
  });
});

describe('a piece with several spots', () => {
  const spot = (id: string, rest: Partial<Spot>) => ({ ...SPOT, ...rest, id, name: id });

  it('does once what serves several, gentlest first, and never holds what may not meet', () => {
    const { steps } = planPiece(
      [
        spot('grime', { soil: 'general-grime' }),
        spot('drink', { soil: 'sweet-drink' }),
        spot('marker', { soil: 'marker' }),
      ],
      NOTHING_OWN,
    );
    expect(steps.find(({ agent }) => agent === 'soap-soak')!.spots).toEqual(['grime', 'drink']);
    expect(new Set(steps.map(({ agent }) => agent)).size).toBe(steps.length);
    fc.assert(
      fc.property(fc.array(anySpot, { minLength: 1, maxLength: 4 }), anyOwn, (spots, own) => {
        const plan = planPiece(
          spots.map((given, i) => ({ ...given, id: String(i), name: String(i) })),
          own,
        ).steps.map(({ agent }) => agent);
        for (const a of plan)
          for (const b of plan) expect(mixture(a, b, own.agents).together).not.toBe('never together');
        const rough = plan.map((agent) => agentOf(agent, own.agents).roughness);
        expect(rough).toEqual([...rough].sort((a, b) => a - b));
      }),
    );
  });

  it('no change steps up, better may be done again once, gone and harmed end it', () => {
    const ladder = cleaningLadder(SPOT);
    const [first, second] = ladder.rungs.map(({ agent }) => agent) as [AgentId, AgentId];
    expect(nextRung(ladder, [])!.agent).toBe(first);
    expect(nextRung(ladder, [{ agent: first, outcome: 'no change' }])!.agent).toBe(second);
    expect(nextRung(ladder, [{ agent: first, outcome: 'better' }])!.agent).toBe(first);
    expect(
      nextRung(ladder, [
        { agent: first, outcome: 'better' },
        { agent: first, outcome: 'better' },
      ])!.agent,
    ).toBe(second);
    expect(nextRung(ladder, [{ agent: first, outcome: 'gone' }])).toBeNull();
    expect(nextRung(ladder, [{ agent: first, outcome: 'harmed' }])).toBeNull();
    expect(
      nextRung(
        ladder,
        ladder.rungs.map(({ agent }) => ({ agent, outcome: 'no change' as const })),
      ),
    ).toBeNull();
  });
});
