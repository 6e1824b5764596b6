import { AGENT_IDS, agentOf } from './agents';
import { cautionsFor } from './cautions';

const hazards = (...given: Parameters<typeof cautionsFor>) =>
  cautionsFor(...given)
    .map(({ hazard }) => hazard)
    .join(' ');

it('every acid, bleach, peroxide, alkali and solvent stands behind its caution', () => {
  for (const agent of AGENT_IDS) {
    const risky = agentOf(agent).families.some((family) =>
      /acid|chlorine|peroxide|^alkali|alcohol|volatile|citrus|spirit|ketone|oil|blade|sanding|wire|fibre/i.test(family),
    );
    expect([agent, cautionsFor(agent, [], []).length > 0]).toEqual([agent, risky || agent === 'warm-air']);
  }
});

it('names what never to combine, the soil that harms, and static at a board', () => {
  expect(cautionsFor('vinegar', [], [])[0]!.never).toMatch(/Never with chlorine bleach: poison gas\. Never with peroxide/);
  expect(hazards('soap-wipe', ['mould', 'mould'], [])).toBe(
    'Mould: mask and gloves, outdoors or with an open window; wipe it wet, never brush it dry.',
  );
  expect(hazards('isopropyl', ['alkaline-leak'], ['circuit-board'])).toMatch(/caustic.*fire and fumes.*Static/);
  expect(cautionsFor('hydrochloric-acid', [], [])[0]!.severity).toBe('strong');
});
