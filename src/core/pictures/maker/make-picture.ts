import { hash } from '../../fields/noise';
import type { Pixels } from '../pixels';
import { busyGround, plainGround, type GroundName } from './grounds';
import { heightMap } from './height-map';
import { lightUp, SAMPLES } from './light-up';
import { motifOf, type MotifName } from './motifs';
import { placed } from './solid';
import { vary } from './vary';

/** What is to be drawn. The same order gives the same picture, to the byte. */
export interface PictureOrder {
  readonly motif: MotifName;
  readonly color?: string | undefined;
  readonly ground: GroundName;
  /** A whole number from 0 on: another one, another picture of the same thing. */
  readonly seed: number;
  /** Side of the square picture, in pixels. */
  readonly sidePx: number;
}

/** How far a picture is. */
export interface MadeSoFar {
  readonly done: number;
  readonly of: number;
}

export const LEAST_SIDE_PX = 64;
export const MOST_SIDE_PX = 2000;
const PLAIN = ['#e8e2d4', '#d5dbd8', '#c9d3dc', '#efe9df', '#b9b2a6', '#dcd0c6'] as const;
const BUSY = ['#6b7f5a', '#c9a46a', '#4a5a6a', '#d8cfc0', '#8a4a3a', '#39443a', '#a8b4bc', '#e0b48a'] as const;

/**
 * Draws a motif of ours as solids under a lamp: our own stand-in for what picture services make.
 * @returns steps that say how far it is; then the picture, opaque
 */
export function* makePicture({ motif: name, color, ground: wanted, seed, sidePx }: PictureOrder): Generator<MadeSoFar, Pixels> {
  const motif = motifOf(name);
  const own = vary(seed * 7919 + name.length);
  const side = Math.round(Math.min(MOST_SIDE_PX, Math.max(LEAST_SIDE_PX, sidePx)));
  const main = color ?? own.pick(motif.colors);
  const scene = motif.ground?.(own, seed);
  const drawn = motif.solids(own, main);
  const scale = scene ? 1 : own.between(0.74, 0.88);
  const solids = scene
    ? drawn
    : placed(drawn, { x: own.between(-0.06, 0.06), y: own.between(-0.03, 0.05), scale, turnDeg: own.between(-4, 4) });
  const ground = scene ?? (wanted === 'busy' ? busyGround(seed, BUSY) : plainGround(seed, own.pick(PLAIN)));
  const turn = ((-135 + own.between(-30, 30)) * Math.PI) / 180;
  const rise = (own.between(42, 60) * Math.PI) / 180;
  const toward = [Math.cos(rise) * Math.cos(turn), Math.cos(rise) * Math.sin(turn), Math.sin(rise)] as const;

  /** Building the solids and lighting them take about as long. */
  const of = side * 2;
  const building = heightMap(solids, side * SAMPLES);
  let built = building.next();
  for (let at = 0; !built.done; at++) {
    yield { done: Math.min(side, Math.round((side * at) / (solids.length + 4))), of };
    built = building.next();
  }
  const lighting = lightUp(built.value, solids, ground, { toward, seed: Math.floor(hash(seed, 3, 17) * 1e6) });
  let lit = lighting.next();
  for (let row = 0; !lit.done; row++) {
    if (row % 16 === 0) yield { done: side + row, of };
    lit = lighting.next();
  }
  return { columns: side, rows: side, rgba: lit.value };
}
