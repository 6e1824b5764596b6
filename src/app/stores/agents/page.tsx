import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { agentIds, agentOf } from '@/core/materials/agents';
import { ROUGHNESS } from '@/core/materials/roughness';
import { SURFACE_IDS, surfaceIds, surfaceOf, type SurfaceId } from '@/core/materials/surfaces';
import { verdictOn } from '@/core/materials/verdicts';
import { FAMILIES, FAMILY_NAMES } from '@/core/materials/families';
import { SOIL_IDS, soilOf } from '@/core/cleaning/soils';
import { ownKnowledge } from '@/data/cleaning';
import { AgentsScreen, type AgentRow } from '@/stores/AgentsScreen';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

export const metadata: Metadata = { title: 'Cleaning agents' };

export default async function AgentsPage({ searchParams }: { searchParams: Promise<{ surface?: string }> }) {
  await needsEntered();
  const { surface: asked } = await searchParams;
  const own = await ownKnowledge();
  const surface = surfaceIds(own.surfaces).find((id) => id === asked) ?? 'abs-textured';
  const label = (id: SurfaceId) => ({ value: id, label: surfaceOf(id, own.surfaces).title });
  const rows = agentIds(own.agents)
    .map((agent): AgentRow => {
      const { title, does, roughness, source } = agentOf(agent, own.agents);
      const { verdict, reason } = verdictOn(agent, surface, own);
      return { agent, title, does, roughness, source, own: !own.off.includes(agent), verdict, reason };
    })
    .sort((a, b) => a.roughness - b.roughness);
  return (
    <>
      <ScreenHead
        title="Cleaning agents"
        lead={<TextLink href="/stores">Stores</TextLink>}
        under="What may touch what, and why. Follow the product’s sheet and your local rules."
      />
      <AgentsScreen
        surface={surface}
        surfaces={surfaceIds(own.surfaces).map(label)}
        known={SURFACE_IDS.map(label)}
        families={FAMILY_NAMES.map((value) => ({ value, label: FAMILIES[value] }))}
        soils={SOIL_IDS.map((value) => ({ value, label: soilOf(value).title }))}
        rows={rows}
        meanings={ROUGHNESS}
      />
    </>
  );
}
