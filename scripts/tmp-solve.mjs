import { readFileSync, writeFileSync } from 'node:fs';
import loadHighs from 'highs';
import { openBook } from '/work/main/core/dist/box/index.js';
import { readSeasonFile } from '/work/main/core/dist/season/index.js';
import { planSeason, solveSeason, breachesOf, endsLate } from '/work/main/core/dist/plan/index.js';
import { solveWithHighs } from '/work/main/core/dist/solver/index.js';
const f = readSeasonFile(JSON.parse(readFileSync('/work/main/demo/season.json'))).file;
const highs = await loadHighs();
const solver = async (m, o) => solveWithHighs(highs, m, o);
const book = openBook(f);
const t = performance.now();
const p0 = planSeason(book, f.orders, f.writtenFor, f.plan);
console.log('draft', breachesOf(p0, book).map(b=>b.message), endsLate(p0, book, p0.days.map(d=>d.day)).map(b=>b.message));
let last=0;
const s = await solveSeason({ book, orders: f.orders, today: f.writtenFor, before: process.argv[2]==='fresh'?null:f.plan }, solver, { gap: 0.01, seconds: 60, onProgress: (p)=>{ if (p.seconds-last>3){last=p.seconds; console.log(p.seconds.toFixed(1), p.objective, p.bound);} } });
console.log(s.status, s.gap, s.objective, s.seconds, (performance.now()-t)/1000, s.clash);
if (s.guide) { const p = planSeason(book, f.orders, f.writtenFor, s.guide);
 console.log(breachesOf(p, book).map(b=>b.message), endsLate(p, book, p.days.map(d=>d.day)).map(b=>b.message), p.makings.length, p.leftOverGrams, p.shoppingCostMinor);
 if (process.argv[3]) { const raw = JSON.parse(readFileSync('/work/main/demo/season.json')); raw.plan = s.guide; writeFileSync('/work/main/demo/season.json', JSON.stringify(raw, null, 2)+'\n'); } }
