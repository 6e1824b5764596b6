import { ScreenHead } from '@/ui/layout';
import { Views } from '@/ui/Views';

const VIEWS = [
  { at: '', title: 'Place and units' },
  { at: '/hours', title: 'Hours and lamp' },
  { at: '/horizon', title: 'In the sun’s way' },
  { at: '/greys', title: 'Greys' },
  { at: '/people', title: 'People' },
  { at: '/bench', title: 'At the bench' },
  { at: '/phone', title: 'Phone' },
  { at: '/learnt', title: 'Learnt' },
  { at: '/backup', title: 'Backup' },
  { at: '/deleted', title: 'Deleted' },
  { at: '/kept', title: 'Log' },
] as const;

/** Head of every view of the workshop. */
export function WorkshopHead({ view }: { view: (typeof VIEWS)[number]['at'] }) {
  return (
    <>
      <ScreenHead title="Workshop" under="Where it stands, what it counts in, and how this device rings" />
      <Views
        label="Views of the workshop"
        views={VIEWS.map(({ at, title }) => ({ href: `/workshop${at}`, title, here: at === view }))}
      />
    </>
  );
}
