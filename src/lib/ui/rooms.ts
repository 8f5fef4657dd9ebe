/** The rooms of a brand, in working order; a room stands here once it is built. */
export const rooms = [{ id: 'marks', label: 'Marks', address: (brand: string) => `/brands/${brand}/marks` }] as const;

export type RoomId = (typeof rooms)[number]['id'];
