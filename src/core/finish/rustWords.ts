import type { Family } from '../materials/families';
import type { Caution } from '../peroxide/cautions';
import type { AfterRust, RustCaution, RustWay } from './rust';

interface RungWords {
  title: string;
  does: string;
  /** Said when its clock is over. */
  bell: string;
}

/** Rungs of the ladder of rust in words. */
export const RUST_WORDS: Record<RustWay, RungWords> = {
  oil: {
    title: 'Wipe with oil',
    does: 'A little penetrating oil on a cloth, left for an hour, wiped off whole. It lifts bloom and keeps damp away.',
    bell: 'Wipe the oil off whole.',
  },
  brush: {
    title: 'Brush it',
    does: 'Brass brush or finest steel wool along one direction, dust wiped up with a cloth with oil.',
    bell: '',
  },
  'acid bath': {
    title: 'Bath of weak acid',
    does: 'Under the bath whole, looked at and brushed at the times said; out as soon as it is grey. Rinsed, dried with warm air and oiled at once: bare steel rusts within the hour.',
    bell: 'Look and brush it: out as soon as it is grey, then rinse, dry and oil at once.',
  },
  converter: {
    title: 'Rust converter, twice',
    does: 'Loose rust off first; a thin coat, a day, a second coat, a day. It turns what is left black, and takes primer.',
    bell: 'Both coats of converter are through.',
  },
  sanding: {
    title: 'Sand it',
    does: 'Paper by paper, each until the scratches of the last are gone; sound paint beside it is only keyed.',
    bell: '',
  },
  'strong acid': {
    title: 'Hydrochloric acid',
    does: 'Outdoors, a few short applications of some minutes, much water at once, then soda in water, then dry and oil.',
    bell: '',
  },
  replace: {
    title: 'Another part',
    does: 'Of the same kind from a donor, new, or made: noted as replaced.',
    bell: '',
  },
};

/** What each brings to the bench, as the core of materials feels it. */
export const RUST_BRINGS: Record<RustWay, readonly Family[]> = {
  oil: ['oil'],
  brush: ['wire'],
  'acid bath': ['bath', 'weakAcid'],
  converter: ['damp', 'weakAcid'],
  sanding: ['sanding'],
  'strong acid': ['damp', 'strongAcid'],
  replace: [],
};

export const RUST_CAUTIONS: Record<RustCaution, Caution> = {
  'rust dust': {
    id: 'rust dust',
    severity: 'caution',
    hazard: 'Rust dust and wire ends harm eyes and lungs.',
    protection: 'goggles, dust mask, gloves; sand wet where it can get wet',
    never: 'Never near an open board: what is swept off conducts.',
  },
  'lead dust': {
    id: 'lead dust',
    severity: 'strong',
    hazard: 'Old paint may hold lead: its dust poisons, and children most.',
    protection: 'a mask for fine dust, wet sanding, a sheet under it that is thrown away, hands washed before food',
    never: 'Never dry, never with a machine, never where children play or food is.',
  },
  'weak acid': {
    id: 'weak acid',
    severity: 'caution',
    hazard: 'Acid stings eyes and skin, and fizzes on metal.',
    protection: 'gloves, goggles, air, an open vessel of plastic or glass',
    never: 'Never with chlorine bleach, never on a day with peroxide, never in a closed vessel.',
  },
  'strong acid': {
    id: 'strong acid',
    severity: 'strong',
    hazard: 'Hydrochloric acid burns eyes, skin and lungs, and its fumes rust whatever stands near.',
    protection: 'outdoors, acid-proof gloves, goggles, water at hand, alone with nothing else open',
    never: 'Never with bleach or peroxide, never indoors, never on plated, thin or springy parts.',
  },
  solvent: {
    id: 'solvent',
    severity: 'caution',
    hazard: 'Oil and converter give off vapour that burns and makes dizzy; oily cloths can catch fire by themselves.',
    protection: 'air, gloves, cloths laid out flat outdoors to dry',
    never: 'Never near a flame, never oily cloths in a heap.',
  },
  'sharp edges': {
    id: 'sharp edges',
    severity: 'caution',
    hazard: 'Rusted sheet has edges like a blade.',
    protection: 'cut-proof gloves',
    never: 'Never pull it free by its edge.',
  },
};

export const AFTER_WORDS: Record<AfterRust, string> = {
  'rinse and dry at once': 'Rinse, dry with warm air, and go on the same hour.',
  'oil or wax': 'A film of oil wiped off again, or two thin coats of wax.',
  continuity: 'Read it from land to land with the meter: under 1 ohm.',
  'mask lands': 'Cover the lands where it touches, so that they stay bare.',
  'zinc-rich primer, both faces': 'Zinc-rich primer on both faces: it conducts where paint does not.',
  'primer-filler twice': 'Primer-filler in two coats, lightly sanded after each.',
  'top coats': 'Top coats, thin, by the recoat times of their sheet.',
  'stain on the plastic with it': 'Take the stain off the plastic it touches at the same time, or it comes back.',
};
