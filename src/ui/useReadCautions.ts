'use client';

import { useState } from 'react';
import type { Caution } from '@/core/peroxide/cautions';

/** What there is to read: another mark or another protection is something else to read. */
const wordsOf = ({ hazard, protection, never }: Caution): string => [hazard, protection, never].join('\n');

/**
 * Which cautions somebody said they had read: another one, of another agent or way, is to be read first. Fewer than those
 * stay read.
 */
export function useReadCautions(cautions: readonly Caution[]): {
  areRead: boolean;
  onChange: (read: boolean) => void;
} {
  const [read, setRead] = useState<readonly string[]>([]);
  return {
    areRead: cautions.every((caution) => read.includes(wordsOf(caution))),
    onChange: (is) => setRead(is ? cautions.map(wordsOf) : []),
  };
}
