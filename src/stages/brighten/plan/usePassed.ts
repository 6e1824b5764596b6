'use client';

import { useState } from 'react';
import type { Gate } from '@/core/session/gates';
import type { SchoolId } from '@/core/session/schools';

/**
 * Which of the gates somebody said were passed. That a piece came through this way, or that all is covered from this
 * mixture, says nothing of another way: what is said holds for its words and its way.
 */
export function usePassed(
  gates: readonly Gate[],
  school: SchoolId,
): { passed: readonly Gate['id'][]; onChange: (id: Gate['id'], passed: boolean) => void } {
  const [said, setSaid] = useState<readonly string[]>([]);
  const wordsOf = ({ id, words }: Gate) => `${school} ${id} ${words}`;
  return {
    passed: gates.filter((gate) => said.includes(wordsOf(gate))).map(({ id }) => id),
    onChange: (id, is) => {
      const words = gates.filter((gate) => gate.id === id).map(wordsOf);
      setSaid((known) => [...known.filter((one) => !words.includes(one)), ...(is ? words : [])]);
    },
  };
}
