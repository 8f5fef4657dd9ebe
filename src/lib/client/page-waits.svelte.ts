/** How many pages wait for data that a server which is away cannot give; rooms say so. */
export const pageWaits = $state({ count: 0 });
