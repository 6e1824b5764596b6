import type { Joint } from '@/core/teardown/joints';

/** What holds a part, drawn from the side in a box of 32: strokes alone. */
const LINES: Record<Joint, string> = {
  screws: 'M9,5H23V10H9Z M13,10V24L16,28L19,24V10 M12,14L20,16 M12,18L20,20 M12,22L20,24',
  clips: 'M3,25H29 M13,25V7L20,13H13 M22,4V18',
  spring: 'M9,4H23 M9,28H23 M16,4L22,8L10,12L22,16L10,20L22,24L16,28',
  'ribbon clamp': 'M6,16H26V27H6Z M6,20H26 M11,16V3H21V16 M14,16V3 M18,16V3',
  plug: 'M10,12H22V22H10Z M12,22V28 M16,22V28 M20,22V28 M13,12C13,6 10,7 10,3 M19,12C19,6 22,7 22,3',
  wires: 'M3,11C11,3 21,19 29,11 M3,21C11,13 21,29 29,21',
  solder: 'M3,25H29 M8,25C12,24 14,18 15,12H17C18,18 20,24 24,25 M16,12V4 M16,25V30',
  glue: 'M4,5H28V11H4Z M4,21H28V27H4Z M4,16q3,-4 6,0t6,0t6,0t6,0',
  cap: 'M4,18L9,6H23L28,18Z M13,18V26H19V18',
  hinge: 'M3,22H12 M20,22H29 M16,22m-4,0a4,4 0 1,0 8,0a4,4 0 1,0 -8,0 M16,18L26,6',
  'laid in': 'M4,12V27H28V12 M8,23H24 M16,4V17 M12,13L16,18L20,13',
  mains: 'M18,3L8,18H15L13,29L24,13H17Z',
};

/** A joint as it looks from the side, to choose it by its look. */
export function JointMark({ joint }: { joint: Joint }) {
  return (
    <svg viewBox="0 0 32 32" width="30" height="30" aria-hidden>
      <path d={LINES[joint]} fill="none" stroke="currentColor" strokeWidth="2" strokeLinejoin="round" />
    </svg>
  );
}
