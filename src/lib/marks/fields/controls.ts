import type { BuilderControl, TreatmentControl } from '$core/index';

/** Controls that look alike whatever they belong to. */
export type PlainControl = Extract<BuilderControl | TreatmentControl, { readonly type: 'number' | 'choice' | 'tick' | 'paint' }>;

const PLAIN: ReadonlySet<string> = new Set(['number', 'choice', 'tick', 'paint'] satisfies PlainControl['type'][]);
export const isPlain = (control: BuilderControl | TreatmentControl): control is PlainControl => PLAIN.has(control.type);

/** Controls in their order: numbers that follow one another stand two in a line, everything else alone. */
export const inLines = <T extends { readonly type: string }>(controls: readonly T[]): readonly (readonly T[])[] =>
  controls.reduce<T[][]>((all, control) => {
    const last = all.at(-1);
    if (last?.[0]?.type === 'number' && control.type === 'number' && last.length < 2) last.push(control);
    else all.push([control]);
    return all;
  }, []);
