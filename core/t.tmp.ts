import { CAUSES, CHECKS, OBSERVATIONS } from '@pincer/core/knowledge';
console.log(CAUSES.length, CHECKS.length, Object.keys(OBSERVATIONS).length);
const ids=new Set(CAUSES.map(c=>c.id));
for(const c of CHECKS){ for(const [k,v] of Object.entries(c.given)){ if(!ids.has(k)) console.log('bad',c.id,k); if(v.length!==c.outcomes.length||Math.abs(v.reduce((a,b)=>a+b,0)-1)>1e-9) console.log('sum',c.id,k,v);} if(c.otherwise.length!==c.outcomes.length||Math.abs(c.otherwise.reduce((a,b)=>a+b,0)-1)>1e-9) console.log('sum',c.id,c.otherwise)}
for(const c of CAUSES) if(!CHECKS.some(k=>c.id in k.given)) console.log('no check',c.id);
