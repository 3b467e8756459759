import { bodyById, coats, colouringOf } from '@peen/content'
import { runTrial, summarise, trialDog, trialTrims, type TrialRow } from '@peen/devices/trial'
const [by, n, seed, geo] = process.argv.slice(2) as [string,string,string,string]
const trims = trialTrims(coats, bodyById)
const colours = ['white', 'apricot', 'wheaten', 'cream', 'black'].map(colouringOf)
const rows: TrialRow[] = []; let refused: string[]=[]; let doubts=0
for (let k=0;k<+n;k++) { const d=trialDog(+seed+k,trims,colours,2,by as never)
 try { const r=runTrial(d,+seed+k,geo==='geo'); rows.push(...r.rows); if(r.refused) refused.push(`${+seed+k}`+r.refused); if(r.doubts.length) doubts++ } catch(e){refused.push(`${+seed+k} ${e}`)} }
console.table(summarise(rows).map(r=>({m:r.measure,n:r.n,bias:+r.bias.toFixed(2),spread:+r.spread.toFixed(2),u:+r.medianU.toFixed(2),cov:+r.covered.toFixed(3)})))
const all=rows.length; const c=rows.filter(r=>Math.abs(r.value-r.truth)<=1.96*r.u).length
console.log(by,'all',all,(c/all).toFixed(3),'doubted',doubts,'refused',refused.length,refused.slice(0,8))
