/** The rooms of a brand, in working order; a room stands here once it is built. */
export const rooms = [
  { id: 'brief', label: 'Brief', address: (brand: string) => `/brands/${brand}/brief` },
  { id: 'type', label: 'Type', address: (brand: string) => `/brands/${brand}/type` },
  { id: 'marks', label: 'Marks', address: (brand: string) => `/brands/${brand}/marks` },
  { id: 'family', label: 'Family', address: (brand: string) => `/brands/${brand}/family` },
  { id: 'color', label: 'Color', address: (brand: string) => `/brands/${brand}/color` },
  { id: 'proof', label: 'Proof', address: (brand: string) => `/brands/${brand}/proof` },
  { id: 'photos', label: 'Photos', address: (brand: string) => `/brands/${brand}/photos` },
  { id: 'pieces', label: 'Pieces', address: (brand: string) => `/brands/${brand}/pieces` },
  { id: 'sheet', label: 'Sheet', address: (brand: string) => `/brands/${brand}/sheet` },
  { id: 'handover', label: 'Hand-over', address: (brand: string) => `/brands/${brand}/handover` },
] as const;

/** The rooms that belong to no brand. */
export const commonRooms = [
  { id: 'studio', label: 'Studio', address: '/' },
  { id: 'library', label: 'Library', address: '/library' },
  { id: 'people', label: 'People', address: '/people' },
] as const;

export type RoomId = (typeof rooms)[number]['id'] | (typeof commonRooms)[number]['id'];
