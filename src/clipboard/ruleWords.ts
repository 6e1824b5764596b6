import type { Lesson } from '@/work/lessons';

const CAME_WORDS = { helped: 'helped', 'went wrong': 'went wrong without', 'no effect': 'tried, no effect' } as const;

/** Where a rule comes from, and whether it held elsewhere. */
export function ruleWords({ about, came, machine, held, failed }: Omit<Lesson, 'here'>): string {
  const others = held + failed;
  return [
    about && `about ${about}`,
    `${CAME_WORDS[came]}${machine ? ` on ${machine}` : ''}`,
    others === 0
      ? 'not tried again yet'
      : `held on ${held} of ${others} ${others === 1 ? 'machine' : 'machines'} since`,
  ]
    .filter(Boolean)
    .join('; ');
}
