import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';

/** Said where nothing was taken off on record. */
export function NothingOff({ restorationId }: { restorationId: string }) {
  return (
    <Part title="The way back">
      <EmptyPlace action={<LinkButton href={`/restorations/${restorationId}/teardown`}>Go to teardown</LinkButton>}>
        Nothing was taken off on record, so there is no way back to compute. Write down what came off, even afterwards,
        or end this stage by hand.
      </EmptyPlace>
    </Part>
  );
}
