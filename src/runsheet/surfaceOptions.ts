import { surfaceIds, surfaceOf } from '@/core/materials/surfaces';
import { ownKnowledge } from '@/data/cleaning';

/** The surfaces to choose from, in words: the data set itself stays on the server. */
export async function surfaceOptions(): Promise<{ value: string; label: string }[]> {
  const { surfaces } = await ownKnowledge();
  return surfaceIds(surfaces).map((value) => ({ value, label: surfaceOf(value, surfaces).title }));
}
