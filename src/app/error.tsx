'use client';

export { FaultPage as default } from '@/ui/FaultPage';
