import type { Srgb } from '@/core/colour/types';
import type { Point } from '@/core/picture/picture';
import type { CardPatch } from '@/core/picture/spec';

/** How large a card patch is taken round a mark, as a share of the picture’s width. */
const CARD_SHARE = 0.03;

/** The card where a hand has set its mark, on a picture so many pixels wide. */
export function handCard([x, y]: Point, widthPx: number, srgb: Srgb): CardPatch[] {
  const side = CARD_SHARE * widthPx;
  return [{ rect: [x - side / 2, y - side / 2, side, side], srgb, kind: 'known' }];
}

/** Said where no card is found by itself. */
export const byHandWords = (srgb: Srgb): string =>
  `No card is found by itself. Move its mark into the middle of a grey of sRGB ${srgb.map(Math.round).join(', ')}, as your card is known`;
