import type { LadderEnd } from '@/core/cleaning/ladder';
import { agentOf, type AgentId } from '@/core/materials/agents';
import { inSentence } from '@/core/materials/inSentence';
import { bathWords } from '@/core/cleaning/loads';
import { skippedBy } from '@/core/cleaning/plan';
import { cautionsFor } from '@/core/materials/cautions';
import type { OwnKnowledge, Visible } from '@/core/cleaning/ladder';
import { SOIL_IDS, soilOf, type SoilId } from '@/core/cleaning/soils';
import type { FindingKind } from '@/core/intake/findings';
import type { Caution } from '@/core/peroxide/cautions';
import type { UnitSystem } from '@/core/units';
import type { Timer } from '@/data/rows';
import type { WashSpot } from '@/work/wash/spots';

/** What the screens of the wash show, in words: the data set itself stays on the server. */
export interface RungView {
  agent: AgentId;
  title: string;
  roughness: number;
  chance: number;
  minutes: number;
  why: string;
  testSpot: string | null;
  state: 'done' | 'running' | 'next' | 'ahead';
  outcomes: string[];
  /** The pass that it comes to where it is taken by hand, with a word on what that skips; `null` where it cannot be begun now. */
  byHand: PassView | null;
}

export interface SpotView {
  id: string;
  place: string;
  name: string;
  severity: string;
  visible: Visible;
  soil: SoilId | null;
  soilTitle: string | null;
  /** Soils that a finding of this kind may be, the likely ones first. */
  choices: { value: SoilId; label: string; looks: string }[];
  settled: string | null;
  rungs: RungView[];
  ruledOut: { title: string; why: string }[];
  end: LadderEnd | null;
}

/** One pass: an agent over all spots of a piece that are that far. */
export interface PassView {
  agent: AgentId;
  title: string;
  does: string;
  place: string;
  dwellMin: number;
  handsMin: number;
  rinse: string;
  protection: string;
  bath: string | null;
  why: string;
  testSpots: string[];
  masks: string[];
  between: string[];
  cautions: Caution[];
  spots: { id: string; name: string; stepId: string | null }[];
  /** The timer of a pass that runs. */
  dueAt: string | null;
}

const spotName = ({ finding: { words, kind } }: WashSpot) => words || kind;
const placeOf = ({ piece }: WashSpot) => (piece ? `${piece.tag} ${piece.name}` : 'the machine');

function choicesFor(kind: FindingKind): SpotView['choices'] {
  const likely = SOIL_IDS.filter((id) => soilOf(id).of.includes(kind));
  const rest = SOIL_IDS.filter((id) => !likely.includes(id));
  return [...likely, ...rest].map((value) => ({ value, label: soilOf(value).title, looks: soilOf(value).looks }));
}

/** A spot as its ladder, with how far it has come. */
export function spotView(of: WashSpot, own: OwnKnowledge, units: UnitSystem = 'metric'): SpotView {
  const { agents } = own;
  const { finding, ladder, done, running, next } = of;
  const rungs = (ladder?.rungs ?? []).map(({ agent, chance, minutes, why, testSpot }): RungView => {
    const { title, roughness } = agentOf(agent, agents);
    const outcomes = done.filter((step) => step.agent === agent).map(({ outcome }) => outcome ?? '');
    const state =
      running?.agent === agent ? 'running' : next?.agent === agent ? 'next' : outcomes.length > 0 ? 'done' : 'ahead';
    const takes = ladder !== null && running === null && finding.settledAs === null && state !== 'next';
    return {
      agent,
      title,
      roughness,
      chance: chance.mean,
      minutes,
      why,
      testSpot,
      state,
      outcomes,
      byHand: takes ? byHandOf(of, agent, own, units) : null,
    };
  });
  return {
    id: finding.id,
    place: placeOf(of),
    name: spotName(of),
    severity: finding.severity,
    visible: finding.visible,
    soil: finding.soil,
    soilTitle: finding.soil && soilOf(finding.soil).title,
    choices: choicesFor(finding.kind),
    settled: finding.settledAs && `${finding.settledAs}${finding.settledWords ? `: ${finding.settledWords}` : ''}`,
    rungs,
    ruledOut: (ladder?.ruledOut ?? []).map(({ agent, why }) => ({ title: agentOf(agent, agents).title, why })),
    end: ladder?.end ?? null,
  };
}

/** Whether an agent stands on the ladder of a spot and was not tried there yet. */
const isAhead = ({ ladder, done }: WashSpot, agent: AgentId): boolean =>
  (ladder?.rungs.some((rung) => rung.agent === agent) ?? false) && !done.some((step) => step.agent === agent);

function passOf(
  id: AgentId,
  spots: readonly WashSpot[],
  timers: readonly Timer[],
  { agents }: OwnKnowledge,
  units: UnitSystem,
): PassView {
  const agent = agentOf(id, agents);
  const { title, does, dwellMin, handsMin, rinse, protection } = agent;
  const rungs = spots.flatMap(({ ladder }) => ladder?.rungs.filter((rung) => rung.agent === id) ?? []);
  const unique = (words: (string | null)[]) => [...new Set(words.filter((word): word is string => word !== null))];
  const timer = timers.find(({ id }) => spots.some(({ running }) => running?.timerId === id));
  return {
    agent: id,
    title,
    does,
    place: placeOf(spots[0]!),
    dwellMin,
    handsMin,
    rinse,
    protection,
    bath: bathWords(agent, units),
    why: rungs[0]?.why ?? '',
    testSpots: unique(rungs.map(({ testSpot }) => testSpot)),
    masks: unique(rungs.flatMap(({ masks }) => masks)),
    between: unique(rungs.map(({ between }) => between)),
    cautions: cautionsFor(
      agent,
      spots.flatMap(({ spot }) => (spot ? [spot.soil] : [])),
      spots.flatMap(({ spot }) => spot?.surfaces ?? []),
      spots[0]!.marks,
    ),
    spots: spots.map((of) => ({
      id: of.finding.id,
      name: spotName(of),
      stepId: of.running?.id ?? null,
    })),
    dueAt: timer?.dueAt ?? null,
  };
}

/** A pass of a rung that is not the next, for one spot. */
function byHandOf(of: WashSpot, agent: AgentId, own: OwnKnowledge, units: UnitSystem): PassView {
  const pass = passOf(agent, [of], [], own, units);
  const skipped = skippedBy(of.ladder!, of.done, agent).map((id) => inSentence(agentOf(id, own.agents).title));
  const words =
    skipped.length === 0
      ? []
      : [
          `Taken by hand: this skips ${skipped.join(', ')}, which ${skipped.length === 1 ? 'is' : 'are'} gentler and untried here.`,
        ];
  return { ...pass, between: [...words, ...pass.between] };
}

/** Spots that are the same far, gathered: what runs first, then what can be started, the gentlest first. */
export function passes(
  spots: readonly WashSpot[],
  timers: readonly Timer[],
  own: OwnKnowledge,
  units: UnitSystem,
): { running: PassView[]; next: PassView[] } {
  const gathered = (agentFor: (of: WashSpot) => AgentId | undefined, sharesBath: boolean): PassView[] => {
    const groups = new Map<string, { agent: AgentId; spots: WashSpot[] }>();
    for (const of of spots) {
      const agent = agentFor(of);
      if (!agent) continue;
      const key = `${of.piece?.id ?? ''}:${agent}`;
      groups.set(key, { agent, spots: [...(groups.get(key)?.spots ?? []), of] });
    }
    // A bath that is still to come goes over the whole piece: what else on it is on a ladder with it is done in the same one.
    for (const { agent, spots: group } of sharesBath ? groups.values() : [])
      if (agentOf(agent, own.agents).wet === 'bath')
        group.push(
          ...spots.filter(
            (of) => of.next && of.piece?.id === group[0]!.piece?.id && !group.includes(of) && isAhead(of, agent),
          ),
        );
    return [...groups.values()]
      .sort((x, y) => agentOf(x.agent, own.agents).roughness - agentOf(y.agent, own.agents).roughness)
      .map((group) => passOf(group.agent, group.spots, timers, own, units));
  };
  return { running: gathered(({ running }) => running?.agent, false), next: gathered(({ next }) => next?.agent, true) };
}
