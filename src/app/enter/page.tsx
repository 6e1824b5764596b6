import type { Metadata } from 'next';
import { ownPath } from '@/edge/pass';
import { ScreenHead } from '@/ui/layout';
import { EnterForm } from '@/workshop/EnterForm';

export const metadata: Metadata = { title: 'Enter' };

/** What a device of the network sees before it has entered; nothing of the workshop is on it. */
export default async function EnterPage({ searchParams }: { searchParams: Promise<{ to?: string }> }) {
  const { to } = await searchParams;
  return (
    <div style={{ maxWidth: 520, margin: '0 auto', padding: '32px 16px' }}>
      <ScreenHead
        title="Kvell"
        under="This device is not known yet. The passphrase was set at the desk, under Workshop."
      />
      <EnterForm to={ownPath(to)} />
    </div>
  );
}
