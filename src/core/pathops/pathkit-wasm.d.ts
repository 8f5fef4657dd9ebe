/** The little of PathKit that is used. @source the package's own API page */
declare module 'pathkit-wasm' {
  export interface SkPath {
    addPath(path: SkPath): SkPath;
    setFillType(type: unknown): void;
    getFillType(): unknown;
    /** In place; nothing when it cannot. */
    op(other: SkPath, how: unknown): SkPath | null;
    simplify(): SkPath | null;
    stroke(options: { width: number; join: unknown; cap: unknown; miter_limit: number }): SkPath | null;
    /** In place, by the nine numbers of a projective map, row by row. */
    transform(a: number, c: number, e: number, b: number, d: number, f: number, p: 0, q: 0, w: 1): SkPath;
    toCmds(): readonly (readonly number[])[];
    delete(): void;
  }
  export interface PathKit {
    NewPath(): SkPath;
    FromCmds(commands: readonly (readonly number[])[]): SkPath;
    readonly PathOp: Readonly<Record<'UNION' | 'DIFFERENCE' | 'INTERSECT' | 'XOR', number>>;
    readonly FillType: Readonly<Record<'WINDING' | 'EVENODD', unknown>>;
    readonly StrokeJoin: Readonly<Record<'ROUND' | 'MITER' | 'BEVEL', number>>;
    readonly StrokeCap: Readonly<Record<'ROUND' | 'BUTT' | 'SQUARE', number>>;
  }
  export default function PathKitInit(options: { wasmBinary: Uint8Array }): Promise<PathKit>;
}
