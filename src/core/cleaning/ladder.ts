import { assumed, type AssumptionName } from '../assumptions/assumptions';
import type { Aim } from '../intake/aim';
import type { Severity } from '../intake/findings';
import { agentIds, agentOf, type AgentId, type OwnAgent } from '../materials/agents';
import { CARRIERS, type Family } from '../materials/families';
import { inSentence } from '../materials/inSentence';
import { mixture, type Mixture } from '../materials/mixing';
import { chanceOf, type Chance, type Tried } from './outcomes';
import { WEAR_MIN } from '../materials/roughness';
import { soilOf, type SoilId } from './soils';
import { surfaceOf, type SurfaceId } from '../materials/surfaces';
import { NO_SUBJECTS, verdictOnAll, type OwnSubjects } from '../materials/verdicts';

export const VISIBLE = ['front', 'underside', 'hidden'] as const;
export type Visible = (typeof VISIBLE)[number];

/** What has to be known of a spot. */
export interface Spot {
  soil: SoilId;
  /** Everything that a step there would touch. */
  surfaces: readonly SurfaceId[];
  severity: Severity;
  /** How it is seen when the machine is together. */
  visible: Visible;
  aim: Aim;
  /** Paper label on the piece, in words; it is covered or the wet step is left out. */
  paperLabel: string;
  /** Metal still inside, in words: nothing goes into a bath before it is out. */
  metalInside: string;
  /** What did nothing on this very spot. */
  failed?: readonly AgentId[];
}

/** What this workshop has and knows. */
export interface OwnKnowledge extends OwnSubjects {
  tried: readonly Tried[];
  /** Agents that are not owned or not wanted. */
  off: readonly AgentId[];
}

export const NOTHING_OWN: OwnKnowledge = { ...NO_SUBJECTS, tried: [], off: [] };

export interface Rung {
  agent: AgentId;
  chance: Chance;
  /** Minutes of one pass: hands, a tenth of the waiting, and the test spot where one is needed. */
  minutes: number;
  /** Minutes until it is likely gone: one pass over its chance. */
  minutesToSuccess: number;
  /** Tried on a hidden spot first, and why. */
  testSpot: string | null;
  /** What to cover before. */
  masks: string[];
  /** What has to be done between the rung before and this one. */
  between: string | null;
  /** Why it stands here. */
  why: string;
}

export interface RuledOut {
  agent: AgentId;
  /** `worth`: it may be done, but is not worth it; `together`: it would be, but what follows it does as well. */
  because: 'off' | 'surface' | 'metal inside' | 'mixture' | 'worth' | 'together';
  why: string;
}

/**
 * Why it ends: going further would cost more than it is worth, nothing that may touch it is worth it, nothing may touch
 * it, or nothing may and it goes on doing harm.
 */
export type LadderEnd = 'worth no more' | 'not worth it' | 'nothing may' | 'specialist';

export interface Ladder {
  rungs: Rung[];
  ruledOut: RuledOut[];
  end: LadderEnd;
  caution: string | null;
}

/** What a plain spot is worth, by how it is seen. */
const VALUE: Record<Visible, AssumptionName> = {
  front: 'a spot in front',
  underside: 'a spot underneath',
  hidden: 'a spot inside',
};
const SEVERE: Record<Severity, number> = { slight: 0.5, plain: 1, bad: 1.5 };
const FAR: Record<Aim, number> = { 'keep the age': 0.4, 'clean only': 0.8, presentable: 1, 'as new': 2 };
const DANGEROUS: readonly Family[] = ['strongAcid', 'chlorine'];

/** What getting rid of a spot is worth, in minutes that one would spend on it. */
export const worthOf = ({ soil, visible, severity, aim }: Spot): number =>
  Math.max(soilOf(soil).harms ? assumed('what eats on') : 0, assumed(VALUE[visible]) * SEVERE[severity] * FAR[aim]);

/**
 * Minutes that a row of attempts takes until one succeeds or all are tried.
 *
 * @example expectedMinutes([{ minutes: 10, chance: 0.5 }, { minutes: 30, chance: 0.9 }]) // 25
 */
export const expectedMinutes = (row: readonly { minutes: number; chance: number }[]): number =>
  row.reduceRight((rest, { minutes, chance }) => minutes + (1 - chance) * rest, 0);

const percent = (share: number) => `${Math.round(100 * share)} %`;

interface Candidate {
  rung: Rung;
  roughness: number;
  dangerous: boolean;
  /** Gain less minutes and wear. */
  merit: number;
}

/**
 * The gentlest way to get rid of a spot. Agents stand by roughness; within one roughness the one with the fewest
 * minutes to success comes first, which takes the fewest minutes in all (an exchange of two neighbours shows it). The
 * rungs that stand are chosen together: each wins (worth × chance, less minutes and wear) more than what follows it
 * would win in its place. Of two agents that may never meet the rougher is left out, whatever it is worth.
 */
export function cleaningLadder(spot: Spot, own: OwnKnowledge = NOTHING_OWN): Ladder {
  const ruledOut: RuledOut[] = [];
  const allowed: Candidate[] = [];
  for (const agent of agentIds(own.agents)) {
    const chance = chanceHere(agent, spot, own);
    if (!chance || !isMeantFor(agent, spot, own)) continue;
    const out = ruledOutBy(agent, spot, own);
    if (out) ruledOut.push({ agent, ...out });
    else allowed.push(candidate(agent, chance, spot, own));
  }
  allowed.sort(inOrder);
  const compatible: Candidate[] = [];
  for (const next of allowed) {
    const { agent } = next.rung;
    const foe = compatible.find(({ rung }) => mixture(rung.agent, agent, own.agents).together === 'never together')
      ?.rung.agent;
    if (foe) ruledOut.push({ agent, because: 'mixture', why: neverWith(foe, agent, own) });
    else compatible.push(next);
  }
  // Before what is dangerous to the person, everything gentler is tried, whatever its minutes.
  const dangerous = compatible.findLastIndex(({ rung, merit }) => merit > 0 && isDangerous(rung.agent, own));
  const stands = chosenTogether(compatible, dangerous);
  const kept = compatible.filter((next, i) => {
    if (stands[i]) return true;
    ruledOut.push({
      agent: next.rung.agent,
      ...(next.merit > 0
        ? { because: 'together', why: betterWithout(next.rung, own) }
        : { because: 'worth', why: notWorth(next.rung, spot, own) }),
    });
    return false;
  });
  const rungs = kept.map(({ rung }, i) => ({ ...rung, ...placed(kept, i, own) }));
  return { rungs, ruledOut, end: endOf(rungs, ruledOut, spot), caution: soilOf(spot.soil).caution };
}

/**
 * Which of a row of rungs stand, so that the whole is worth the most: from its end on each stands where what it wins by
 * itself is more than its share of what comes after it anyway. In a fixed order that is the best set there is.
 *
 * @param forced those before this place stand whatever they are worth
 */
export function chosenTogether(
  row: readonly { merit: number; rung: { chance: Pick<Chance, 'mean'> } }[],
  forced: number,
): boolean[] {
  const stands: boolean[] = [];
  let after = 0;
  for (let i = row.length - 1; i >= 0; i--) {
    const { rung, merit } = row[i]!;
    const wins = merit - rung.chance.mean * after;
    stands[i] = wins > 0 || i < forced;
    if (stands[i]) after += wins;
  }
  return stands;
}

const inOrder = (a: Candidate, b: Candidate) =>
  Number(a.dangerous) - Number(b.dangerous) ||
  a.roughness - b.roughness ||
  a.rung.minutesToSuccess - b.rung.minutesToSuccess;

/** Burns or gases the person, and not only the plastic: it is the last thing, and never because it is quick. */
const isDangerous = (agent: AgentId, { agents }: OwnKnowledge) =>
  agentOf(agent, agents).families.some((family) => DANGEROUS.includes(family));

/**
 * Two that act by the same thing: where one did nothing the other will hardly.
 *
 * @example areTwins('vinegar', 'citric-acid') // true
 */
export function areTwins(a: AgentId, b: AgentId, own: readonly OwnAgent[] = []): boolean {
  const acting = (id: AgentId) => agentOf(id, own).families.filter((family) => !CARRIERS.includes(family));
  const [of, other] = [acting(a), acting(b)];
  return a !== b && of.length > 0 && of.length === other.length && of.every((family) => other.includes(family));
}

/** Some are only for a few surfaces, which plainer ways would harm. */
function isMeantFor(agent: AgentId, { surfaces }: Spot, { agents }: OwnKnowledge): boolean {
  const { meantFor } = agentOf(agent, agents);
  return !meantFor || surfaces.some((surface) => meantFor.includes(surface));
}

/** The chance of an agent on this very spot: less where a twin of it did nothing here. */
function chanceHere(agent: AgentId, { soil, failed = [] }: Spot, own: OwnKnowledge): Chance | null {
  const chance = chanceOf(agent, soil, own.tried, own.agents);
  const twins = failed.filter((other) => areTwins(agent, other, own.agents)).length;
  return chance && { ...chance, mean: chance.mean * assumed('a twin') ** twins };
}

/** Why the rougher of two is left out. */
export const neverWith = (gentler: AgentId, rougher: AgentId, { agents }: OwnKnowledge): string =>
  `Never with ${inSentence(agentOf(gentler, agents).title)}, which is gentler. ${mixture(gentler, rougher, agents).reason}`;

function ruledOutBy(
  agent: AgentId,
  { surfaces, metalInside }: Spot,
  own: OwnKnowledge,
): Omit<RuledOut, 'agent'> | null {
  if (own.off.includes(agent)) return { because: 'off', why: 'Not in this workshop.' };
  const { verdict, reason, surface } = verdictOnAll(agent, surfaces, own);
  if (verdict === 'never')
    return { because: 'surface', why: `Never on ${inSentence(surfaceOf(surface, own.surfaces).title)}. ${reason}` };
  if (agentOf(agent, own.agents).wet === 'bath' && metalInside)
    return {
      because: 'metal inside',
      why: `Metal still inside: ${metalInside}. Take it out under Teardown before anything goes into a bath.`,
    };
  return null;
}

function candidate(agent: AgentId, chance: Chance, spot: Spot, own: OwnKnowledge): Candidate {
  const { roughness, handsMin, dwellMin, wet } = agentOf(agent, own.agents);
  const { verdict, reason, surface } = verdictOnAll(agent, spot.surfaces, own);
  const testSpot = verdict === 'test first' ? `${surfaceOf(surface, own.surfaces).title}: ${reason}` : null;
  const minutes = handsMin + assumed('waiting at the sink') * dwellMin + (testSpot ? assumed('a test spot') : 0);
  const delicate = spot.surfaces.some((id) => surfaceOf(id, own.surfaces).delicate);
  const wear = WEAR_MIN[roughness] * (delicate ? assumed('wear of the delicate') : 1);
  const label =
    spot.paperLabel && wet !== 'dry'
      ? [
          wet === 'bath'
            ? `${spot.paperLabel}: lift it, or tape it over whole and keep it above the water`
            : `${spot.paperLabel}: tape it over`,
        ]
      : [];
  return {
    rung: {
      agent,
      chance,
      minutes,
      minutesToSuccess: minutes / chance.mean,
      testSpot,
      masks: label,
      between: null,
      why: '',
    },
    roughness,
    dangerous: isDangerous(agent, own),
    merit: worthOf(spot) * chance.mean - minutes - wear,
  };
}

function placed(kept: readonly Candidate[], i: number, { agents }: OwnKnowledge): Pick<Rung, 'between' | 'why'> {
  const here = kept[i]!.rung;
  const before = kept[i - 1]?.rung;
  const meets = before ? mixture(before.agent, here.agent, agents) : null;
  const { mean, prior, own: passes } = here.chance;
  const learnt =
    passes > 0
      ? ` Your own ${passes === 1 ? 'pass' : `${passes} passes`} say ${percent(mean)}, the data set ${percent(prior)}.`
      : '';
  const level = kept.filter(({ roughness }) => roughness === kept[i]!.roughness);
  const others =
    level.length > 1 ? `; ${ordinal(level.indexOf(kept[i]!))} of ${counted(level.length)} equally gentle` : '';
  return {
    between: meets ? betweenWords(meets) : null,
    why: `About ${Math.round(here.minutesToSuccess)} min until clean${others}.${kept[i]!.merit > 0 ? '' : ' Hardly worth it by itself: it stands here because what follows is dangerous to you.'}${learnt}`,
  };
}

function betweenWords({ together, reason }: Mixture): string | null {
  if (together === 'rinse between') return `Rinse first. ${reason}`;
  return together === 'air between' ? `Air first. ${reason}` : null;
}

const counted = (n: number) => ['', 'one', 'two', 'three', 'four', 'five'][n] ?? String(n);
const ordinal = (i: number) => ['first', 'second', 'third', 'fourth', 'fifth'][i] ?? `${i + 1}th`;

function notWorth({ agent, chance, minutes }: Rung, { visible }: Spot, { agents }: OwnKnowledge): string {
  const seen = { front: 'at the front', underside: 'underneath', hidden: 'out of sight' }[visible];
  return `Not worth it for a spot ${seen}: ${percent(chance.mean)} for ${Math.round(minutes)} min and the wear of “${inSentence(agentOf(agent, agents).title)}”.`;
}

const betterWithout = ({ agent, chance, minutes }: Rung, { agents }: OwnKnowledge): string =>
  `Quicker without: what follows does as well as “${inSentence(agentOf(agent, agents).title)}” (${percent(chance.mean)} for ${Math.round(minutes)} min), and would be reached sooner.`;

function endOf(rungs: readonly Rung[], ruledOut: readonly RuledOut[], { soil }: Spot): LadderEnd {
  if (rungs.length > 0) return 'worth no more';
  if (soilOf(soil).harms) return 'specialist';
  return ruledOut.some(({ because }) => because === 'worth' || because === 'together') ? 'not worth it' : 'nothing may';
}
