import { EmptyPlace, ScreenHead } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { PlanViews } from './PlanViews';

/** Head of a view of the plan; `under` is nothing as long as there is no plan. */
export function PlanHead({
  here,
  under,
}: {
  here: React.ComponentProps<typeof PlanViews>['here'];
  under: string | null;
}) {
  return (
    <>
      <ScreenHead title="The plan of the bench" under={under ?? undefined} />
      <PlanViews here={here} />
      {under === null && (
        <EmptyPlace action={<LinkButton href="/">To the bench</LinkButton>}>
          There is no plan yet. It is made as soon as a restoration is open, and shows here by itself.
        </EmptyPlace>
      )}
    </>
  );
}
