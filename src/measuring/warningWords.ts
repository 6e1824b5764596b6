import type { Warning } from '@/core/picture/warnings';

const PLAIN: Record<'no card' | 'paper only' | 'no hidden patch' | 'blurred', string> = {
  'no card':
    'No card in the picture: only differences within it are reported, not colours. Lay a neutral grey card beside the piece.',
  'paper only':
    'Paper is neutral but of unknown lightness: only differences within the picture are reported. A grey card gives colours too.',
  'no hidden patch': 'No hidden patch is marked, so there is no distance to go. Mark plastic that never saw light.',
  blurred: 'The picture is blurred. Hold the camera still or rest it on something, and take it again.',
};

const percent = (share: number) => `${Math.round(100 * share)} %`;

/** What is said of each warning of a measurement, and what would help. */
export function warningWords(warning: Warning): string {
  switch (warning.kind) {
    case 'said':
      return warning.words;
    case 'burnt out':
      return `${percent(warning.share)} of “${warning.region}” is burnt out. Take the picture a stop darker, without glare.`;
    case 'several colours':
      return `Only ${percent(warning.usedShare)} of “${warning.region}” is of one colour; the rest lies in shade or glare, or is another part. No verdict is given on so little: outline one part, in even light.`;
    case 'too dark':
      return `“${warning.region}” is too dark to measure well. Use more light or a longer exposure.`;
    case 'light changes':
      return `The light changes by about ${percent(warning.share)} across “${warning.region}”. Turn the piece or use light from farther away.`;
    case 'several parts':
      return `“${warning.region}” differs by b* ${warning.spreadB.toFixed(0)} within itself: several parts lie inside its outline, keys and shell perhaps. Outline one of them to judge how yellow and how even it is.`;
    case 'card disagrees':
      return `The card patches do not agree with their known colours (ΔE00 ${warning.residualDeltaE00.toFixed(1)} left). Check which patch is which, and that no shadow falls on the card.`;
    default:
      return PLAIN[warning.kind];
  }
}
