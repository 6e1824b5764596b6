import sharp from 'sharp';
const [,, out, ...files]=process.argv; const H=1000; const imgs=[]; let x=0;
for(const f of files){const b=await sharp(f).resize({height:H}).png().toBuffer({resolveWithObject:true}); imgs.push({input:b.data,left:x,top:0}); x+=b.info.width+12;}
await sharp({create:{width:x,height:H,channels:3,background:'#888'}}).composite(imgs).png().toFile(out!);
