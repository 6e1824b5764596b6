import { BAR_MM, MARK_SHEETS } from '@/core/mending/marks/sheet';
import { markSheetSvg } from './markSheetPdf';
import { partPdf } from './partPdf';

describe('paper of Mend', () => {
  it.each(MARK_SHEETS)('holds every dot and the whole bar of the $name sheet, at 1:1', (sheet) => {
    const { svg, widthMm } = markSheetSvg(sheet);
    const [left, , wide] = /viewBox="([^"]+)"/.exec(svg)![1]!.split(' ').map(Number) as [number, number, number];
    expect(wide).toBe(widthMm);
    // Points of paper to a millimetre.
    expect(Number(/width="([\d.]+)"/.exec(svg)![1]) / widthMm).toBeCloseTo(72 / 25.4, 6);
    const barX = Number(/d="M(-?[\d.]+)/.exec(svg)![1]);
    expect(barX).toBeGreaterThanOrEqual(left);
    expect(barX + BAR_MM).toBeLessThanOrEqual(left + wide);
    expect(widthMm).toBeLessThan(192);
  });

  it('takes no part that is larger than the paper', () => {
    const slat = (lengthMm: number) => ({ lengthMm, widthMm: 5, thicknessMm: 2, radiusMm: 2.5 });
    expect(partPdf('slat', slat(400), 'long', 'metric')).toBeNull();
  });

  it('is a PDF', async () => {
    const paper = await partPdf('slat', { lengthMm: 195, widthMm: 5, thicknessMm: 2, radiusMm: 2.5 }, 'slat', 'us');
    expect(paper!.subarray(0, 5).toString()).toBe('%PDF-');
  });
});
