import { json } from '@sveltejs/kit';
import { shippedFamilies } from '$lib/server/fonts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = () => json(shippedFamilies(), { headers: { 'cache-control': 'no-cache' } });
