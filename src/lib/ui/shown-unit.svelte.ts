import { lengthText, SHOWN_UNITS, type ShownUnit } from '$core/index';

const KEY = 'lucky-thistle/unit';
const UNITS = Object.keys(SHOWN_UNITS) as readonly ShownUnit[];

function kept(): ShownUnit {
  try {
    const unit = localStorage.getItem(KEY);
    return UNITS.find((each) => each === unit) ?? 'px';
  } catch {
    return 'px';
  }
}

/** The unit that lengths are shown and typed in on this device: fields, rulers and measures all ask here. A mark itself is in pixels. */
class Lengths {
  unit: ShownUnit = $state(kept());

  show(unit: ShownUnit): void {
    this.unit = unit;
    try {
      localStorage.setItem(KEY, unit);
    } catch {
      // Without storage the unit holds until the page is left.
    }
  }
  /** The next unit, round and round. */
  next(): void {
    this.show(UNITS[(UNITS.indexOf(this.unit) + 1) % UNITS.length] ?? 'px');
  }
  text = (px: number): string => lengthText(px, this.unit);
}
export const lengths = new Lengths();
