/** A request to the owner, part by part, for text and paper alike. */
export interface Letter {
  heading: string;
  greeting: string;
  paragraphs: string[];
  ways: string[];
  closing: string;
}

interface About {
  owner: string;
  machine: string;
  workshop: string;
  piece: string | null;
  what: string;
  why: string;
  /** As money reads; empty where it costs nothing. */
  cost: string;
  alternatives: string;
  date: string;
}

/** What the owner is asked, in whole sentences, with the three answers to choose from. */
export function requestLetter({ owner, machine, workshop, piece, what, why, cost, alternatives, date }: About): Letter {
  return {
    heading: `${machine}: a question before going on`,
    greeting: `${date}. To ${owner},`,
    paragraphs: [
      `What I would do${piece ? ` (${piece})` : ''}: ${what}`,
      `Why: ${why}`,
      `What it costs: ${cost || 'nothing beyond the work'}.`,
      `What else could be done: ${alternatives}`,
      'Nothing of this is begun before you have answered.',
    ],
    ways: ['Yes, go ahead', 'No, leave it', 'Yes, with these conditions:'],
    closing: workshop,
  };
}

/** The letter as plain text, to paste into a message. */
export function letterText({ heading, greeting, paragraphs, ways, closing }: Letter): string {
  return [
    heading,
    greeting,
    ...paragraphs,
    `Please answer with one of these:\n${ways.map((way) => `- ${way}`).join('\n')}`,
    closing,
  ].join('\n\n');
}
