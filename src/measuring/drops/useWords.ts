import { DROP_STAGE, type DropUse } from '@/core/finish/dropUses';
import type { Stage } from '@/core/runsheet/stages';

/** How the screens of test drops speak, by what is mixed, and where they stand. */
export const USE_WORDS = {
  cast: {
    ...{
      stage: DROP_STAGE.cast,
      view: 'tint',
      one: 'drop',
      into: 'Base',
      like: 'white casting resin',
      adds: 'pigment',
    },
    ...{ beside: 'Plastic beside it', what: 'test drops', side: 'plastic' },
    first:
      'Let drops of the resin set on waxed paper: one of the white base alone, one with each pigment. Lay them on the plastic that the cast is to match, a grey card beside, and photograph them. Kvell mixes by them.',
    how: 'Set through, laid on the plastic that they are to match, a grey card beside, out of the shine of lamps. One photograph may hold many drops.',
  },
  paint: {
    ...{ stage: DROP_STAGE.paint, view: 'paint', one: 'card', into: 'Paint that most of it is', like: 'white, satin' },
    ...{ adds: 'paint', beside: 'The piece beside it', what: 'test cards', side: 'piece' },
    first:
      'Paint a card with the nearest paint alone, and one with a few drops of each other paint in it. Let them dry through: wet paint is of another colour. Lay them on an unfaded place of the piece, a grey card beside, and photograph them.',
    how: 'Dry through, laid on an unfaded place of the piece, a grey card beside, out of the shine of lamps. One photograph may hold many cards.',
  },
} as const satisfies Record<DropUse, { stage: Stage } & Record<string, string>>;
