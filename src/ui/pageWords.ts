/** What a page is headed by, after the machine that it is about: “Orvane Slab: 3 Wash”. */
export function pageWords(page: Document, pathname: string): string {
  if (pathname === '/') return 'Bench';
  const machine = /^\/restorations\/[0-9a-f-]{36}(?=\/)/.exec(pathname)?.[0];
  const of = machine && page.querySelector(`main a[href="${machine}"]`)?.textContent;
  const heading = page.querySelector('h1')?.textContent;
  return [of, heading].filter(Boolean).join(': ') || pathname;
}
