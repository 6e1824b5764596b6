import { EmptyPlace, ScreenHead } from '@/ui/layout';
import { LinkButton } from '@/ui/links';

export default function NotFound() {
  return (
    <>
      <ScreenHead title="Not here" />
      <EmptyPlace action={<LinkButton href="/restorations">All restorations</LinkButton>}>
        There is nothing at this address. It may have been mistyped, or belong to another workshop’s data.
      </EmptyPlace>
    </>
  );
}
