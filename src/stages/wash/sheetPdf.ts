import { END_WORDS } from '@/core/cleaning/ladderWords';
import { CAUTION_CLOSE } from '@/core/peroxide/cautions';
import { mm, pdf } from '@/edge/pdf';
import type { LoadView } from './TubPart';
import type { PassView, SpotView } from './view';

type Margin = [number, number, number, number];

/** The sheet for the wall by the sink: the loads, each spot's ladder with boxes to tick, the cautions. */
export function washSheetPdf(
  title: string,
  waiting: readonly PassView[],
  spots: readonly SpotView[],
  loads: readonly LoadView[],
): Promise<Buffer> {
  const cautions = [
    ...new Map(waiting.flatMap((pass) => pass.cautions).map((caution) => [caution.hazard, caution])).values(),
  ];
  const open = spots.filter(({ settled }) => settled === null);
  return pdf({
    info: { title: `${title}: wash` },
    content: [
      { text: `${title}: wash`, fontSize: 20, bold: true },
      ...cautions.map(({ hazard, protection, never }) => ({
        text: `${hazard} Wear: ${protection}. ${never}`,
        bold: true,
        margin: [0, 4, 0, 0] as Margin,
      })),
      ...(cautions.length > 0 ? [{ text: CAUTION_CLOSE, bold: true, margin: [0, 4, 0, 8] as Margin }] : []),
      ...loads.flatMap((load) => [
        { text: load.title, fontSize: 14, bold: true, margin: [0, 8, 0, 2] as Margin },
        ...load.pieces.map((piece) => ({ text: `☐  ${piece}` })),
        { text: load.words, color: '#555555' },
      ]),
      ...open.flatMap((spot) => [
        { text: `${spot.place}: ${spot.name}`, fontSize: 14, bold: true, margin: [0, 10, 0, 2] as Margin },
        { text: [spot.soilTitle ?? 'not named yet', spot.severity, spot.visible].join(', '), color: '#555555' },
        ...spot.rungs.map((rung) => ({
          text: `☐  ${rung.title}${rung.testSpot ? ' (hidden spot first)' : ''}, ${Math.round(rung.minutes)} min`,
          margin: [mm(3), 2, 0, 0] as Margin,
        })),
        { text: spot.end ? END_WORDS[spot.end] : '', italics: true, margin: [0, 2, 0, 0] as Margin },
      ]),
      ...(open.length === 0 ? [{ text: 'Nothing waits for the wash.' }] : []),
    ],
  });
}
