import type { Result } from '$core/index';
import { sendFile } from './send-file';

/** A picture of a brand, as it can be chosen. */
export interface OfferedPicture {
  readonly sha256: string;
  readonly name: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Brings a picture into a brand, to be shown in its marks, pieces and pages. */
export const bringPicture = (brand: string, file: File): Promise<Result<OfferedPicture>> =>
  sendFile<OfferedPicture>(`/api/brands/${brand}/pictures?${new URLSearchParams({ name: file.name, for: 'mark' })}`, file, file.type);
