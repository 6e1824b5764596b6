import type { Metadata } from 'next';
import { AGENT_IDS, agentOf } from '@/core/cleaning/agents';
import { ROUGHNESS } from '@/core/cleaning/roughness';
import { SURFACE_IDS, surfaceOf } from '@/core/cleaning/surfaces';
import { verdictOn } from '@/core/cleaning/verdicts';
import { listAgentsOff, listOwnVerdicts } from '@/data/wash';
import { AgentsScreen, type AgentRow } from '@/stores/AgentsScreen';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

export const metadata: Metadata = { title: 'Cleaning agents' };

export default async function AgentsPage({ searchParams }: { searchParams: Promise<{ surface?: string }> }) {
  const { surface: asked } = await searchParams;
  const surface = SURFACE_IDS.find((id) => id === asked) ?? 'abs-textured';
  const [off, verdicts] = await Promise.all([listAgentsOff(), listOwnVerdicts()]);
  const rows = AGENT_IDS.map((agent): AgentRow => {
    const { title, does, roughness, source } = agentOf(agent);
    const { verdict, reason } = verdictOn(agent, surface, verdicts);
    return { agent, title, does, roughness, source, own: !off.some(({ id }) => id === agent), verdict, reason };
  }).sort((a, b) => a.roughness - b.roughness);
  return (
    <>
      <ScreenHead
        title="Cleaning agents"
        lead={<TextLink href="/stores">Stores</TextLink>}
        under="What may touch what, and why. Follow the product’s sheet and your local rules."
      />
      <AgentsScreen
        surface={surface}
        surfaces={SURFACE_IDS.map((value) => ({ value, label: surfaceOf(value).title }))}
        rows={rows}
        meanings={ROUGHNESS}
      />
    </>
  );
}
