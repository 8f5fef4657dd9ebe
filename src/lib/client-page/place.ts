/** Side in px of the square that a client points into: places on a mark are shares of it. */
export const PLACE_PX = 320;
