import { agentOf } from '@/core/materials/agents';
import { formatMoney, roughMoney } from '@/core/ledger/money';
import { soilOf, SOIL_IDS, type SoilId } from '@/core/cleaning/soils';
import { MEND } from '@/core/mending/repair/ways';
import { SCHOOL } from '@/core/session/schools';
import { quantile } from '@/core/numbers';
import { STAGE_WORDS } from '@/core/runsheet/stages';
import type { OwnAgent } from '@/core/materials/agents';
import type { Learnt } from '@/work/learnt';
import type { ShownLearnt } from './LearntPart';

const FORECASTS = {
  dose: 'The dose a piece needs, foretold before its first session',
  minutes: 'The minutes of a task of hands',
} as const;

const soilWords = (soil: string): string =>
  (SOIL_IDS as readonly string[]).includes(soil) ? soilOf(soil as SoilId).title : soil;

const hours = (minutes: number) => `${(minutes / 60).toFixed(1)} h`;

type Looks = Learnt['returned'];

const coatWords = ({ coated }: Looks[number]) => (coated ? 'under a last coat' : 'without a last coat');

/** So many pieces stand by themselves, those that were looked at last. */
const LAST_LOOKED = 12;

/** Each way with each coat over all of its pieces, where there are several, then each of the last pieces by itself. */
function returnedShown(looks: Looks): ShownLearnt['returned'] {
  const groups = new Map<string, Looks>();
  for (const look of looks) {
    const name = `${SCHOOL[look.school].title}, ${coatWords(look)}`;
    groups.set(name, [...(groups.get(name) ?? []), look]);
  }
  const several = [...groups].filter(([, of]) => of.length > 1);
  return [
    ...several.map(([name, of]) => {
      const [low, middle, high] = [0.05, 0.5, 0.95].map((share) =>
        quantile(
          of.map(({ perYear }) => perYear),
          share,
        )!,
      ) as [number, number, number];
      return {
        id: name,
        name,
        looked: `${of.length} pieces`,
        low,
        middle,
        high,
        words: 'as its pieces lie',
        of: of.length,
      };
    }),
    ...looks.slice(0, LAST_LOOKED).map((look) => ({
      ...{ id: `${look.restorationId} ${look.tag}`, name: `${look.machine}, ${look.tag}, ${coatWords(look)}` },
      ...{
        looked: `${look.years.toFixed(1)} years`,
        low: look.band.low,
        middle: look.band.median,
        high: look.band.high,
      },
      words: look.certain
        ? `it comes back, kept in the ${look.kept}`
        : `no return can be told, kept in the ${look.kept}`,
      of: 1,
    })),
  ];
}

/** What was learnt, in words and figures of the workshop. */
export function learntShown(learnt: Learnt, currency: string, ownAgents: readonly OwnAgent[]): ShownLearnt {
  return {
    ways: learnt.ways.map(({ school, plastic, pieces, fell, sessions, hours: light, minutes, costMinor }) => ({
      name: `${SCHOOL[school].title}, ${plastic}`,
      pieces,
      fell:
        pieces === 1
          ? fell.middle.toFixed(1)
          : `${fell.middle.toFixed(1)} (${fell.least.toFixed(1)} to ${fell.most.toFixed(1)})`,
      sessions: sessions.toFixed(1),
      hours: light.toFixed(1),
      minutes: minutes === null ? '–' : `${Math.round(minutes)} min`,
      cost: costMinor === null ? '–' : formatMoney(Math.round(costMinor), currency),
    })),
    agents: learnt.agents.map(({ agent, soil, share }) => ({
      name: `${agentOf(agent as never, ownAgents).title}: ${soilWords(soil)}`,
      ...share,
    })),
    repairs: learnt.repairs.map(({ way, share }) => ({ name: MEND[way as keyof typeof MEND]?.title ?? way, ...share })),
    forecasts: learnt.forecasts.map(({ what, share }) => ({ name: FORECASTS[what], ...share })),
    returned: returnedShown(learnt.returned),
    lookedAgain: learnt.returned.length,
    stages: learnt.stages.map(({ stage, minutes }) => ({ name: STAGE_WORDS[stage].title, hours: hours(minutes) })),
    worth: learnt.worth.map(({ restorationId, title, spentMinor, minutes, goodOne }) => ({
      id: restorationId,
      title,
      spent: formatMoney(spentMinor, currency),
      hours: hours(minutes),
      goodOne: goodOne ? `${roughMoney(goodOne.low, currency)} to ${roughMoney(goodOne.high, currency)}` : '–',
    })),
  };
}
