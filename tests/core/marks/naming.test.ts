import { describe, expect, it } from 'vitest';
import { createPart, labelsOf, expect as valueOf } from '$core/index';

const disk = (id: string, name?: string) =>
  valueOf(createPart({ kind: 'shape', id, form: { form: 'disk', widthPx: 9, heightPx: 9 }, ...(name ? { name } : {}) }));

describe('names of parts', () => {
  it('tell those of one name apart, and do not change when parts are restacked', () => {
    const parts = [disk('disk-1'), disk('disk-2'), disk('disk-10')];
    expect([...labelsOf(parts)]).toEqual([
      ['disk-1', 'Disk'],
      ['disk-2', 'Disk 2'],
      ['disk-10', 'Disk 3'],
    ]);
    expect(labelsOf([...parts].reverse())).toEqual(labelsOf(parts));
  });
  it('leave a name to whoever was given it', () => {
    const labels = labelsOf([disk('disk-1'), disk('disk-2'), disk('disk-3', 'Disk 2')]);
    expect(labels.get('disk-3')).toBe('Disk 2');
    expect(new Set(labels.values()).size).toBe(3);
  });
  it('are different for 500 parts of one name', () => {
    const parts = Array.from({ length: 500 }, (_, n) => disk(`disk-${n}`));
    expect(new Set(labelsOf(parts).values()).size).toBe(500);
  });
});
