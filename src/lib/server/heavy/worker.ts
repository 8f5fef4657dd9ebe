import type { Problem } from '$core/index';
import { asRefusal } from '../http/refusals';
import { giveBack, goLast } from './manners';
import { tasks, type TaskInput, type TaskName } from './tasks';

goLast();

/** What a thread answers; errors do not keep their kind on the way. */
export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false;
      readonly status: number;
      readonly problems: readonly Problem[];
      readonly extra: Readonly<Record<string, unknown>>;
    };

/** The door of the thread: does one task. */
export default async function work<N extends TaskName>({
  name,
  input,
}: {
  readonly name: N;
  readonly input: TaskInput<N>;
}): Promise<Outcome<unknown>> {
  try {
    return { ok: true, value: await (tasks[name] as (input: TaskInput<N>) => Promise<unknown>)(input) };
  } catch (error) {
    const { status, problems, extra } = asRefusal(error);
    return { ok: false, status, problems, extra };
  } finally {
    giveBack();
  }
}
