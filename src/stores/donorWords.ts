import type { DonorPart, DonorSize } from '@/core/mending/donorMatch';

export const SIZE_WORDS: Record<DonorSize, string> = {
  lengthMm: 'Length',
  widthMm: 'Width',
  heightMm: 'Height',
  spacingMm: 'Spacing of its holes',
};

/** The sizes of a part as one line. */
export function donorSizes({ lengthMm, widthMm, heightMm, spacingMm }: DonorPart): string {
  const sides = [lengthMm, widthMm, heightMm].flatMap((side) => side ?? []);
  return [
    ...(sides.length > 0 ? [`${sides.join(' × ')} mm`] : []),
    ...(spacingMm === null ? [] : [`holes ${spacingMm} mm apart`]),
  ].join(', ');
}
