/** Pieces as they look from above, in line art: a canvas is drawn anew many times a second, without React. */
import { brownOf, bubblesSeen, type FlatPiece, rimLifts, setFrom } from '@/core/practice/flat';
import { type PracticeRun, slotsOf } from '@/core/practice/run';
import { puffOf, type ShapedPiece, steamOf } from '@/core/practice/shaped';

interface Ink {
  readonly line: string;
  readonly face: string;
  readonly soft: string;
}
const FULL = 2 * Math.PI;
/** A golden face is drawn so dark, and no face darker than the second, share of the ink. */
const GOLDEN_INK = 0.32;
const MOST_INK = 0.85;
const inkOf = (brown: number): number => Math.min(MOST_INK, GOLDEN_INK * brown);

function disc(c: CanvasRenderingContext2D, x: number, y: number, r: number, fill: string, alpha = 1): void {
  c.globalAlpha = alpha;
  c.fillStyle = fill;
  c.beginPath();
  c.arc(x, y, r, 0, FULL);
  c.fill();
  c.globalAlpha = 1;
}
function ring(c: CanvasRenderingContext2D, x: number, y: number, r: number, wide: number, dash: number[] = []): void {
  c.lineWidth = wide;
  c.setLineDash(dash);
  c.beginPath();
  c.arc(x, y, r, 0, FULL);
  c.stroke();
  c.setLineDash([]);
}

/** Steam: so many plumes side by side, each fainter on its way up. */
function steamOver(c: CanvasRenderingContext2D, x: number, y: number, r: number, plumes: number, now: number): void {
  for (let n = 0; n < plumes; n++) {
    const rise = (now * (0.35 + 0.1 * (n % 3)) + n / 6) % 1;
    c.globalAlpha = 1 - rise;
    const [px, py, tall] = [x + 1.7 * r * ((n + 0.5) / plumes - 0.5), y + r * (0.75 - 1.5 * rise), 8 + 8 * rise];
    // a wisp: rings are bubbles
    c.lineWidth = 1.5;
    c.beginPath();
    c.moveTo(px, py);
    c.bezierCurveTo(px + tall / 2, py - tall / 3, px - tall / 2, py - (2 * tall) / 3, px, py - tall);
    c.stroke();
  }
  c.globalAlpha = 1;
}
/** Plumes of a piece that steams as much as a crepe just poured. */
const MOST_PLUMES = 4;

/** @param r of the piece, px @param mm px of a millimetre */
function flatFace(
  c: CanvasRenderingContext2D,
  p: FlatPiece,
  x: number,
  y: number,
  r: number,
  mm: number,
  ink: Ink,
  now: number,
): void {
  c.strokeStyle = ink.line;
  disc(c, x, y, r, ink.face);
  if (p.turnedS !== null) {
    disc(c, x, y, r, ink.line, inkOf(brownOf(p).first));
    ring(c, x, y, r, 2);
    steamOver(c, x, y, r, Math.round(MOST_PLUMES * Math.sqrt(p.steam)), now);
    return;
  }
  const from = setFrom(p);
  // what is set is dull: a wash from the edge inward
  if (from < 1) {
    disc(c, x, y, r, ink.soft, 0.22);
    if (from > 0.03) disc(c, x, y, r * from, ink.face);
  }
  for (const { b, seen } of bubblesSeen(p)) {
    const size = Math.max(1.2, b.mm * mm);
    if (seen === 'stays') disc(c, x + b.x * r, y + b.y * r, size, ink.line);
    else ring(c, x + b.x * r, y + b.y * r, size, 1);
  }
  ring(c, x, y, r, rimLifts(p) ? 4 : 2, from > 0.99 ? [5, 4] : []);
  steamOver(c, x, y, r, Math.round(MOST_PLUMES * Math.sqrt(p.steam)), now);
}

function shapedFace(
  c: CanvasRenderingContext2D,
  p: ShapedPiece,
  x: number,
  y: number,
  r: number,
  ink: Ink,
  now: number,
): void {
  c.strokeStyle = ink.line;
  if (p.does === 'waffle') {
    c.lineWidth = 3;
    c.strokeRect(x - r, y - r, 2 * r, 2 * r);
    // the lid is shut: only its steam is seen
    steamOver(c, x, y, r, Math.ceil(6 * steamOf(p)), now);
    return;
  }
  if (p.does === 'ball') {
    p.brown.forEach((b, n) => {
      const a = ((n - p.at) * Math.PI) / 2;
      c.globalAlpha = inkOf(b);
      c.fillStyle = ink.line;
      c.beginPath();
      c.moveTo(x, y);
      c.arc(x, y, r, a - Math.PI / 4, a + Math.PI / 4);
      c.fill();
      c.globalAlpha = 1;
    });
    ring(c, x, y, r, 2);
    return;
  }
  const high = 0.55 + 0.45 * puffOf(p);
  disc(c, x, y, r * high, ink.face);
  ring(c, x, y, r, 2);
  ring(c, x, y, r * high, 3);
}

/** Draws all that lies on a surface. @param now s, for what moves */
export function drawFaces(canvas: HTMLCanvasElement, run: PracticeRun, now: number): void {
  const { surface } = run;
  const slots = slotsOf(run);
  const c = canvas.getContext('2d');
  const { clientWidth: wide, clientHeight: high } = canvas;
  if (!c || wide === 0) return;
  const ratio = Math.min(2, window.devicePixelRatio || 1);
  if (canvas.width !== Math.round(wide * ratio)) {
    canvas.width = Math.round(wide * ratio);
    canvas.height = Math.round(high * ratio);
  }
  const style = getComputedStyle(canvas);
  const ink: Ink = {
    line: style.getPropertyValue('--color-rim'),
    face: style.getPropertyValue('--color-white'),
    soft: style.getPropertyValue('--color-soft'),
  };
  c.setTransform(ratio, 0, 0, ratio, 0, 0);
  c.clearRect(0, 0, wide, high);
  const cm = wide / surface.wideCm;
  for (const { number, piece, ranCm } of run.pieces) {
    const at = surface.slots[slots.get(number) ?? -1];
    if (piece.offS !== null || !at) continue;
    const [x, y] = [at.x * cm, (at.y + ranCm) * cm];
    if (piece.does === 'flat')
      flatFace(c, piece, x, y, (Math.min(piece.made.acrossCm, surface.acrossCm * 1.1) / 2) * cm, cm / 10, ink, now);
    else shapedFace(c, piece, x, y, (surface.acrossCm / 2) * cm, ink, now);
  }
}
