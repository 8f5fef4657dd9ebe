import { writeRecipe, createPart, expect as valueOf, RECIPE_VERSION } from '$core/index';

type PartInput = Parameters<typeof createPart>[0];

export const palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' } as const;

export const recipeOf = (...parts: PartInput[]) =>
  writeRecipe({ version: RECIPE_VERSION, parts: parts.map((part) => valueOf(createPart(part))) });

export const nameRecipe = (text: string, more: object = {}) =>
  recipeOf({ kind: 'lettering', id: 'name', text, font: { family: 'jost' }, ...more });

/** Sends JSON and reads the answer, whatever its status. */
export async function send<T = Record<string, unknown>>(
  url: string,
  method: string,
  body: unknown,
): Promise<{ readonly status: number; readonly type: string | null; readonly value: T }> {
  const response = await fetch(url, {
    method,
    headers: { 'content-type': 'application/json' },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
  return { status: response.status, type: response.headers.get('content-type'), value: (await response.json()) as T };
}

export const read = async <T>(url: string): Promise<T> => (await (await fetch(url)).json()) as T;
