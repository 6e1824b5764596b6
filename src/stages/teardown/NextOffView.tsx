import { cardsOf } from './cards';
import { listPeople } from '@/data/people';
import { TeardownBench } from './TeardownBench';

/** At the bench: the step in hand, and the next thing off. */
export async function NextOffView({ restorationId }: { restorationId: string }) {
  const [cards, people] = await Promise.all([cardsOf(restorationId), listPeople()]);
  return <TeardownBench restorationId={restorationId} {...cards} people={people.map(({ name }) => name)} />;
}
