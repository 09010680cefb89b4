/**
 * A piece on the heat: how warmth, water and gas move through it, step by step. A column of 22 layers of fixed dry
 * matter between a plate below and the room above; the layers are thinnest at the two faces. A model whose constants
 * were never measured in a kitchen: times are good to about a quarter while the pour is under 7 mm, and say nothing over
 * 8 mm, where a real piece is heated by its edge and by steam too. Colour and loss are for comparing only.
 *
 * SI units within: kg, m, s, W, J, by the square metre of the piece; temperatures in degrees Celsius. One piece is
 * stepped in place: a thousand steps of new arrays would be slower than a pancake is allowed to be.
 */

const LAYERS = 22;
/** Each layer weighs so many times its neighbour nearer to a face, up to a limit. */
const GROWS = 1.25;
const WIDEST = 2;

const DRY_KG_M3 = 1350;
const WATER_KG_M3 = 1000;
const AIRLESS_M3_KG = 1 / 1080;
const DRY_J_KG = 1650;
const WATER_J_KG = 4180;
const STEAM_J_KG = 2.26e6;

/** W/m2K: plate to the first side, to the second, and face to the room. */
const PLATE_FIRST = 300;
const PLATE_SECOND = 210;
const ROOM = 6;
const EMITS = 0.9;
const STEFAN = 5.67e-8;
/** Share of saturation of the room's air. */
const ROOM_HUMID = 0.55;
/** Degrees under a lid. */
const LIDDED_C = 85;

/** The plate: J/m2K, the most it is fed, W/m2, and how hard its thermostat answers, W/m2K. */
const PLATE_J = 16e3;
const PLATE_MOST = 20e3;
const PLATE_ANSWERS = 1200;

/** W/mK of crumb: dry, and wet from 1.2 g of water a gram of dry matter on. */
const CRUMB_DRY = 0.16;
const CRUMB_WET = 0.5;
const WET_FROM = 1.2;
/** Below this water is bound: no steam crosses the bubbles. */
const STEAM_FROM = 0.15;
const DRY_GAS = 0.03;

/** Share of the gas that stays in the crumb, and the degrees by which it has swollen. */
const KEPT_GAS = 0.45;
const SWOLLEN_C = 85;

/** Boiling point 100 + 70 exp(-X / 0.055) degrees, X g of water a gram of dry matter. */
const CRUST_C = 70;
const CRUST_X = 0.055;
/** Share of the steam that becomes water again in layers cooler than this. */
const BACK_TO_WATER = 0.2;
const BACK_BELOW_C = 96;
/** kg/m2 of the free face that give up water to the room, and the water content under which that slows. */
const SKIN = 0.2;
const SKIN_WET = 0.3;

/** Browning: 1 is golden after 66 s at 145 degrees; it rises by so much with heat. */
const GOLDEN_S = 66;
const GOLDEN_C = 145;
const BROWNS_J_MOL = 95e3;
const R = 8.314;
const BROWNS_FROM_C = 105;

/** The turn is read at this share of the mass below the free face; the core is the middle 76 %. */
const CUE_DEPTH = 0.12;
const CORE_FROM = 0.12;
const CORE_TO = 0.88;

export interface PouredLayer {
  /** kg of batter by the square metre it covers. */
  readonly kgPerM2: number;
  /** g/mL as it is poured. */
  readonly densityGPerMl: number;
  /** Of the batter's mass. */
  readonly waterShare: number;
  /** mL of gas at 95 C that 100 g can still give. */
  readonly liftMl: number;
  readonly batterC: number;
  /** How fast it browns against a batter of pH 6.8 and usual sugar: 1. */
  readonly browns: number;
}

export interface Plate {
  readonly surfaceC: number;
  readonly roomC: number;
  readonly lid: boolean;
}

/** Vapour over water, Pa. */
const vapourPa = (c: number): number => 611.2 * Math.exp((17.62 * c) / (243.1 + c));

/** By the degree, 0 to 301: vapour pressure, and the conduction of a bubble with the steam that crosses it, W/mK. */
const VAPOUR = new Float64Array(302);
const BUBBLE = new Float64Array(302);
for (let c = 0; c < VAPOUR.length; c++) {
  VAPOUR[c] = c <= 100 ? vapourPa(c) : 101_325;
  const at = Math.min(c, 97);
  const pa = 0.97 * vapourPa(at);
  const diffuses = 2.2e-5 * ((at + 273) / 273) ** 1.8;
  const perDegree = 0.97 * (vapourPa(at + 0.5) - vapourPa(at - 0.5));
  const carried = (2.35e6 * diffuses * perDegree * 101_325) / (101_325 - pa) / (461.5 * (at + 273));
  BUBBLE[c] = 0.028 + (c <= 100 ? Math.min(2.5, carried) : 0);
}
function between(table: Float64Array, c: number): number {
  const at = Math.min(299, Math.max(0, c));
  const low = Math.floor(at);
  const under = table[low] as number;
  return under + ((table[low + 1] as number) - under) * (at - low);
}

const boilsAt = (water: number, dry: number): number => 100 + CRUST_C * Math.exp(-water / dry / CRUST_X);

/** A piece that lies on the heat; layer 0 touches the plate. */
export interface PieceOnHeat {
  readonly pour: PouredLayer;
  /** What its plate is held at: another where the heat is set anew, or the piece is moved. */
  plate: Plate;
  /** Seconds since it was poured. */
  s: number;
  side: 'first' | 'second';
  plateC: number;
  /** Of the side that was first down, and of the other: under 0.4 pale, 0.6 to 1.4 golden, over 2.5 burnt. */
  readonly brown: { first: number; second: number };
  /** kg/m2 of water that left as steam, and from the free face. */
  steamed: number;
  dried: number;
  /** J/m2 that came up from the plate, and that left by the free face. */
  heatIn: number;
  heatOut: number;
  readonly c: Float64Array;
  readonly dry: Float64Array;
  readonly water: Float64Array;
  readonly mass: Float64Array;
  /** Gas, m3/kg, and the most that each layer has been heated to: gas once swollen stays. */
  readonly gas: Float64Array;
  readonly hottest: Float64Array;
}

/** A fresh pour. Numbers as `PouredLayer` and `Plate` have them; all above 0. */
export function laid(pour: PouredLayer, plate: Plate): PieceOnHeat {
  const weights = Float64Array.from({ length: LAYERS }, (_, i) =>
    Math.min(0.5 * GROWS ** Math.min(i, LAYERS - 1 - i), WIDEST),
  );
  const sum = weights.reduce((a, x) => a + x, 0);
  const mass = weights.map((w) => (pour.kgPerM2 * w) / sum);
  return {
    pour,
    plate,
    s: 0,
    side: 'first',
    plateC: plate.surfaceC,
    brown: { first: 0, second: 0 },
    steamed: 0,
    dried: 0,
    heatIn: 0,
    heatOut: 0,
    mass,
    dry: mass.map((m) => m * (1 - pour.waterShare)),
    water: mass.map((m) => m * pour.waterShare),
    c: new Float64Array(LAYERS).fill(pour.batterC),
    gas: new Float64Array(LAYERS).fill(gasAtFirst(pour)),
    hottest: new Float64Array(LAYERS).fill(pour.batterC),
  };
}

const gasAtFirst = (p: PouredLayer): number => Math.max(0, 1 / (1000 * p.densityGPerMl) - AIRLESS_M3_KG);

/** The other side down. */
export function turn(p: PieceOnHeat): void {
  for (const layers of [p.c, p.dry, p.water, p.mass, p.gas, p.hottest]) layers.reverse();
  p.side = 'second';
}

// what a step works with, kept between steps
const thick = new Float64Array(LAYERS);
const conducts = new Float64Array(LAYERS);
const holds = new Float64Array(LAYERS);
const holdsBoiling = new Float64Array(LAYERS);
const across = new Float64Array(LAYERS);
const diagonal = new Float64Array(LAYERS);
const right = new Float64Array(LAYERS);
const next = new Float64Array(LAYERS);
const at = (a: Float64Array, i: number): number => a[i] as number;

/** Gas swells as a layer warms for the first time; thickness, conduction and capacity follow. */
function swell(p: PieceOnHeat): void {
  const { pour } = p;
  const first = gasAtFirst(pour);
  const most = first + KEPT_GAS * pour.liftMl * 1e-5;
  for (let i = 0; i < LAYERS; i++) {
    const [c, dry, water] = [at(p.c, i), at(p.dry, i), at(p.water, i)];
    if (c > at(p.hottest, i)) {
      p.hottest[i] = c;
      const done = (c - pour.batterC) / (SWOLLEN_C - pour.batterC);
      p.gas[i] = first + (most - first) * Math.min(1, Math.max(0, done));
    }
    const solid = dry / DRY_KG_M3 + water / WATER_KG_M3;
    const volume = solid + at(p.mass, i) * at(p.gas, i);
    const holes = 1 - solid / volume;
    const wet = water / dry;
    const crumb = CRUMB_DRY + (CRUMB_WET - CRUMB_DRY) * Math.min(1, wet / WET_FROM);
    const bubble = wet > STEAM_FROM ? between(BUBBLE, c) : DRY_GAS;
    const [sum, less] = [2 * crumb + bubble, crumb - bubble];
    thick[i] = volume;
    conducts[i] = (crumb * (sum - 2 * holes * less)) / (sum + holes * less);
    holds[i] = dry * DRY_J_KG + water * WATER_J_KG;
    // a layer on the boiling line takes heat without warming: its capacity stands for that while heat is spread
    const crust = boilsAt(water, dry) - 100;
    holdsBoiling[i] =
      c >= 100 + crust - 0.05 && water > 1e-9
        ? at(holds, i) + Math.min(1e8, (STEAM_J_KG * dry * CRUST_X) / Math.max(crust, 1e-4))
        : at(holds, i);
  }
  for (let i = 1; i < LAYERS; i++)
    across[i] = 1 / (at(thick, i - 1) / (2 * at(conducts, i - 1)) + at(thick, i) / (2 * at(conducts, i)));
}

interface FreeFace {
  /** W/m2K to the room, and W/m2 that drying takes. */
  readonly toRoom: number;
  readonly dryingW: number;
  /** kg/m2 in this step, and kg/m2 of water in the skin it comes from. */
  readonly dries: number;
  readonly skinWater: number;
}

/** What the free face gives to the room: warmth, and water from its skin. */
function freeFace(p: PieceOnHeat, dt: number): FreeFace {
  let [skin, water, dry] = [0, 0, 0];
  for (let i = LAYERS - 1; i >= 0 && skin < SKIN; i--) {
    const share = Math.min(1, (SKIN - skin) / at(p.mass, i));
    water += share * at(p.water, i);
    dry += share * at(p.dry, i);
    skin += at(p.mass, i);
  }
  const c = at(p.c, LAYERS - 1);
  const { roomC, lid } = p.plate;
  const toRoom = ROOM + EMITS * STEFAN * 4 * ((c + roomC) / 2 + 273) ** 3;
  if (lid) return { toRoom, dryingW: 0, dries: 0, skinWater: water };
  const wet = water / dry;
  const active = wet > SKIN_WET ? 0.97 : (0.97 * wet) / SKIN_WET;
  const over = (active * between(VAPOUR, Math.min(c, 100))) / (461.5 * (c + 273));
  const away = (ROOM_HUMID * between(VAPOUR, roomC)) / (461.5 * (roomC + 273));
  const perS = Math.min(Math.max(0, (ROOM / 1107) * 1.08 * (over - away)), (water * 0.3) / dt);
  return { toRoom, dryingW: perS * 2.36e6, dries: perS * dt, skinWater: water };
}

/** Heat spread through the layers over a step (backward Euler, solved from layer to layer), into `next`. */
function spreadHeat(
  p: PieceOnHeat,
  dt: number,
  fromPlate: number,
  toRoom: number,
  roomC: number,
  dryingW: number,
): void {
  for (let i = 0; i < LAYERS; i++) {
    const below = i > 0 ? at(across, i) : fromPlate;
    const above = i < LAYERS - 1 ? at(across, i + 1) : toRoom;
    const keeps = at(holdsBoiling, i) / dt;
    let d = keeps + below + above;
    let r = keeps * at(p.c, i);
    if (i === 0) r += fromPlate * p.plateC;
    else {
      const w = at(across, i) / at(diagonal, i - 1);
      d -= w * at(across, i);
      r += w * at(right, i - 1);
    }
    if (i === LAYERS - 1) r += toRoom * roomC - dryingW;
    diagonal[i] = d;
    right[i] = r;
  }
  next[LAYERS - 1] = at(right, LAYERS - 1) / at(diagonal, LAYERS - 1);
  for (let i = LAYERS - 2; i >= 0; i--)
    next[i] = (at(right, i) + at(across, i + 1) * at(next, i + 1)) / at(diagonal, i);
}

/** What is over the boiling line becomes steam (Newton's steps). @returns kg/m2 of it */
function boil(p: PieceOnHeat): number {
  let steam = 0;
  for (let i = 0; i < LAYERS; i++) {
    const [water, dry, keeps] = [at(p.water, i), at(p.dry, i), at(holds, i)];
    let c = at(p.c, i) + (at(holdsBoiling, i) / keeps) * (at(next, i) - at(p.c, i));
    if (water > 1e-9 && c > boilsAt(water, dry)) {
      let gone = 0;
      for (let n = 0; n < 5; n++) {
        const crust = boilsAt(water - gone, dry) - 100;
        const short = c - (gone * STEAM_J_KG) / keeps - 100 - crust;
        gone = Math.min(water * 0.95, Math.max(0, gone + short / (STEAM_J_KG / keeps + crust / (CRUST_X * dry))));
      }
      p.water[i] = water - gone;
      c -= (gone * STEAM_J_KG) / keeps;
      steam += gone;
    }
    p.c[i] = c;
  }
  return steam;
}

/** Part of the steam turns to water again where it is cooler. @returns kg/m2 that leave */
function recondense(p: PieceOnHeat, steam: number): number {
  if (!(steam > 0)) return 0;
  let takes = 0;
  for (let i = 0; i < LAYERS; i++) if (at(p.c, i) < BACK_BELOW_C) takes += at(holds, i) * (BACK_BELOW_C - at(p.c, i));
  if (!(takes > 0)) return steam;
  const joules = Math.min(BACK_TO_WATER * steam * STEAM_J_KG, takes * 0.5);
  const water = joules / STEAM_J_KG;
  for (let i = 0; i < LAYERS; i++) {
    const c = at(p.c, i);
    if (c >= BACK_BELOW_C) continue;
    const share = (BACK_BELOW_C - c) / takes;
    p.c[i] = c + joules * share;
    p.water[i] = at(p.water, i) + water * share * at(holds, i);
  }
  return steam - water;
}

/** Browning of a face in a second. A crust browns as it dries; a wet face does not. */
function brownsPerS(faceC: number, browns: number): number {
  if (faceC <= BROWNS_FROM_C) return 0;
  const water = CRUST_X * Math.log(CRUST_C / Math.min(CRUST_C - 1, faceC - 100));
  const slowed = 0.25 + 0.75 * Math.min(1, water / 0.03);
  const kelvin = 1 / (faceC + 273.15) - 1 / (GOLDEN_C + 273.15);
  return (slowed * Math.exp((-BROWNS_J_MOL / R) * kelvin) * browns) / GOLDEN_S;
}

/** A piece some seconds later, in place. @param dt s, 0.5 as it was tried; up to 1 */
export function heatFor(p: PieceOnHeat, dt: number): void {
  swell(p);
  const contact = p.side === 'first' ? PLATE_FIRST : PLATE_SECOND;
  const fromPlate = 1 / (1 / contact + at(thick, 0) / (2 * at(conducts, 0)));
  const face = freeFace(p, dt);
  const last = LAYERS - 1;
  const roomC = p.plate.lid ? LIDDED_C : p.plate.roomC;
  spreadHeat(p, dt, fromPlate, face.toRoom, roomC, face.dryingW);
  const up = fromPlate * (p.plateC - at(next, 0));
  p.heatIn += up * dt;
  p.heatOut += (face.toRoom * (at(next, last) - roomC) + face.dryingW) * dt;
  const fed = Math.min(PLATE_MOST, Math.max(0, PLATE_ANSWERS * (p.plate.surfaceC - p.plateC)));
  p.plateC += (dt * (fed - up)) / PLATE_J;
  p.steamed += recondense(p, boil(p));
  dry(p, face);
  p.s += dt;
  p.brown[p.side] += dt * brownsPerS(p.plateC - up / contact, p.pour.browns);
}

/** Water that the free face gives up comes from its skin. */
function dry(p: PieceOnHeat, { dries, skinWater }: FreeFace): void {
  if (!(dries > 0)) return;
  let skin = 0;
  for (let i = LAYERS - 1; i >= 0 && skin < SKIN; i--) {
    const share = Math.min(1, (SKIN - skin) / at(p.mass, i));
    const gone = (dries / skinWater) * share * at(p.water, i);
    p.water[i] = at(p.water, i) - gone;
    p.dried += gone;
    skin += at(p.mass, i);
  }
}

/** Degrees at the depth where the turn is read, between the middles of two layers. */
export function cueC(p: PieceOnHeat): number {
  const depth = CUE_DEPTH * p.pour.kgPerM2;
  let i = LAYERS - 1;
  let middle = at(p.mass, i) / 2;
  while (i > 0) {
    const below = middle + (at(p.mass, i) + at(p.mass, i - 1)) / 2;
    if (below >= depth) return at(p.c, i) + ((at(p.c, i - 1) - at(p.c, i)) * (depth - middle)) / (below - middle);
    middle = below;
    i--;
  }
  return at(p.c, 0);
}

/** The coldest of the middle, degrees. */
export function coreC(p: PieceOnHeat): number {
  let coldest = Number.POSITIVE_INFINITY;
  let z = 0;
  for (let i = 0; i < LAYERS; i++) {
    z += at(p.mass, i) / 2;
    if (z > CORE_FROM * p.pour.kgPerM2 && z < CORE_TO * p.pour.kgPerM2) coldest = Math.min(coldest, at(p.c, i));
    z += at(p.mass, i) / 2;
  }
  return coldest;
}

/** Water lost, share of what was poured. */
export const lossShare = (p: PieceOnHeat): number => (p.steamed + p.dried) / p.pour.kgPerM2;

/** How high it stands, mm. */
export const heightMm = (p: PieceOnHeat): number =>
  1000 * p.mass.reduce((a, m, i) => a + at(p.dry, i) / DRY_KG_M3 + at(p.water, i) / WATER_KG_M3 + m * at(p.gas, i), 0);
