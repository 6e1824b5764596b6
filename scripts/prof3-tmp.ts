import { readFileSync } from 'node:fs';
import { decodePicture } from '@/data/photos/decode';
import { pixelWords } from '@/core/photo/picture';
const p=await decodePicture(readFileSync('/tmp/12.jpg')); const n=12e6; const w=pixelWords(p); console.log(p.data.byteOffset);
const slots=new Int32Array(1<<24); const pool=new Uint16Array(n); const counts=new Int32Array(1<<16);
function nk(words: Uint32Array, from: number, to: number, slots: Int32Array, ids: Uint16Array, start: number): number {
  let at = start;
  for (let i = from; i < to; i++) { const slot = slots[words[i]! & 0xffffff]!; if (slot === 0) return i; ids[at++] = slot - 1; }
  return to;
}
function cnt(ids:Uint16Array,counts:Int32Array){for (let i = 0; i < ids.length; i++) counts[ids[i]!]!++;}
let size=0;
const o=[] as string[];
for(let k=0;k<10;k++){ const s=performance.now(); let re=0;
 for(let y=0;y<3000;y++){const end=(y+1)*4000;for(let i=y*4000;i<end;){const met=nk(w,i,end,slots,pool,i);i=met;if(i<end){slots[w[i]!&0xffffff]=++size;re++}}}
 const m=performance.now(); cnt(pool,counts); o.push(`${(m-s)|0}+${(performance.now()-m)|0}(${re})`); if(k>4){slots.fill(0);size=0;}}
console.log(o.join(' '));
