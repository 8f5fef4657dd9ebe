import { ownOrder } from '$lib/server/goods/own-order';
import type { GoodsOrder } from '$lib/server/goods/shown-on';
import { heavy } from '$lib/server/heavy/pool';
import { answer } from '$lib/server/http/answer';
import { groundColor } from '$lib/server/http/file-answer';
import { pictureHeaders, pictureRequest } from '$lib/server/http/picture-request';
import { readQuery } from '$lib/server/http/read-query';
import { goodsQuerySchema } from '$lib/server/http/schemas';
import type { RequestHandler } from './$types';

/** Up to this width it is one of many on a wall. */
const SMALL_PX = 800;

/** A mark on goods: on a mug, a shirt, a sign. */
export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const { dressing, width, tint, turn, own, v: _, download, ...place } = readQuery(event.url, goodsQuerySchema);
    const { subject, fileName } = await pictureRequest(em, event, { dressing, padding: 0, room: 0, crop: 'box' });
    const { scene } = event.params;
    const { way, ...at } = place;
    const order: GoodsOrder = {
      ...at,
      ...{ scene, widthPx: width, turnDeg: turn },
      ...(way ? { way } : {}),
      ...(tint === undefined ? {} : { tint: groundColor(subject.palette, tint) }),
      ...(own ? { own: await ownOrder(em.fork(), event.params.brand, own, subject.palette) } : {}),
    };
    const file = await (width > SMALL_PX ? heavy('goodsLarge', { subject, order }) : heavy('goods', { subject, order }));
    return new Response(new Uint8Array(file), { headers: pictureHeaders('image/jpeg', `${fileName}_${scene}.jpg`, download === '1') });
  });
