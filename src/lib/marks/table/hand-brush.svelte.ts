import { changing, isKnownTreatment, MOST_HAND_STROKES, type Affine, type HandStroke, type StrokeManner } from '$core/index';
import type { TreatmentDesk } from '../treatments/treatment-desk';

/** What is drawn on: a list of treatments, the one that holds the strokes, and how its plane lies in the mark. */
interface DrawnOn {
  readonly desk: TreatmentDesk;
  readonly id: string;
  readonly plane: () => Affine | undefined;
}

/** Between two nudges of a stroke by arrow keys, in the pixels of what is treated. */
const NUDGE_PX = 1;

/** The hand that draws strokes on the stage: on what, in which manner, and which stroke is in hand. */
export class HandBrush {
  on: DrawnOn | undefined = $state.raw();
  /** Whether a pull on the stage draws, or takes a stroke in hand and moves it. */
  mode: 'draw' | 'move' = $state('draw');
  /** How the next stroke is laid down. */
  manner: StrokeManner = $state.raw({ how: 'away', brush: 'rough', widthPx: 12, seed: 1, paint: { role: 'ink' } });
  /** The stroke in hand, by its place among the strokes. */
  chosen: number | undefined = $state();

  get strokes(): readonly HandStroke[] {
    const treatment = this.on?.desk.list.find(({ id }) => id === this.on?.id);
    return treatment && isKnownTreatment(treatment) && treatment.kind === 'by-hand' ? treatment.strokes : [];
  }
  get full(): boolean {
    return this.strokes.length >= MOST_HAND_STROKES;
  }

  begin(on: DrawnOn): void {
    this.on = on;
    this.mode = 'draw';
    this.chosen = undefined;
  }
  end(): void {
    this.on = undefined;
    this.chosen = undefined;
  }

  preview(strokes: readonly HandStroke[]): void {
    const { on } = this;
    if (on) on.desk.preview(changing(on.desk.list, on.id, { strokes }));
  }
  commit(gesture: string): void {
    this.on?.desk.commit(gesture);
  }
  /** One more stroke, each with a seed of its own, so that two dabs are not the same. */
  add(stroke: HandStroke): void {
    if (this.full) return;
    this.preview([...this.strokes, { ...stroke, seed: (stroke.seed + this.strokes.length) % 1_000_000 }]);
    this.commit(stroke.how === 'away' ? 'Rub out by hand' : 'Paint by hand');
  }
  /** The stroke in hand changed; shown only, until it is committed. */
  put(at: number, stroke: HandStroke): void {
    this.preview(this.strokes.map((each, index) => (index === at ? stroke : each)));
  }
  remove(at: number): void {
    const left = this.strokes.filter((_, index) => index !== at);
    this.preview(left);
    this.commit('Remove a stroke');
    this.chosen = left.length === 0 ? undefined : Math.min(at, left.length - 1);
  }
  /** How far an arrow key moves the stroke in hand; nothing for other keys. */
  static nudge({ key, shiftKey }: KeyboardEvent): readonly [number, number] | undefined {
    const by = NUDGE_PX * (shiftKey ? 10 : 1);
    const ways: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    return ways[key];
  }
}
