import type { Content } from 'pdfmake';
import { tendingOf, type Gate } from '@/core/exposure/gates';
import { turnWords, type Turn } from '@/core/exposure/turnPlan';
import type { Warmth } from '@/core/exposure/warmth';
import type { ExposurePlan } from '@/core/exposure/plan';
import type { School } from '@/core/exposure/schools';
import { CAUTION_CLOSE } from '@/core/peroxide/cautions';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { mm, pdf } from '@/edge/pdf';
import type { FilledTub } from './bath';

/** A session for the shed wall. */
export interface SessionCard {
  piece: string;
  school: School;
  plan: ExposurePlan;
  stock: string;
  /** The tub that it lies in, filled; `null` where it lies in none. */
  bath: FilledTub | null;
  from: string;
  durationMin: number;
  turnEveryMin: number;
  turns: readonly Turn[];
  gates: readonly Gate[];
  warmth: Warmth | null;
  timeZone: string;
}

type Margin = [number, number, number, number];
const heading = (text: string) => ({ text, fontSize: 14, bold: true, margin: [0, 10, 0, 2] as Margin });

/** What to mix, in the order it is poured. */
function mixing({ dilution, powderG, creamMl, solutionL, percentWW }: ExposurePlan, stock: string): string {
  if (dilution && dilution.waterVolumeL < 0.005) return `${dilution.stockVolumeL.toFixed(2)} L of ${stock} as it is: ${percentWW.toFixed(1)} %.`;
  if (dilution)
    return `${dilution.waterVolumeL.toFixed(2)} L of water first, then ${dilution.stockVolumeL.toFixed(2)} L of ${stock}: ${percentWW.toFixed(1)} %.`;
  if (powderG !== null)
    return `${solutionL!.toFixed(1)} L of warm water, then ${powderG.toFixed(0)} g of ${stock}, stirred in slowly: ${percentWW.toFixed(1)} %.`;
  return `${creamMl!.toFixed(0)} mL of ${stock}, ${percentWW.toFixed(1)} %, brushed on about 1 mm thick.`;
}

/** How deep the tub is filled, and what keeps the piece under. */
function filling({ name, solutionL, fillHeightMm, weightToHoldDownG }: FilledTub): string {
  const held = weightToHoldDownG > 0 ? ` At least ${Math.ceil(weightToHoldDownG)} g on it, no metal, or it floats up.` : '';
  return `${solutionL.toFixed(1)} L in “${name}” stand ${fillHeightMm.toFixed(0)} mm deep with the piece in it.${held}`;
}

/** One side of paper for the shed wall: cautions first, then what, how strong, when, how to turn, what to look after. */
export const sessionCardPdf = (card: SessionCard): Promise<Buffer> =>
  pdf({ info: { title: `${card.piece}: ${card.school.title}` }, content: cardContent(card) });

export function cardContent(card: SessionCard): Content[] {
  const { piece, school, plan, stock, bath, from, durationMin, turnEveryMin, turns, gates, warmth, timeZone } = card;
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
    heading('Mix'),
    { text: mixing(plan, stock) },
    ...(bath ? [{ text: filling(bath) }] : []),
    ...plan.notes.map((text) => ({ text, bold: true })),
    { text: `It would release ${plan.oxygenL.toFixed(0)} L of oxygen: never seal it.` },
    ...(gates.length > 0 ? [heading('Before the start'), ...gates.map(({ words }) => ({ text: `☐  ${words}` }))] : []),
    heading(`Turn every ${turnEveryMin} min`),
    { text: school.atTheBell },
    ...turns.map((turn) => ({ text: `☐  ${clock(turn.from)}  ${turnWords(turn)}`, margin: [mm(3), 2, 0, 0] as Margin })),
    ...(tending.length > 0
      ? [heading('Look after it'), ...tending.map(({ everyMin, words }) => ({ text: `Every ${showMinutes(everyMin)}: ${words}` }))]
      : []),
    ...(warmth
      ? [
          heading('Warmth'),
          {
            text: `Warmest at ${clock(warmth.hottest.at)}, about ${warmth.hottest.c.median.toFixed(0)} °C (${warmth.hottest.c.low.toFixed(0)} to ${warmth.hottest.c.high.toFixed(0)}, an estimate). Over ${warmth.limitC} °C: shade it or vent it.`,
          },
        ]
      : []),
    heading('At the end'),
    {
      text: `Wash it off well, dry it, measure it in the same light with card and hidden patch. ${
        plan.afterB ? `It should stand at b* ${plan.afterB.median.toFixed(1)} (${plan.afterB.low.toFixed(1)} to ${plan.afterB.high.toFixed(1)}).` : ''
      }`,
    },
    { text: `Dose of this window: ${plan.dose.toFixed(1)} ${plan.doseUnit}.`, color: '#555555', margin: [0, 6, 0, 0] as Margin },
  ];
}
