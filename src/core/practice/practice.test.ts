import { cooked } from '../cooking/cook';
import { piecesFrom } from '../griddle/board';
import { type FlatPiece, staying } from './flat';
import { isOver, LESSONS, lessonById, lessonOf, type PracticeLesson, resultOf, untilBell } from './lessons';
import { advance, beginRun, dropSays, type PracticeRun, placeC, practise, signsOf } from './run';
import { steamStops } from './shaped';
import { cameOff, colourWord, loadOutcome, type PracticePiece } from './worth';

const lesson = (id: string): PracticeLesson => {
  const l = lessonById(id);
  if (!l) throw new Error(`no lesson ${id}`);
  return l;
};
const begin = (id: string, seed = 0.4, dialC = lesson(id).dialC): PracticeRun => {
  const l = lesson(id);
  const of = lessonOf(l, []);
  if (!of) throw new Error('nothing to practise on');
  return beginRun(of, seed, dialC, l.fat);
};
const flat = (run: PracticeRun, n = 0): FlatPiece => {
  const p = run.pieces[n]?.piece;
  if (p?.does !== 'flat') throw new Error('no cake');
  return p;
};
/** Waits for a sign; at most ten minutes. */
const until = (run: PracticeRun, sign: () => boolean): void => {
  const from = run.s;
  while (!sign() && run.s < from + 1500) advance(run, 0.5);
};
const off = (run: PracticeRun, piece = 1): PracticePiece => {
  practise(run, { do: 'off', piece });
  return (run.pieces[piece - 1] as PracticeRun['pieces'][number]).piece;
};
const middleOf = ({ surface: { slots, wideCm, deepCm } }: PracticeRun): number => {
  const far = slots.map((at) => Math.hypot(at.x - wideCm / 2, at.y - deepCm / 2));
  return far.indexOf(Math.min(...far));
};
/** One cake, turned so many seconds after its best moment, and taken off when it is done. */
function cake(
  dialC: number,
  afterBestS: number,
): { readonly run: PracticeRun; readonly said: string; readonly piece: FlatPiece } {
  // where its best moment is, by a piece of the same seed that nobody turns
  const watched = begin('first-cake', 0.4, dialC);
  practise(watched, { do: 'pour', slot: middleOf(watched), much: 'usual' });
  until(watched, () => flat(watched).bestS !== null);
  const at = watched.s + afterBestS;
  const run = begin('first-cake', 0.4, dialC);
  practise(run, { do: 'pour', slot: middleOf(run), much: 'usual' });
  advance(run, at);
  const said = practise(run, { do: 'turn', piece: 1 });
  until(run, () => flat(run).doneS !== null || flat(run).s > at + 150);
  off(run);
  return { run, said, piece: flat(run) };
}

test('turned at its sign a cake comes out golden', () => {
  const { said, piece } = cake(187, 0);
  expect(said).toBe('Turned clean.');
  expect(colourWord(piece.middle.brown.first)).toBe('golden');
  expect(cameOff(piece)).toMatchObject({ byS: 0, losses: [] });
  expect(cameOff(piece).worth).toBeGreaterThan(0.95);
});

test('a minute early it splashes, a minute late it is dark and flatter', () => {
  const early = cake(187, -60);
  expect(early.said).toBe('Wet batter flies out as it lands.');
  expect(cameOff(early.piece).losses[0]?.was).toBe('batter thrown out');
  expect(cameOff(early.piece).worth).toBeLessThan(0.5);
  // when it would have been best, though it never lay so long
  expect(Math.abs((cameOff(early.piece).byS ?? 0) + 60)).toBeLessThan(8);
  const late = cake(187, 60);
  expect(late.piece.middle.brown.first).toBeGreaterThan(1.4);
  expect(cameOff(late.piece)).toMatchObject({ byS: 60 });
  expect(cameOff(late.piece).losses.map((l) => l.was)).toEqual(['dark on the first side', 'flat']);
});

test('on a cool griddle it is pale, on a hot one dark before it is set', () => {
  const cool = cake(150, 0).piece;
  expect(cameOff(cool).losses[0]?.was).toBe('pale on the first side');
  expect(cameOff(cool).advice).toMatch(/more heat/);
  const hot = cake(235, 0).piece;
  expect(cameOff(hot).losses[0]?.was).toMatch(/^(?:dark|burnt) on the first side/);
  expect(cameOff(hot).advice).toMatch(/less heat/);
});

test('the best moment is the model’s turn, within a tenth; signs come in their order', () => {
  for (const dialC of [172, 187, 202]) {
    const run = begin('first-cake', 0.4, dialC);
    practise(run, { do: 'pour', slot: 0, much: 'usual' });
    const p = flat(run);
    until(run, () => p.lateS !== null);
    const model = cooked(p.made.pour, { surfaceC: placeC(run, 0), roomC: 24, lid: false }, p.made.how).firstS;
    expect(Math.abs((p.bestS ?? 0) / model - 1)).toBeLessThan(0.1);
    expect(p.firstSignS ?? 0).toBeLessThan(p.bestS ?? 0);
    expect(p.bestS ?? 0).toBeLessThan(p.lateS ?? 0);
    expect(staying(p)).toBe(1);
  }
});

test('the same seed and acts at the same seconds give the same piece; another seed other bubbles', () => {
  const of = (seed: number): string => {
    const run = begin('two', seed);
    practise(run, { do: 'pour', slot: 0, much: 'usual' });
    advance(run, 4);
    practise(run, { do: 'pour', slot: 1, much: 'more' });
    advance(run, 60);
    const looked = practise(run, { do: 'peek', piece: 1 });
    advance(run, 80);
    return JSON.stringify([looked, run.pieces.map((p) => [cameOff(p.piece), p.piece])]);
  };
  expect(of(0.2)).toBe(of(0.2));
  expect(of(0.2)).not.toBe(of(0.7));
});

test('looked under too soon it may tear, and the look costs heat and height', () => {
  const torn = Array.from({ length: 12 }, (_, n) => {
    const run = begin('first-cake', n / 12);
    practise(run, { do: 'pour', slot: 0, much: 'usual' });
    advance(run, 30);
    practise(run, { do: 'peek', piece: 1 });
    return flat(run).torn > 0;
  });
  expect(torn.filter(Boolean).length).toBeGreaterThan(6);
  const run = begin('first-cake');
  practise(run, { do: 'pour', slot: 0, much: 'usual' });
  until(run, () => flat(run).bestS !== null);
  const before = flat(run).middle.brown.first;
  expect(practise(run, { do: 'peek', piece: 1 })).toMatch(/^Beneath it is (?:light|golden)/);
  advance(run, 4);
  expect(flat(run).middle.brown.first).toBe(before);
  expect(flat(run).creases).toBe(1);
});

test('the drop of water by its degrees', () => {
  expect([90, 130, 175, 210].map((c) => dropSays(c).split(':')[0])).toEqual([
    'It sits and steams',
    'It sizzles away in a few seconds',
    'It dances for a while',
    'It skitters off as mist',
  ]);
});

test('a crepe is run over its pan at once, and turned when it slides', () => {
  const crepe = (swirlAfterS: number, turn: (p: FlatPiece) => boolean): FlatPiece => {
    const run = begin('crepes');
    practise(run, { do: 'pour', slot: 0, much: 'usual' });
    advance(run, swirlAfterS);
    practise(run, { do: 'swirl', piece: 1 });
    until(run, () => turn(flat(run)));
    practise(run, { do: 'turn', piece: 1 });
    advance(run, 16);
    off(run);
    return flat(run);
  };
  const good = crepe(2, (p) => p.bestS !== null);
  expect(cameOff(good).worth).toBeGreaterThan(0.9);
  expect(cameOff(crepe(2, (p) => p.s > 25)).losses[0]?.was).toBe('torn');
  expect(cameOff(crepe(9, (p) => p.s > 110)).losses.map((l) => l.was)).toContain('thick where it was poured');
});

test('a waffle opened with its steam tears in two; when the steam stops it is golden', () => {
  const waffle = (open: (p: PracticePiece) => boolean): PracticePiece => {
    const run = begin('waffles');
    practise(run, { do: 'pour', slot: 0, much: 'usual' });
    const p = run.pieces[0]?.piece as PracticePiece;
    until(run, () => open(p));
    return off(run);
  };
  expect(cameOff(waffle((p) => p.s > 60)).losses[0]?.was).toBe('in two halves');
  expect(cameOff(waffle((p) => p.does === 'waffle' && steamStops(p))).worth).toBeGreaterThan(0.9);
  expect(cameOff(waffle((p) => p.s > 520)).losses[0]?.was).toMatch(/dark|burnt/);
});

test('a ball by its quarters, an oven pancake behind its door', () => {
  const ball = (everyS: number): PracticePiece => {
    const run = begin('balls');
    practise(run, { do: 'pour', slot: 0, much: 'usual' });
    for (let n = 0; n < 4; n++) {
      advance(run, everyS);
      if (n < 3) practise(run, { do: 'turn', piece: 1 });
    }
    return off(run);
  };
  expect(cameOff(ball(50)).worth).toBeGreaterThan(0.9);
  expect(cameOff(ball(12)).losses.map((l) => l.was)).toContain('liquid within');
  const oven = (openAt: number | null): PracticePiece => {
    const run = begin('door');
    practise(run, { do: 'pour', slot: 0, much: 'usual' });
    if (openAt !== null) {
      advance(run, openAt);
      practise(run, { do: 'peek', piece: 1 });
    }
    advance(run, 1080 - (openAt ?? 0));
    return off(run);
  };
  expect(cameOff(oven(null)).worth).toBeGreaterThan(0.9);
  expect(cameOff(oven(400)).losses[0]?.was).toBe('fallen');
  expect(cameOff(oven(900)).worth).toBeGreaterThan(0.9);
});

/** A learner who goes by the signs, in the order of pouring. */
function bySigns(
  run: PracticeRun,
  pieces: number,
  order: (n: readonly number[]) => readonly number[] = (n) => n,
): void {
  for (let n = 0; n < pieces; n++) {
    practise(run, { do: 'pour', slot: n, much: 'usual' });
    advance(run, 5);
  }
  const numbers = order(Array.from({ length: pieces }, (_, n) => n + 1));
  for (const piece of numbers) {
    until(run, () => flat(run, piece - 1).bestS !== null);
    practise(run, { do: 'turn', piece });
    advance(run, 1);
  }
  for (const piece of numbers) {
    until(run, () => flat(run, piece - 1).doneS !== null);
    off(run, piece);
  }
}

test('eight in order pass; turned from the last to the first they don’t, and it is said which', () => {
  const run = begin('eight');
  bySigns(run, 8);
  expect(isOver(lesson('eight'), run)).toBe(true);
  expect(resultOf(lesson('eight'), run)).toMatchObject({ passed: true });
  // the board knows the same pieces, by the same taps
  expect(piecesFrom(run.taps).map((p) => [p.piece, p.pulledAt !== null])).toEqual(
    run.pieces.map((p) => [p.number, true]),
  );
  const back = begin('eight');
  bySigns(back, 8, (n) => [...n].reverse());
  const result = resultOf(lesson('eight'), back);
  expect(result.passed).toBe(false);
  expect(result.points[0]).toMatchObject({ met: false });
  expect(loadOutcome(back.pieces).outOfOrder).toContain(1);
});

test('too hot: poured at once it is not passed; read, turned down and waited for it is', () => {
  const rash = begin('too-hot');
  bySigns(rash, 1);
  expect(resultOf(lesson('too-hot'), rash).passed).toBe(false);
  const run = begin('too-hot');
  expect(practise(run, { do: 'drop' })).toMatch(/too hot/);
  practise(run, { do: 'dial', toC: 187 });
  until(run, () => placeC(run, 0) < 180);
  bySigns(run, 1);
  expect(resultOf(lesson('too-hot'), run)).toMatchObject({ passed: true });
});

test('the bell rings twelve minutes after the first pour, and what lies there then counts against it', () => {
  const l = lesson('bell');
  const run = begin('bell');
  expect(untilBell(l, run)).toBeNull();
  advance(run, 30);
  practise(run, { do: 'pour', slot: 0, much: 'usual' });
  expect(untilBell(l, run)).toBe(720);
  advance(run, 719);
  expect(isOver(l, run)).toBe(false);
  advance(run, 1);
  expect(isOver(l, run)).toBe(true);
  expect(resultOf(l, run).points.map((p) => p.met)).toEqual([false, false]);
});

test('every lesson can be practised in a kitchen that has noted nothing, and says its signs in words', () => {
  for (const l of LESSONS) {
    const run = begin(l.id);
    expect(run.surface.slots.length).toBeGreaterThanOrEqual(l.bellS === null ? Math.min(l.pieces, 1) : 4);
    if (l.id === 'eight') expect(run.surface.slots.length).toBeGreaterThanOrEqual(8);
    practise(run, { do: 'pour', slot: 0, much: 'usual' });
    advance(run, 60);
    expect(signsOf((run.pieces[0] as PracticeRun['pieces'][number]).piece).join('')).not.toBe('');
  }
});

test('a crepe that nobody ran over its pan is told to be run over it, in plain words', () => {
  const run = begin('crepes');
  practise(run, { do: 'pour', slot: 0, much: 'usual' });
  until(run, () => flat(run).swirled === false);
  advance(run, 30);
  practise(run, { do: 'turn', piece: 1 });
  const { losses } = cameOff(off(run));
  expect(losses.find((l) => l.was === 'thick where it was poured')?.advice).toBe(
    'Run it over the pan at once, within four seconds.',
  );
});

test('on a plate that leans a pour runs 2 mm a degree downhill, and what lies past the edge runs off', () => {
  const level = begin('eight');
  expect(practise(level, { do: 'pour', slot: 0, much: 'usual' })).not.toContain('runs');
  const leans = begin('eight');
  expect(practise(leans, { do: 'lean', deg: 3 })).toBe('The plate leans 3° to its front.');
  const { slots, deepCm } = leans.surface;
  const front = slots.findIndex((at) => at.y === Math.max(...slots.map((s) => s.y)));
  expect(practise(leans, { do: 'pour', slot: 0, much: 'usual' })).toMatch(/ It runs 6 mm to the front/);
  expect(leans.pieces[0]?.ranCm).toBeCloseTo(0.6);
  const back = flat(leans).splash;
  practise(leans, { do: 'pour', slot: front, much: 'more' });
  const past = (slots[front]?.y ?? 0) + 0.6 + flat(leans, 1).made.acrossCm / 2 - deepCm;
  expect(back).toBe(0);
  expect(flat(leans, 1).splash).toBeCloseTo(Math.max(0, past / flat(leans, 1).made.acrossCm), 6);
  // a pour on the level again lies where it was put
  practise(leans, { do: 'lean', deg: 0 });
  practise(leans, { do: 'pour', slot: 1, much: 'usual' });
  expect(leans.pieces[2]?.ranCm).toBe(0);
});

test('a crepe steams much as it is poured, and less as it dries; a cake a little; both are told in words', () => {
  const crepe = begin('crepes');
  practise(crepe, { do: 'pour', slot: 0, much: 'usual' });
  practise(crepe, { do: 'swirl', piece: 1 });
  advance(crepe, 40);
  const early = flat(crepe).steam;
  expect(signsOf(flat(crepe))).toContain('much steam');
  advance(crepe, 155);
  expect(flat(crepe).steam).toBeLessThan(early / 3);
  const cakes = begin('first-cake');
  practise(cakes, { do: 'pour', slot: 0, much: 'usual' });
  advance(cakes, 30);
  expect(signsOf(flat(cakes))).toContain('a little steam');
});
