/** What an agent is made of or does, as far as a surface feels it. */
export const FAMILIES = {
  air: 'Moving air touches nothing.',
  brush: 'Soft bristles and cloth move loose dirt.',
  gum: 'Soft gum lifts dust without rubbing.',
  damp: 'Wet for a moment and wiped dry.',
  dabbed: 'A moist bud on the spot alone, dried at once.',
  bath: 'Under water for a quarter of an hour and more.',
  soap: 'Dish soap, rinsed off.',
  enzyme: 'Enzymes that digest, rinsed off.',
  alcoholMild: 'A little alcohol in water.',
  alcohol: 'Isopropyl alcohol, strong.',
  volatile: 'Volatile solvent from a spray.',
  mildAlkali: 'Bicarbonate in water, hardly alkaline.',
  alkali: 'Alkaline cleaner.',
  weakAcid: 'Vinegar or citric acid.',
  midAcid: 'Descaler or acid bathroom cleaner.',
  strongAcid: 'Hydrochloric acid.',
  peroxide: 'Oxygen set free by peroxide.',
  chlorine: 'Chlorine bleach.',
  oil: 'Mineral oil that creeps.',
  citrus: 'Citrus solvent.',
  spirit: 'White spirit.',
  ketone: 'Acetone and its kin.',
  warmth: 'Warmth well above the hand.',
  rub: 'Rubbed with paper or an eraser.',
  polish: 'Polish with the finest grain.',
  micro: 'Melamine foam: a fine abrasive.',
  abrasive: 'Paste or pad with grain.',
  chalk: 'Chalk, and bleach in many a tube of it.',
  sanding: 'Wet sanding.',
  fibre: 'Glass-fibre pen.',
  wire: 'Wire brush or steel wool.',
  scraper: 'Edge of a plastic card.',
  blade: 'A sharp blade.',
} as const;

export type Family = keyof typeof FAMILIES;
/** What only carries the others onto the surface: two that share no more are no twins. */
export const CARRIERS: readonly Family[] = ['air', 'brush', 'damp', 'dabbed', 'bath'];
export const FAMILY_NAMES = Object.keys(FAMILIES) as Family[];
