import { unitOfWork } from '../database/orm';
import { ownReach } from '../guard/reach';

/** Why this process must not start: it would be open to others without anybody having to sign in, or with nobody able to. */
export async function startFault(): Promise<string | undefined> {
  const { signIn, faults } = ownReach();
  if (!signIn) return undefined;
  const { countOwners } = await import('./people');
  const all = [
    ...faults,
    ...(faults.length === 0 && (await countOwners(await unitOfWork())) === 0
      ? ['No studio has an owner yet: npm run people -- add --name "…" --email … --role owner.']
      : []),
  ];
  return all.length === 0
    ? undefined
    : `Lucky Thistle can be reached from beyond this machine, so that people have to sign in. ${all.join(' ')}`;
}
