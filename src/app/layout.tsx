import '@fontsource-variable/bricolage-grotesque';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/atkinson-hyperlegible-mono';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import { standing } from '@/edge/entered';
import { Shell } from '@/bench/Shell';
import { newestMark } from '@/data/log';
import { nextTimers } from '@/data/timers';
import { getWorkshop, NEW_WORKSHOP } from '@/data/workshop';
import { Provider } from '@/ui/Provider';
import { UnitsProvider } from '@/ui/units';
import './page.css';

/** So many bells are carried on every screen; what rings later is on the bench. */
const TIMERS = 8;

export const dynamic = 'force-dynamic';

export const metadata: Metadata = {
  title: { default: 'Kvell', template: '%s · Kvell' },
  description: 'Measures, calculates, schedules and remembers for people who restore the cases and keyboards of old computers.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: React.ReactNode }) {
  const given = await headers();
  const nonce = given.get('x-nonce') ?? undefined;
  // A device that has not entered sees nothing of the workshop, not even what runs.
  const outside = (await standing()) !== 'inside';
  const [{ timers, more }, mark, { units }] = outside
    ? [{ timers: [], more: 0 }, 0, NEW_WORKSHOP]
    : await Promise.all([nextTimers(TIMERS), newestMark(), getWorkshop()]);
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <Provider nonce={nonce}>
          {outside ? (
            children
          ) : (
            <Shell timers={timers} more={more} mark={mark}>
              <UnitsProvider units={units}>{children}</UnitsProvider>
            </Shell>
          )}
        </Provider>
      </body>
    </html>
  );
}
