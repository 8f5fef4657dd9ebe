import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { expect as valueOf, fail, ok, problemsOf } from '$core/index';

const schema = z.strictObject({
  size: z.number().min(1).max(10),
  name: z.string().max(3),
  tags: z.array(z.string()).max(1),
  kind: z.enum(['a', 'b']),
});
const said = (input: unknown) => {
  const parsed = schema.safeParse(input);
  return parsed.success ? [] : problemsOf(parsed.error, input).map(({ message }) => message);
};
const good = { size: 5, name: 'ab', tags: [], kind: 'a' };

describe('problemsOf', () => {
  it.each([
    [{ ...good, size: 0 }, '“size”: expected at least 1, but received 0.'],
    [{ ...good, size: 4000 }, '“size”: expected at most 10, but received 4000.'],
    [{ ...good, size: '5' }, '“size”: expected a value of type number, but received “5”.'],
    [{ ...good, name: 'long name' }, '“name”: expected at most 3 letters, but received “long name”.'],
    [{ ...good, tags: ['x', 'y'] }, '“tags”: expected at most 1 entries, but received a list of 2.'],
    [{ ...good, extra: true }, 'The document: “extra” is not known here.'],
    ['text', 'The document: expected a value of type object, but received “text”.'],
  ])('says of %j what was expected and what came', (input, sentence) => expect(said(input)).toContain(sentence));

  it('says every fault, and cuts long values short', () => {
    expect(said({ size: 0, name: 'x'.repeat(300), tags: [], kind: 'z' })).toHaveLength(3);
    expect(Math.max(...said({ ...good, name: 'x'.repeat(300) }).map((sentence) => sentence.length))).toBeLessThan(130);
  });
});

describe('results', () => {
  it('give their value, or throw all their sentences where failure is a mistake of ours', () => {
    expect(valueOf(ok(3))).toBe(3);
    expect(() => valueOf(fail({ code: 'a', message: 'One.' }, { code: 'b', message: 'Two.' }))).toThrow('One. Two.');
  });
});
