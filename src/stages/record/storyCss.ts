/** Style of the story, on its page and in the exported file; it needs no other. */
export const STORY_CSS = `
.story{--ink:#22282b;--soft:#565e61;--line:#cfc8b8;--paper:#fbf8f1;color:var(--ink);line-height:1.45}
.dark .story{--ink:#ebe6da;--soft:#a9afa5;--line:#3d4549;--paper:#22282b}
.story h2{font-size:1.45em;border-bottom:1px solid var(--soft);margin:1.8em 0 .6em;padding-bottom:.15em;font-weight:650}
.story h3{font-size:1.1em;margin:1.1em 0 .3em;font-weight:650}
.story dl{display:grid;grid-template-columns:max-content 1fr;gap:.2em 1.2em}
.story dt{color:var(--soft)}.story dd{margin:0}
.story ul{padding-left:1.1em;list-style:disc}.story p{margin:.4em 0}
.story .tag{background:#e6d9a8;color:#2b2614;font-family:'Atkinson Hyperlegible Mono',monospace;padding:.05em .6em}
.story .pair{display:grid;grid-template-columns:1fr 1fr;gap:10px}.story .pair img,.story .row img{width:100%;aspect-ratio:4/3;object-fit:cover;display:block}
.story .pair.face img{aspect-ratio:auto;object-fit:contain}.story .row{display:grid;grid-template-columns:repeat(auto-fill,minmax(150px,1fr));gap:10px;margin:.6em 0}
.story .drawn{display:flex;flex-wrap:wrap;gap:14px;margin:.6em 0}.story .drawn figure{max-width:100%}.story .drawn img{width:100%;background:#fff;display:block}
.story figure{margin:0}.story figcaption{color:var(--soft);font-size:.85em}
.story .swatches{display:flex;gap:14px;align-items:center;flex-wrap:wrap;margin:.6em 0}
.story .swatch{display:inline-block;width:46px;height:46px;border:1px solid var(--soft);vertical-align:middle;margin-right:.5em}
.story .scroll{overflow-x:auto}.story table{border-collapse:collapse;width:100%}
.story th,.story td{border-top:1px solid var(--line);padding:.3em .6em .3em 0;text-align:left;vertical-align:top}
.story td.n,.story th.n{text-align:right;font-family:'Atkinson Hyperlegible Mono',monospace;font-variant-numeric:tabular-nums}
.story *{print-color-adjust:exact;-webkit-print-color-adjust:exact}
@media(max-width:480px){.story dl{grid-template-columns:1fr}.story dt{margin-top:.4em}.story .pair{grid-template-columns:1fr}}
.story .log td:first-child{white-space:nowrap;color:var(--soft)}
`;
