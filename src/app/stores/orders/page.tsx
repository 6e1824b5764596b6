import type { Metadata } from 'next';
import { clock } from '@/edge/clock';
import { needsEntered } from '@/edge/entered';
import { OrdersScreen } from '@/stores/OrdersScreen';

export const metadata: Metadata = { title: 'To buy' };

export default async function OrdersPage() {
  await needsEntered();
  return <OrdersScreen now={clock()} />;
}
