import { PRACTICE_TASKS, PRACTICE_VEHICLES, plannedPath } from './core/practice/index.ts';
import { instancesFor } from './core/diagnosis/index.ts';
import { DEFAULT_OWNER } from './core/case/index.ts';
import { AdapterPort, connect, takeScan } from './core/link/index.ts';
import { CARS, INSTANT_CLOCK, StandIn } from './simulator/index.ts';
const now = new Date('2026-11-03T12:00:00Z');
let solved=0;
const t0=Date.now();
for (const task of PRACTICE_TASKS) {
  const vehicle = { ...PRACTICE_VEHICLES[task.car], id: 'veh_practice' };
  const ids = new Set(instancesFor(vehicle, now).map(i=>i.id));
  for (const p of task.parts) if (!ids.has(p.cause)) console.log('NO CAUSE', task.id, p.cause);
  const read = async (wrong) => {
    const car = new StandIn({ car: CARS.find(c=>c.id===task.car), faults: task.parts.map(p=>p.fault) as any, seed: task.seed, clock: INSTANT_CLOCK, temperament: 'instant' });
    if (task.kind==='comes-and-goes') car.engine.faults=[];
    if (wrong.length < task.parts.length) { car.engine.faults = wrong.map(p=>p.fault); (car.unit as any).memory.clear(); car.drive(); car.drive(); }
    car.warmUp();
    const c = await connect(new AdapterPort(car.plugIn(), INSTANT_CLOCK)); if (!c.ok) throw new Error('x');
    return (await takeScan(c.connection)).scan;
  };
  const record = { id:'case_p', vehicle: vehicle.id, title:'P', openedAt:'2026-11-03T06:00:00.000Z', entries: [
    ...task.lamps.map((l,i)=>({kind:'lamp',id:'ent_l'+i,at:'2026-11-03T06:00:00.000Z',...l})),
    ...task.signs.map((s,i)=>({kind:'observation',id:'ent_s'+i,at:'2026-11-03T06:00:00.000Z',observation:s,answer:'yes'})) ] } as any;
  const path = await plannedPath(record, { task, vehicle, owner: DEFAULT_OWNER, now }, read);
  const helped = path.steps.some(s=>s.title==='Get help');
  if (path.isSolved) solved++;
  console.log(path.isSolved?'ok ':'NO ', helped?'help':'    ', task.id, path.steps.length, Math.round(path.cost), 'needless', Math.round(path.needless), path.isSolved&&!helped?'':JSON.stringify(path.steps.slice(-3).map(s=>[s.title,s.result,s.leads?.title,s.leads?.chance.toFixed(2),s.truth.toFixed(2)])));
}
console.log(PRACTICE_TASKS.length, solved, Date.now()-t0);
