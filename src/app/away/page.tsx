import type { Metadata } from 'next';
import { AwayPages } from '@/bench/AwayPages';

export const metadata: Metadata = { title: 'Kvell is away' };

/** Stands in for a page that this device never opened while Kvell answered. */
export default function AwayPage() {
  return <AwayPages />;
}
