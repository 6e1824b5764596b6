import '@fontsource-variable/bricolage-grotesque';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/atkinson-hyperlegible-mono';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import { Shell } from '@/bench/Shell';
import { runningTimers } from '@/data/timers';
import { Provider } from '@/ui/Provider';
import './page.css';

export const dynamic = 'force-dynamic';

export const metadata: Metadata = {
  title: { default: 'Kvell', template: '%s · Kvell' },
  description: 'Measures, calculates, schedules and remembers for people who restore the cases and keyboards of old computers.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: React.ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  const timers = await runningTimers();
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <Provider nonce={nonce}>
          <Shell timers={timers}>{children}</Shell>
        </Provider>
      </body>
    </html>
  );
}
