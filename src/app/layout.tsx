import '@fontsource-variable/bricolage-grotesque';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/atkinson-hyperlegible-mono';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import { standing } from '@/edge/entered';
import { Shell } from '@/bench/Shell';
import { newestShown } from '@/data/plans';
import { nextTimers } from '@/data/timers';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { tellFault } from '@/edge/faults';
import { FaultScreen } from '@/ui/FaultPage';
import { Provider } from '@/ui/Provider';
import { UnitsProvider } from '@/ui/units';
import '@/ui/theme.css';
import './page.css';

/** So many bells are carried on every screen; what rings later is on the bench. */
const TIMERS = 8;

export const dynamic = 'force-dynamic';

export const metadata: Metadata = {
  title: { default: 'Kvell', template: '%s · Kvell' },
  description:
    'Measures, calculates, schedules and remembers for people who restore the cases and keyboards of old computers.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** What stands around every page; a device that has not entered sees nothing of the workshop, not even what runs. */
async function frame() {
  if ((await standing()) !== 'inside') return 'outside' as const;
  const [{ timers, more }, mark, { units }] = await Promise.all([nextTimers(TIMERS), newestShown(), getWorkshop()]);
  return { timers, more, mark, units };
}

export default async function RootLayout({ children }: { children: React.ReactNode }) {
  const given = await headers();
  const nonce = given.get('x-nonce') ?? undefined;
  const shown = await frame().catch((failure: unknown) => {
    const fault = tellFault(failure, clock());
    if (!fault) throw failure;
    return fault;
  });
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <Provider nonce={nonce}>
          {shown === 'outside' ? (
            children
          ) : 'title' in shown ? (
            <FaultScreen {...shown} />
          ) : (
            <Shell timers={shown.timers} more={shown.more} mark={shown.mark} drawnAt={clock().toISOString()}>
              <UnitsProvider units={shown.units}>{children}</UnitsProvider>
            </Shell>
          )}
        </Provider>
      </body>
    </html>
  );
}
