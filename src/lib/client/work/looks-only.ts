/** Whether whoever sits here may only look: set once by the page, from their role in the studio. */
let only = false;
export const looksOnly = (): boolean => only;
export function lookOnly(on: boolean): void {
  only = on;
}
