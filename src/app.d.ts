import type { Who } from '$lib/server/guard/who';

declare global {
  namespace App {
    interface Error {
      readonly message: string;
      /** Whether nobody answered: what was asked for may stand here yet. */
      readonly unreachable?: true;
    }
    interface Locals {
      /** Who is asking; nobody at places that are open to anyone, where people sign in. */
      who: Who | undefined;
    }
  }
}
