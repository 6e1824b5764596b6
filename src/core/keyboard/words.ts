import { CONNECTOR, type Point } from './board';
import type { Fault } from './diagnosis';

/** A place of a line in words. */
export const pointWords = (point: Point): string => (point === CONNECTOR ? 'the connector' : point);

/** One fault as it is said at the bench. */
export function faultWords(fault: Fault): string {
  switch (fault.kind) {
    case 'open':
      return `line ${fault.line} is broken between ${pointWords(fault.between[0])} and ${pointWords(fault.between[1])}`;
    case 'contact':
      return `the contact of ${fault.key} itself`;
    case 'stuck':
      return `${fault.key} stays on`;
    case 'bridge':
      return `lines ${fault.lines[0]} and ${fault.lines[1]} are joined`;
    case 'plug':
      return fault.lines.length === 0
        ? 'the plug or clamp sits badly'
        : `the plug or clamp sits badly: ${fault.lines.join(', ')}`;
  }
}
