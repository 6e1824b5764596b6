import { CONNECTOR, type Point } from './board';
import type { Fault } from './diagnosis';

const pointWords = (point: Point) => (point === CONNECTOR ? 'the connector' : point);

/** One fault in words. */
export function faultWords(fault: Fault): string {
  switch (fault.kind) {
    case 'open':
      return `line ${fault.line} open between ${pointWords(fault.between[0])} and ${pointWords(fault.between[1])}`;
    case 'contact':
      return `contact of ${fault.key}`;
    case 'stuck':
      return `${fault.key} stuck`;
    case 'bridge':
      return `lines ${fault.lines[0]} and ${fault.lines[1]} joined`;
    case 'plug':
      return fault.lines.length === 0 ? 'plug sits badly' : `plug sits badly: ${fault.lines.join(', ')}`;
  }
}
