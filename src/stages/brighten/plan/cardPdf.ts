import type { Content } from 'pdfmake';
import { tendingOf, type Gate } from '@/core/session/gates';
import { turnWords, type Turn } from '@/core/session/turnPlan';
import type { Warmth } from '@/core/session/warmth';
import { FILM_MM } from '@/core/session/amounts';
import type { ExposurePlan } from '@/core/session/plan';
import type { School } from '@/core/session/schools';
import { CAUTION_CLOSE } from '@/core/peroxide/cautions';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { amountWords, pouredWords, type UnitSystem } from '@/core/units';
import { mm, pdf } from '@/edge/pdf';
import type { FilledTub } from './bath';

/** A session for the shed wall. */
export interface SessionCard {
  piece: string;
  school: School;
  plan: ExposurePlan;
  stock: string;
  /** The solution stands already: nothing is mixed. */
  stands: boolean;
  /** The tub that it lies in, filled; `null` where it lies in none. */
  bath: FilledTub | null;
  from: string;
  durationMin: number;
  turnEveryMin: number;
  turns: readonly Turn[];
  gates: readonly Gate[];
  warmth: Warmth | null;
  /** That the sky of its dose is no real one; empty where it is. */
  sky: string;
  timeZone: string;
  units: UnitSystem;
}

type Margin = [number, number, number, number];
const heading = (text: string) => ({ text, fontSize: 14, bold: true, margin: [0, 10, 0, 2] as Margin });

/** What to mix, in the order it is poured. */
function mixing(
  { dilution, powderG, creamMl, solutionL, percentWW }: ExposurePlan,
  stock: string,
  units: UnitSystem,
): string {
  const litres = (value: number) => pouredWords(value, units);
  const strength = `${percentWW.toFixed(1)} %`;
  if (dilution && dilution.waterVolumeL < 0.005)
    return `${litres(dilution.stockVolumeL)} of ${stock} as it is: ${strength}.`;
  if (dilution)
    return `${litres(dilution.waterVolumeL)} of water first, then ${litres(dilution.stockVolumeL)} of ${stock}: ${strength}.`;
  if (powderG !== null)
    return `${amountWords(solutionL!, 'L', 1, units)} of warm water, then ${amountWords(powderG, 'g', 0, units)} of ${stock}, stirred in slowly: ${strength}.`;
  return `${amountWords(creamMl!, 'mL', 0, units)} of ${stock}, ${strength}, brushed on about ${amountWords(FILM_MM, 'mm', 0, units)} thick.`;
}

/** How deep the tub is filled, and what keeps the piece under. */
function filling({ name, solutionL, fillHeightMm, weightToHoldDownG }: FilledTub, units: UnitSystem): string {
  const held =
    weightToHoldDownG > 0
      ? ` At least ${amountWords(Math.ceil(weightToHoldDownG), 'g', 0, units)} on it, no metal, or it floats up.`
      : '';
  return `${amountWords(solutionL, 'L', 1, units)} in “${name}” stand ${amountWords(fillHeightMm, 'mm', 0, units)} deep with the piece in it.${held}`;
}

/** One side of paper for the shed wall: cautions first, then what, how strong, when, how to turn, what to look after. */
export const sessionCardPdf = (card: SessionCard): Promise<Buffer> =>
  pdf({ info: { title: `${card.piece}: ${card.school.title}` }, content: cardContent(card) });

export function cardContent(card: SessionCard): Content[] {
  const {
    piece,
    school,
    plan,
    stock,
    stands,
    bath,
    from,
    durationMin,
    turnEveryMin,
    turns,
    gates,
    warmth,
    sky,
    timeZone,
    units,
  } = card;
  const degrees = (c: number) => amountWords(c, '°C', 0, units);
  const clock = (iso: string) => showTime(iso, timeZone, 'HH:mm');
  const to = new Date(Date.parse(from) + durationMin * 60_000).toISOString();
  const tending = tendingOf(school).filter(({ everyMin }) => everyMin < durationMin);
  return [
    { text: piece, fontSize: 22, bold: true },
    {
      text: `${school.title}, ${showTime(from, timeZone, 'EEE d MMM yyyy')}, ${clock(from)} to ${clock(to)} (${showMinutes(durationMin)})`,
      fontSize: 14,
    },
    ...plan.cautions.map(({ hazard, protection, never }) => ({
      text: `${hazard} Wear: ${protection} ${never}`,
      bold: true,
      margin: [0, 4, 0, 0] as Margin,
    })),
    { text: CAUTION_CLOSE, bold: true, margin: [0, 4, 0, 4] as Margin },
    ...(stands
      ? [heading('Solution'), { text: `The solution of ${plan.percentWW.toFixed(1)} % that stands already.` }]
      : [heading('Mix'), { text: mixing(plan, stock, units) }]),
    ...(bath ? [{ text: filling(bath, units) }] : []),
    ...plan.notes.map((text) => ({ text, bold: true })),
    { text: `It would release ${amountWords(plan.oxygenL, 'L', 0, units)} of oxygen: never seal it.` },
    ...(gates.length > 0 ? [heading('Before the start'), ...gates.map(({ words }) => ({ text: `☐  ${words}` }))] : []),
    heading(`Turn every ${turnEveryMin} min`),
    { text: school.atTheBell },
    ...turns.map((turn) => ({
      text: `☐  ${clock(turn.from)}  ${turnWords(turn, units)}`,
      margin: [mm(3), 2, 0, 0] as Margin,
    })),
    ...(tending.length > 0
      ? [
          heading('Look after it'),
          ...tending.map(({ everyMin, words }) => ({ text: `Every ${showMinutes(everyMin)}: ${words}` })),
        ]
      : []),
    ...(warmth
      ? [
          heading('Warmth'),
          {
            text: `Warmest at ${clock(warmth.hottest.at)}, about ${degrees(warmth.hottest.c.median)} (${degrees(warmth.hottest.c.low)} to ${degrees(warmth.hottest.c.high)}, an estimate). Over ${degrees(warmth.limitC)}: shade it or vent it.`,
          },
        ]
      : []),
    heading('At the end'),
    {
      text: `Wash it off well, dry it, measure it in the same light with card and hidden patch. ${
        plan.afterB
          ? `It should stand at b* ${plan.afterB.median.toFixed(1)} (${plan.afterB.low.toFixed(1)} to ${plan.afterB.high.toFixed(1)}).`
          : ''
      }`,
    },
    {
      text: `Dose of this window: ${plan.dose.toFixed(1)} ${plan.doseUnit}. ${sky}`.trim(),
      color: '#555555',
      margin: [0, 6, 0, 0] as Margin,
    },
  ];
}
