import { maskPdf, maskSvg } from './maskPdf';

const STRIPE = { name: 'stripe', widthMm: 2.5, lengthMm: 220, fromEdgeMm: 6 };

it('draws a mask at 1:1, and what is open between its cuts is as wide as the stripe', () => {
  const { svg, widthMm } = maskSvg(STRIPE);
  // Points of paper to a millimetre.
  expect(Number(/width="([\d.]+)"/.exec(svg)![1]) / widthMm).toBeCloseTo(72 / 25.4, 6);
  const cuts = [...svg.matchAll(/d="([^"]+ Z)"/g)].map(([, d]) => d!.match(/-?[\d.]+/g)!.map(Number));
  expect(cuts).toHaveLength(2);
  const [above, below] = cuts.map((numbers) => numbers.filter((_, i) => i % 2 === 1)) as [number[], number[]];
  expect(Math.min(...below) - Math.max(...above)).toBeCloseTo(2.5, 9);
  expect(Math.max(...above)).toBeCloseTo(6, 9);
});

it('lays a long stripe in equal pieces, and refuses what is wider than a sheet', async () => {
  expect(maskSvg({ ...STRIPE, lengthMm: 600 }).pieces).toBe(3);
  expect(maskPdf({ ...STRIPE, fromEdgeMm: 400 }, 'metric')).toBeNull();
  expect((await maskPdf(STRIPE, 'us'))!.subarray(0, 5).toString()).toBe('%PDF-');
});
