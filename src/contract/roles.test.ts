import { readdirSync } from 'node:fs';
import { SENT_ACTS } from './acts';
import { atLeast, EVERY_ACT, leastAt, leastFor, MAY, type May } from './roles';

/** Every address that the app answers, with a made-up id for each part that has one. */
function addresses(): readonly string[] {
  const files = readdirSync('src/app', { recursive: true, encoding: 'utf8' });
  return files
    .filter((f) => /(?:^|\/)(?:page\.tsx|route\.ts)$/.test(f))
    .map((f) => `/${f.replace(/\/?(?:page\.tsx|route\.ts)$/, '')}`)
    .map((p) => p.replace('[...rest]', 'else').replaceAll(/\[\w+\]/g, '0b8f5c0e-0000-4000-8000-000000000001'));
}
const openTo = (may: May): readonly string[] => addresses().filter((a) => atLeast(may, leastAt(a)));

test('who has not signed sees the table, and what signing needs; a helper what is under the hands', () => {
  expect(openTo('guest').toSorted()).toEqual([
    '/acts',
    '/api/changes',
    '/api/health',
    '/pair',
    '/pair/in',
    '/sign',
    '/sign/in',
    '/sign/out',
    '/table',
  ]);
  const id = '0b8f5c0e-0000-4000-8000-000000000001';
  expect(
    openTo('helper')
      .filter((a) => !openTo('guest').includes(a))
      .toSorted(),
  ).toEqual([
    '/',
    `/api/batches/${id}/events`,
    '/api/scale',
    '/api/shell',
    '/api/surface',
    `/batches/${id}/griddle`,
    `/batches/${id}/notice`,
    `/batches/${id}/plan`,
    `/batches/${id}/prep`,
    `/batches/${id}/print/${id}`,
    `/griddles/${id}`,
    `/mornings/${id}`,
    `/mornings/${id}/board`,
    `/mornings/${id}/calendar`,
    `/mornings/${id}/papers`,
    `/photos/${id}/${id}`,
    '/practice',
    `/practice/${id}`,
    `/practice/drill/${id}`,
    `/trials/${id}/taste`,
  ]);
});

test('what is for who leads alone: devices, records and backups, a whole kitchen or pantry taken in', () => {
  const cooks = new Set(openTo('cook'));
  const shut = addresses().filter((a) => !cooks.has(a));
  expect(shut.filter((a) => !/^\/(?:house\/(?:archive|devices|records)|pantry\/import)/.test(a)).toSorted()).toEqual([
    '/api/else',
  ]);
});

test('every act has its least role: nothing is done by a guest, ticks, taps and their own practice by a helper, no more', () => {
  expect(Object.keys(SENT_ACTS).filter((a) => !EVERY_ACT.includes(a as never))).toEqual([]);
  const by = (may: May) => EVERY_ACT.filter((a) => leastFor(a) === may);
  expect(by('guest')).toEqual([]);
  expect(by('helper').toSorted()).toEqual(['forget-tries', 'keep-try', 'mark-step', 'tell-events', 'tell-taste']);
  for (const a of ['set-house', 'erase-person', 'void-lot', 'back-up', 'pairing-code', 'set-pin'] as const)
    expect([a, leastFor(a)]).toEqual([a, 'lead']);
  for (const a of ['save-formula', 'start-batch', 'save-outcome', 'count-stock'] as const)
    expect([a, leastFor(a)]).toEqual([a, 'cook']);
  expect(MAY.map((m) => EVERY_ACT.filter((a) => atLeast(m, leastFor(a))).length)).toEqual([
    0,
    5,
    EVERY_ACT.length - by('lead').length,
    EVERY_ACT.length,
  ]);
});
