/** For whom a record is told. */
export const READERS = ['me', 'owner', 'buyer', 'later', 'exhibit'] as const;
export type Reader = (typeof READERS)[number];

export const READER_WORDS: Record<Reader, { title: string; leaves: string }> = {
  me: { title: 'For me', leaves: 'everything' },
  owner: { title: 'For the owner', leaves: 'without prices, log and what only the workshop needs' },
  buyer: { title: 'For a buyer', leaves: 'without prices, owner, source, requests and log' },
  later: { title: 'For whoever opens it in twenty years', leaves: 'everything but money, owner, source and log' },
  exhibit: { title: 'To exhibit', leaves: 'what it is, before and after, and how original it is' },
};
