import { writeFileSync } from 'node:fs';
import { toJpeg } from '@/simulators/camera/jpeg';
import { handheld, homeComputer } from '@/simulators/camera/machines';
import { LIGHTS, PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';
console.time('12');const t=takePhotograph(homeComputer({amount:20,oneSided:{angleDeg:0,farShare:.55}},{amount:26}),{...PLAIN_SHOT,width:4000,height:3000,noiseCodes:2}); console.timeEnd('12');
writeFileSync('/tmp/12.jpg',await toJpeg(t.picture)); writeFileSync('/tmp/12.json',JSON.stringify({card:t.spec.card,reference:'hidden',regions:[{id:'whole',polygon:[[0,0],[4000,0],[4000,3000],[0,3000]]},t.spec.regions[1]]}));
console.time('2');const h=takePhotograph(handheld({amount:20}),{...PLAIN_SHOT,light:LIGHTS['warm lamp']}); console.timeEnd('2');writeFileSync('.shots/hand.jpg',await toJpeg(h.picture));
