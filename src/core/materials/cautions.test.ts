import { AGENT_IDS, agentOf, type AgentId } from './agents';
import type { SoilId } from '../cleaning/soils';
import type { SurfaceId } from './surfaces';
import { cautionsFor } from './cautions';

const of = (agent: AgentId, soils: SoilId[] = [], surfaces: SurfaceId[] = [], marks: string[] = []) =>
  cautionsFor(agentOf(agent), soils, surfaces, marks);
const hazards = (...given: Parameters<typeof of>) =>
  of(...given)
    .map(({ hazard }) => hazard)
    .join(' ');

it('every acid, bleach, peroxide, alkali and solvent stands behind its caution', () => {
  for (const agent of AGENT_IDS) {
    const risky = agentOf(agent).families.some((family) =>
      /acid|chlorine|peroxide|^alkali|alcohol|volatile|citrus|spirit|ketone|oil|blade|sanding|wire|fibre/i.test(family),
    );
    expect([agent, of(agent).length > 0]).toEqual([agent, risky || agent === 'warm-air']);
  }
});

it('names what never to combine, the soil that harms, and static at a board', () => {
  expect(of('vinegar')[0]!.never).toMatch(/Never with chlorine bleach: poison gas\. Never with peroxide/);
  expect(hazards('soap-wipe', ['mould', 'mould'], [])).toBe(
    'Mould: mask and gloves, outdoors or with an open window; wipe it wet, never brush it dry.',
  );
  expect(hazards('isopropyl', ['alkaline-leak'], ['circuit-board'])).toMatch(/caustic.*fire and fumes.*Static/);
  expect(of('hydrochloric-acid')[0]!.severity).toBe('strong');
});

it('a mark to keep stands before every pass, and says that it is covered', () => {
  const [mark] = of('soap-wipe', [], [], ['school sticker']);
  expect(mark).toMatchObject({
    hazard: 'Keep this mark: school sticker.',
    protection: expect.stringContaining('tape or film over it'),
  });
});
