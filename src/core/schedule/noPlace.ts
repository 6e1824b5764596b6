import { Refusal } from '../refusal';

/** Why a task finds no moment. */
export type NoPlaceReason =
  | { kind: 'hours'; minutes: number; longestMin: number }
  | { kind: 'window'; minutes: number; longestMin: number }
  | { kind: 'hours in its windows'; minutes: number }
  | { kind: 'too late' }
  | { kind: 'clash'; with: string }
  | { kind: 'taken' };

const hm = (minutes: number) => `${Math.floor(minutes / 60)} h${minutes % 60 === 0 ? '' : ` ${minutes % 60} min`}`;

/** A reason in words, with what would let it in; `name` says the name of a task by its id. */
export function noPlaceWords(id: string, reason: NoPlaceReason, name: (id: string) => string = (one) => one): string {
  const own = `“${name(id)}”`;
  switch (reason.kind) {
    case 'hours':
      return `${own} takes ${hm(reason.minutes)}, and what it needs is never there together for longer than ${hm(reason.longestMin)}. Make it shorter, split it, or make more hours.`;
    case 'window':
      return `${own} takes ${hm(reason.minutes)}, longer than any of its windows (the longest is ${hm(reason.longestMin)}). Make it shorter, or widen a window.`;
    case 'hours in its windows':
      return `${own} takes ${hm(reason.minutes)}, and in none of its windows what it needs is there for so long. Widen a window, or make more hours there.`;
    case 'too late':
      return `${own} finds no moment: after all that it waits for none of its windows is left. Widen one, or let it begin earlier.`;
    case 'clash':
      return `“${name(reason.with)}” and ${own} clash: one may not begin so soon, nor the other wait so long. Widen a window, or let more time lie between them.`;
    case 'taken':
      return `${own} finds no moment beside the others: what it needs is taken, or what it waits for comes too late. Give it another window, or more hours.`;
  }
}

/** A task that finds no moment, by its name: it can be left out, and the rest planned. */
export class NoPlace extends Refusal {
  constructor(
    readonly task: string,
    readonly reason: NoPlaceReason,
  ) {
    super('tasks', noPlaceWords(task, reason));
  }
}
