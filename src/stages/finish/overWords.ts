import type { OverPlastic } from '@/core/finish/overPlastic';

const PRIMERS: Record<OverPlastic['primer'], string> = {
  'none needed': 'Paint for plastics holds on it without a primer.',
  'adhesion primer': 'Keyed with 600, then a primer that holds on plastic.',
  'water-borne primer': 'Only water-borne primer and paint: solvent eats it or cracks it days later.',
  'does not hold': 'No paint holds on this: it creeps and bends.',
};

/** What paint a plastic bears, in words. */
export function overWords({ solvents, primer }: OverPlastic): string {
  const of = (good: boolean) =>
    solvents.filter(({ verdict }) => (verdict === 'fine') === good).map(({ solvent }) => solvent.replace('-', ' '));
  const [bears, not] = [of(true), of(false)];
  return [
    `Over plastic. ${PRIMERS[primer]}`,
    ...(bears.length > 0 ? [`It bears ${bears.join(' and ')}.`] : []),
    ...(not.length > 0 ? [`Not sure of or harmed by: ${not.join(', ')}.`] : []),
    'A spot on a hidden place first: laid, left an hour, rubbed with a nail.',
  ].join(' ');
}
