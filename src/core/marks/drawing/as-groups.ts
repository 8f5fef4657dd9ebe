import { IDENTITY } from '../../geometry';
import type { DrawingNode, Group } from './drawing';

/** A group around all as groups that stand by themselves: what a treatment of the whole mark adds behind and in front are groups of their own. */
export function asGroups({ children, carves, shades }: Group): readonly Group[] {
  const groups: Group[] = [];
  let loose: DrawingNode[] = [];
  const close = () => {
    if (loose.length > 0)
      groups.push({ kind: 'group', id: `whole-${groups.length}`, transform: IDENTITY, opacity: 1, blend: 'normal', children: loose });
    loose = [];
  };
  for (const child of children)
    if (child.kind === 'group' && child.id !== '') {
      close();
      groups.push(child);
    } else loose.push(child);
  close();
  const before = { ...(carves ? { carves } : {}), ...(shades ? { shades } : {}) };
  return (carves || shades) && groups[0] ? [{ ...groups[0], ...before }, ...groups.slice(1)] : groups;
}
