import { readFileSync } from 'node:fs';
import { decodePicture } from '@/data/photos/decode';
import { measurePicture } from '@/core/photo/measure';
const p=await decodePicture(readFileSync('/tmp/12.jpg')); const spec=JSON.parse(readFileSync('/tmp/12.json','utf8'));
for(let i=0;i<6;i++){const t=performance.now();measurePicture(p,spec);console.log((performance.now()-t)|0)}
