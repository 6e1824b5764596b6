/** Where a browser keeps the pages that it opened, for when Kvell is away. */
export const KEPT_PAGES = 'kvell-pages';
