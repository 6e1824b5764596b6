import { Views } from '@/ui/Views';

const VIEWS = [
  { href: '/', title: 'Now' },
  { href: '/plan', title: 'The days' },
  { href: '/plan/ready', title: 'Ready when' },
  { href: '/plan/what-if', title: 'What if' },
  { href: '/plan/tasks', title: 'All tasks' },
] as const;

/** The views of the bench. */
export const PlanViews = ({ here }: { here: (typeof VIEWS)[number]['href'] }) => (
  <Views label="Views of the bench" views={VIEWS.map((view) => ({ ...view, here: view.href === here }))} />
);
