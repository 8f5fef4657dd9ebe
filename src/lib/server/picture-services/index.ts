import { overHttp } from './over-http';
import type { PictureService } from './service';
import { standIn } from './stand-in';

export type { PictureService, Progress, WordedPicture } from './service';

/** The service that this installation uses: the one at `PICTURE_SERVICE_URL`, else the stand-in that ships with it. */
export function pictureService(): PictureService {
  const address = process.env['PICTURE_SERVICE_URL']?.replace(/\/+$/, '');
  return address ? overHttp(address, process.env['PICTURE_SERVICE_KEY']) : standIn;
}
