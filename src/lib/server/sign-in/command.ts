/** `npm run people`: studios and people from the command line, for whoever runs the installation. No mail is sent: passwords are handed over. */
import { parseArgs } from 'node:util';
import { closeDatabase, unitOfWork } from '../database/orm';
import { closeEvents } from '../events';
import { closePool } from '../database/pool';
import { HOME_STUDIO, onBehalfOf } from '../http/author';
import { ROLES, type Role } from '../guard/who';
import { ProblemError, refuse } from '../http/problem-error';
import { addPerson, changePerson, listPeople, listStudios, makeStudio, renameStudio, resetPassword } from './people';

const HELP = `npm run people -- list
npm run people -- add --name "…" --email … --role ${ROLES.join('|')} [--studio "…"]
npm run people -- password --email …          a new password, and all sessions end
npm run people -- role --email … --role …
npm run people -- end --email …               takes access away at once
npm run people -- open --email …              gives it back
npm run people -- studio --name "…"           makes one more studio
npm run people -- rename --studio "…" --name "…"`;

const { values: given, positionals } = parseArgs({
  allowPositionals: true,
  options: { name: { type: 'string' }, email: { type: 'string' }, role: { type: 'string' }, studio: { type: 'string' } },
});
const [order = 'help'] = positionals;

const wanted = (name: 'name' | 'email' | 'role'): string => {
  const value = given[name]?.trim() ?? '';
  if (value === '') throw refuse(422, 'missing', `--${name} is missing.`, HELP);
  return value;
};
const role = (): Role => {
  const said = wanted('role') as Role;
  if (!ROLES.includes(said)) throw refuse(422, 'no-such-role', `There is no role “${said}”.`, `Choose one of ${ROLES.join(', ')}.`);
  return said;
};
const handOver = (password: string) => console.log(`The password that lets them in once, within three days: ${password}`);

async function run(): Promise<void> {
  const em = await unitOfWork();
  const studios = await listStudios(em);
  const studioCalled = (name: string | undefined): string => {
    const found = name === undefined ? studios.find(({ id }) => id === HOME_STUDIO) : studios.find((each) => each.name === name);
    if (!found)
      throw refuse(404, 'no-such-studio', `There is no studio “${name}”.`, `There are: ${studios.map((each) => each.name).join(', ')}.`);
    return found.id;
  };
  const someone = async (): Promise<{ readonly studio: string; readonly id: string }> => {
    const email = wanted('email').toLowerCase();
    for (const { id: studio } of studios) {
      const person = (await listPeople(em, studio)).find((each) => each.email === email);
      if (person) return { studio, id: person.id };
    }
    throw refuse(404, 'no-such-person', `Nobody has the address ${email}.`);
  };
  const orders: Readonly<Record<string, () => Promise<void>>> = {
    list: async () => {
      for (const { id, name } of studios) {
        console.log(name);
        for (const person of await listPeople(em, id))
          console.log(`  ${person.name} <${person.email}>, ${person.role}${person.ended ? ', may not come in' : ''}`);
      }
    },
    add: async () => {
      const email = wanted('email');
      if (!/^\S+@\S+\.\S+$/.test(email)) throw refuse(422, 'no-address', `“${email}” is no address.`);
      handOver(await addPerson(em, studioCalled(given.studio), { name: wanted('name'), email, role: role() }));
    },
    password: async () => {
      const { studio, id } = await someone();
      handOver(await resetPassword(em, studio, id));
    },
    role: async () => {
      const { studio, id } = await someone();
      await changePerson(em, studio, id, { role: role() });
    },
    end: async () => {
      const { studio, id } = await someone();
      await changePerson(em, studio, id, { ended: true });
    },
    open: async () => {
      const { studio, id } = await someone();
      await changePerson(em, studio, id, { ended: false });
    },
    studio: async () => void (await makeStudio(em, wanted('name'))),
    rename: async () => renameStudio(em, studioCalled(given.studio), wanted('name')),
  };
  const known = Object.hasOwn(orders, order) ? orders[order] : undefined;
  if (!known) throw refuse(422, 'no-such-order', HELP);
  await known();
}

try {
  await onBehalfOf({ name: '', from: 'the command line', studio: HOME_STUDIO }, run);
} catch (error) {
  console.error(error instanceof ProblemError ? error.message : error);
  process.exitCode = 1;
} finally {
  await Promise.all([closeEvents(), closePool(), closeDatabase()]);
}
