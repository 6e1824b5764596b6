/** What a workshop added to the data set itself. */
export type OwnId = `own-${string}`;
