import { JobSpecSchema } from './door';
import { LINDMOOR, SHELF } from './line-1.fixture';
import { ferryTimetable } from './line-3.fixture';
import { planned } from './plan';
import { riverOf } from './readings/river';
import { ticketPages } from './readings/ticket';
it('x', () => {
  const spec = JobSpecSchema.parse(ferryTimetable());
  const made = planned(spec, LINDMOOR, SHELF);
  const { plan } = made;
  const v = (id: string) => plan.figures[id]?.value;
  const out: string[] = [];
  for (const f of Object.values(plan.forms))
    out.push(
      `${f.id} ${f.name} ${f.style} ${f.stock} up ${v(f.id + '.copiesUp')} layout ${f.layout?.imposed?.flats.length} at ${f.layout?.imposed?.flats.map((x) => [x.x, x.y, x.w, x.h].join(',')).join(' | ')}`,
    );
  for (const [id] of Object.entries(plan.steps))
    out.push(
      `${id} run ${v(id + '.run')} need ${v(id + '.need')} setup ${v(id + '.setupCycles')} setupS ${v(id + '.setupS')} rate ${v(id + '.rate')}`,
    );
  for (const s of riverOf(plan))
    out.push(`${s.id} in ${s.inCopies.toFixed(0)} out ${s.outCopies.toFixed(0)} lost ${s.lostCopies.toFixed(1)} from ${s.from.join(' ')}`);
  for (const k of ['closedMm', 'creepMm', 'stitchMm', 'wireM', 'wireKg', 'copyKg']) out.push(`${k} ${v('booklet.text.stitch.' + k)}`);
  out.push(JSON.stringify(plan.items));
  for (const f of plan.findings) out.push(`${f.code} ${f.level} ${f.at} ${JSON.stringify(f.args)}`);
  out.push(JSON.stringify(plan.forms['booklet.text.f1']?.sectionPlans?.map((p) => [p.sections.join('+'), p.forms, p.sheetsACopy])));
  for (const p of ticketPages(made)) {
    out.push('## ' + p.department + ' ' + p.stone.name + ' ' + p.stone.id);
    for (const l of p.lists) {
      out.push(l.title);
      for (const r of l.rows) out.push('   ' + r.join(' | '));
    }
    for (const r of p.rows) out.push(`  - ${r.label}: ${r.text ?? ''} ${r.figure ? v(r.figure) : ''}`);
  }
  console.log(out.join('\n'));
  const t = performance.now();
  for (let i = 0; i < 20; i++) planned(spec, LINDMOOR, SHELF);
  console.log((performance.now() - t) / 20);
});
