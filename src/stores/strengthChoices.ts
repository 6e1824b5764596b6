import type { StrengthUnit } from '@/core/peroxide/strength';

/** Units of strength as labels write them. */
export const STRENGTH_CHOICES: readonly { value: StrengthUnit; label: string }[] = [
  { value: 'percentWW', label: '% by weight' },
  { value: 'percentWV', label: '% weight in volume' },
  { value: 'volumes', label: 'volumes' },
  { value: 'gramsPerL', label: 'grams in a litre' },
  { value: 'molPerL', label: 'moles in a litre' },
];

/** The strength of a label in words. */
export function strengthWords(value: number, unit: StrengthUnit): string {
  return `${value} ${STRENGTH_CHOICES.find((choice) => choice.value === unit)?.label ?? unit}`;
}
