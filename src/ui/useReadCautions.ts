'use client';

import { useState } from 'react';

/**
 * Which cautions somebody said they had read: another one, of another agent or way, is to be read first. Fewer than those
 * stay read.
 */
export function useReadCautions(cautions: readonly { id: string }[]): {
  areRead: boolean;
  onChange: (read: boolean) => void;
} {
  const [read, setRead] = useState<readonly string[]>([]);
  return {
    areRead: cautions.every(({ id }) => read.includes(id)),
    onChange: (is) => setRead(is ? cautions.map(({ id }) => id) : []),
  };
}
