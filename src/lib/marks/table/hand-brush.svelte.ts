import { changing, MOST_HAND_STROKES, type Affine, type HandStroke, type StrokeManner } from '$core/index';
import type { TreatmentDesk } from '../treatments/treatment-desk';

/** The strokes of one treatment, wherever its list stands, and which of them is in hand. */
export class Strokes {
  /** The stroke in hand, by its place; none while what is set is for the next one. */
  chosen: number | undefined = $state();

  constructor(
    readonly desk: TreatmentDesk,
    readonly id: string,
  ) {}

  get all(): readonly HandStroke[] {
    const treatment = this.desk.list.find(({ id }) => id === this.id);
    return treatment?.kind === 'by-hand' ? treatment.strokes : [];
  }
  get full(): boolean {
    return this.all.length >= MOST_HAND_STROKES;
  }
  #preview(strokes: readonly HandStroke[]): void {
    this.desk.preview(changing(this.desk.list, this.id, { strokes }));
  }
  commit(gesture: string): void {
    this.desk.commit(gesture);
  }
  /** One more stroke; nothing where there is no room. */
  add(gesture: string, stroke: HandStroke): void {
    if (this.full) return;
    this.#preview([...this.all, stroke]);
    this.commit(gesture);
  }
  /** A stroke changed; shown only, until it is committed. */
  put(at: number, stroke: HandStroke): void {
    this.#preview(this.all.map((each, place) => (place === at ? stroke : each)));
  }
  /** Without a stroke; the next one comes into the hand. */
  remove(at: number): void {
    const left = this.all.filter((_, place) => place !== at);
    this.#preview(left);
    this.commit('Remove a stroke');
    this.chosen = left.length === 0 ? undefined : Math.min(at, left.length - 1);
  }
}

/** The hand that draws strokes on the stage: on what, and in which manner. */
export class HandBrush {
  /** The strokes that are drawn, and how their plane lies in the mark. */
  on: { readonly strokes: Strokes; readonly plane: () => Affine | undefined } | undefined = $state.raw();
  /** Whether a pull on the stage draws, or takes a stroke in hand and moves it. */
  mode: 'draw' | 'move' = $state('draw');
  /** How the next stroke is laid down. */
  manner: StrokeManner = $state.raw({ how: 'away', brush: 'rough', widthPx: 12, seed: 1, paint: { role: 'ink' } });

  /** Begins on the stage; lists that the stage shows in no plane of their own are reached by numbers alone. */
  begin(strokes: Strokes, mode: 'draw' | 'move' = 'draw'): void {
    const { plane } = strokes.desk;
    if (!plane) return;
    this.on = { strokes, plane };
    this.mode = mode;
    strokes.chosen = undefined;
  }
  end(): void {
    if (this.on) this.on.strokes.chosen = undefined;
    this.on = undefined;
  }
  /** Each stroke gets a seed of its own, so that two dabs are not the same. */
  draw(stroke: HandStroke): void {
    const { strokes } = this.on ?? {};
    strokes?.add(stroke.how === 'away' ? 'Rub out by hand' : 'Paint by hand', {
      ...stroke,
      seed: (stroke.seed + strokes.all.length) % 1_000_000,
    });
  }
}
