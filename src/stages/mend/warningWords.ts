import type { OutlineWarning } from '@/core/mending/outline/outline';

/** What makes an outline less sure, in words. */
export function warningWords(warning: OutlineWarning): string {
  switch (warning.kind) {
    case 'coarse':
      return `A pixel of this picture is ${warning.mmPerPx.toFixed(2)} mm: go nearer for tenths of a millimetre.`;
    case 'far from the known thing':
      return 'The part reaches far beyond the thing of known size: lay a longer one beside it, or go by a measured length.';
    case 'edge not seen':
      return `No edge is seen along ${Math.round(100 * warning.share)} % of it: look there, or choose a ground of another colour.`;
    case 'shadow beside it':
      return `A shadow about ${warning.mm.toFixed(1)} mm wide lies along it, and where the part ends in it is unsure. Photograph it in light from all sides.`;
    case 'wall seen':
      return `Up to ${warning.mm.toFixed(1)} mm of its walls are seen. Hold the phone straight above the part.`;
    case 'marks left out':
      return warning.count === 1
        ? 'One mark on it was taken for print or glare, not for a hole.'
        : `${warning.count} marks on it were taken for print or glare, not for holes.`;
  }
}
