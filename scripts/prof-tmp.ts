import { readFileSync } from 'node:fs';
import { decodePicture } from '@/data/photos/decode';
import { measurePicture } from '@/core/photo/measure';
const p=await decodePicture(readFileSync('/tmp/12.jpg')); const spec=JSON.parse(readFileSync('/tmp/12.json','utf8'));
const o=[];for(let i=0;i<20;i++){const t=performance.now();measurePicture(p,spec);o.push((performance.now()-t)|0)} console.log(o.join(' '));
