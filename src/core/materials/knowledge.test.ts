import { AGENT_IDS, agentOf } from './agents';
import { FAMILY_NAMES } from './families';
import { mixture, mixtureOf, refusedBeside } from './mixing';
import { ROUGHNESS } from './roughness';
import { SOIL_IDS, soilOf } from '../cleaning/soils';
import { SURFACE_IDS, surfaceOf, type SurfaceId } from './surfaces';
import { lowered, NO_SUBJECTS, verdictOn } from './verdicts';

const verdict = (agent: (typeof AGENT_IDS)[number], surface: SurfaceId) => verdictOn(agent, surface).verdict;

describe('the data set is whole', () => {
  it('has its soils, surfaces and agents', () => {
    expect(SOIL_IDS.length).toBeGreaterThanOrEqual(20);
    expect(SURFACE_IDS.length).toBeGreaterThanOrEqual(20);
    expect(AGENT_IDS.length).toBeGreaterThanOrEqual(30);
    expect(ROUGHNESS).toHaveLength(10);
  });

  it.each(SURFACE_IDS)('%s: every family stands in exactly one list', (id) => {
    const { fine, test, never } = surfaceOf(id);
    const all = [...fine, ...Object.keys(test), ...Object.keys(never)].sort();
    expect(all).toEqual([...FAMILY_NAMES].sort());
  });

  it('every pair of agent and surface has a verdict with a reason', () => {
    for (const agent of AGENT_IDS)
      for (const surface of SURFACE_IDS) {
        const { verdict: judged, reason } = verdictOn(agent, surface);
        expect(['fine', 'test first', 'never']).toContain(judged);
        expect(reason.length).toBeGreaterThan(4);
      }
  });

  it('every pair of agents has one too, the same both ways round', () => {
    for (const a of AGENT_IDS) for (const b of AGENT_IDS) expect(mixture(a, b)).toEqual(mixture(b, a));
    expect(AGENT_IDS.every((agent) => mixture(agent, agent).together === 'fine')).toBe(true);
  });

  it('every soil has a way, its chances are chances, and rougher agents never come for nothing', () => {
    for (const id of SOIL_IDS) {
      const chances = Object.values(soilOf(id).chance);
      expect(chances.length).toBeGreaterThanOrEqual(2);
      for (const chance of chances) expect(chance > 0 && chance < 1).toBe(true);
    }
    for (const id of AGENT_IDS) {
      const { handsMin, dwellMin, wet, leaves, perLitre } = agentOf(id);
      expect(handsMin > 0 && dwellMin >= 0).toBe(true);
      // A hose needs no tub and nothing mixed in.
      if (wet === 'bath' && id !== 'hose-rinse') expect(perLitre).not.toBeNull();
      if (wet !== 'dry') expect(leaves).not.toBe('nothing');
    }
  });
});

// What the craft page says ruins things, each as it says it; not derived from the tables above.
describe('what ruins things is never fine', () => {
  it.each([
    ['melamine', 'painted-plastic', 'never'],
    ['penetrating-oil', 'painted-plastic', 'never'],
    ['soap-soak', 'paper-label', 'never'],
    ['oxygen-soak', 'paper-label', 'never'],
    ['isopropyl', 'acrylic-window', 'never'],
    ['glass-cleaner', 'acrylic-window', 'never'],
    ['isopropyl', 'legend-printed', 'never'],
    ['soda-paste', 'carbon-contact', 'never'],
    ['melamine', 'carbon-contact', 'never'],
    ['blade', 'abs-textured', 'never'],
    ['soap-soak', 'bare-steel', 'never'],
    ['oxygen-soak', 'zinc-plated-steel', 'never'],
    ['soap-soak', 'circuit-board', 'never'],
    ['water-wipe', 'circuit-board', 'never'],
    ['isopropyl', 'circuit-board', 'fine'],
    ['soft-brush', 'circuit-board', 'fine'],
    ['water-wipe', 'screen-glass', 'fine'],
    ['glass-cleaner', 'screen-glass', 'never'],
    ['warm-air', 'acrylic-window', 'never'],
    ['plain-paper', 'carbon-contact', 'test first'],
    ['isopropyl', 'silicone-pad', 'fine'],
    ['soap-soak', 'abs-textured', 'fine'],
    ['oxygen-soak', 'abs-textured', 'test first'],
    ['acetone', 'abs-textured', 'never'],
    ['plastic-polish', 'acrylic-window', 'test first'],
    ['hydrochloric-acid', 'abs-textured', 'test first'],
    ['dry-cloth', 'circuit-board', 'never'],
    ['vacuum-brush', 'circuit-board', 'test first'],
    ['glass-cleaner', 'polycarbonate', 'test first'],
  ] as const)('%s on %s: %s', (agent, surface, judged) => expect(verdict(agent, surface)).toBe(judged));

  it('no abrasive is fine on a print, a coat, a window, a contact or a screen', () => {
    const rough = AGENT_IDS.filter((id) =>
      agentOf(id).families.some((family) =>
        ['micro', 'abrasive', 'sanding', 'wire', 'fibre', 'blade'].includes(family),
      ),
    );
    const coats: SurfaceId[] = [
      'legend-printed',
      'painted-plastic',
      'painted-steel',
      'plated-plastic',
      'acrylic-window',
      'carbon-contact',
      'printed-membrane',
      'paper-label',
      'foil-badge',
      'screen-glass',
      'wood',
    ];
    for (const agent of rough)
      for (const surface of coats) expect([agent, surface, verdict(agent, surface)]).toEqual([agent, surface, 'never']);
  });

  it('no acid or peroxide is fine on metal, no water on what it destroys, no solvent on what it dissolves', () => {
    const having = (...families: string[]) =>
      AGENT_IDS.filter((id) => agentOf(id).families.some((family) => families.includes(family)));
    const fine = (agents: readonly (typeof AGENT_IDS)[number][], surfaces: SurfaceId[]) =>
      agents.flatMap((agent) =>
        surfaces.filter((surface) => verdict(agent, surface) === 'fine').map((surface) => `${agent} on ${surface}`),
      );
    const metals: SurfaceId[] = [
      'bare-steel',
      'zinc-plated-steel',
      'aluminium',
      'painted-steel',
      'foil-badge',
      'circuit-board',
      'printed-membrane',
      'carbon-contact',
    ];
    expect(fine(having('peroxide', 'chlorine', 'weakAcid', 'midAcid', 'strongAcid'), metals)).toEqual([]);
    expect(
      fine(having('damp', 'bath'), [
        'paper-label',
        'printed-membrane',
        'carbon-contact',
        'circuit-board',
        'bare-steel',
        'wood',
      ]),
    ).toEqual([]);
    expect(
      fine(having('citrus', 'spirit', 'ketone', 'volatile'), [
        'polystyrene',
        'polycarbonate',
        'acrylic-window',
        'abs-flame-retarded',
        'pvc-cable',
        'rubber-foot',
        'silicone-pad',
        'legend-printed',
      ]),
    ).toEqual([]);
    expect(fine(having('strongAcid', 'chlorine', 'ketone', 'blade'), [...SURFACE_IDS])).toEqual([]);
  });

  it('harm lowers a verdict by one step, and own verdicts only make it stricter', () => {
    expect(['fine', 'test first', 'never'].map((v) => lowered(v as 'fine'))).toEqual(['test first', 'never', 'never']);
    const own = {
      agent: 'isopropyl',
      surface: 'abs-textured',
      verdict: 'test first',
      reason: 'dulled a lid here',
    } as const;
    expect(verdictOn('isopropyl', 'abs-textured', { ...NO_SUBJECTS, verdicts: [own] })).toMatchObject({
      verdict: 'test first',
      reason: 'dulled a lid here',
    });
    expect(
      verdictOn('acetone', 'abs-textured', {
        ...NO_SUBJECTS,
        verdicts: [{ ...own, agent: 'acetone', verdict: 'fine' }],
      }).verdict,
    ).toBe('never');
  });
});

describe('what may never meet', () => {
  it.each([
    ['vinegar', 'chlorine-bleach', 'never together'],
    ['hydrochloric-acid', 'chlorine-bleach', 'never together'],
    ['descaler', 'oxygen-soak', 'never together'],
    ['citric-acid', 'oxygen-soak', 'never together'],
    ['chlorine-bleach', 'oxygen-soak', 'never together'],
    ['isopropyl', 'chlorine-bleach', 'never together'],
    ['kitchen-degreaser', 'chlorine-bleach', 'never together'],
    ['glass-cleaner', 'chlorine-bleach', 'never together'],
    ['acetone', 'oxygen-soak', 'never together'],
    ['hydrochloric-acid', 'sugar-soap', 'never together'],
    ['vinegar', 'kitchen-degreaser', 'rinse between'],
    ['vinegar', 'soda-paste', 'never together'],
    ['soda-paste', 'descaler', 'never together'],
    ['cream-cleanser', 'vinegar', 'never together'],
    ['cream-cleanser', 'chlorine-bleach', 'never together'],
    ['melamine', 'chlorine-bleach', 'never together'],
    ['warm-air', 'isopropyl', 'air between'],
    ['penetrating-oil', 'warm-air', 'air between'],
    ['penetrating-oil', 'isopropyl', 'fine'],
    ['soap-soak', 'isopropyl', 'fine'],
  ] as const)('%s and %s: %s', (a, b, together) => expect(mixture(a, b).together).toBe(together));

  it('looks across the whole bench: an acid is refused while peroxide or bleach is open anywhere', () => {
    const peroxide = { name: 'the exposure of K1', families: ['peroxide'] } as const;
    expect(refusedBeside('Vinegar', agentOf('vinegar').families, [peroxide])).toMatch(
      /^Vinegar does not come to a bench where the exposure of K1 is open\. Acid and peroxide/,
    );
    const solvent = { name: 'isopropyl on K2', families: agentOf('isopropyl').families };
    expect(refusedBeside('Warm air', agentOf('warm-air').families, [solvent])).toMatch(/fumes catch fire/);
    expect(refusedBeside('Dish soap', agentOf('soap-soak').families, [peroxide])).toBeNull();
    expect(mixtureOf(['air'], ['chlorine']).together).toBe('fine');
  });
});
