declare const unit: unique symbol;

/** A number that carries its unit in its type, so that two units never meet unnoticed. */
export type Quantity<U extends string> = number & { readonly [unit]: U };

/** Length in the mark's own unit: one pixel of the mark at 100 %. */
export type Px = Quantity<'px'>;

/** Length in a font's design units; `unitsPerEm` of them make one em. */
export type FontUnits = Quantity<'font unit'>;
