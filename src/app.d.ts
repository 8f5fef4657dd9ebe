import type { Who } from '$lib/server/guard/who';

declare global {
  namespace App {
    interface Locals {
      /** Who is asking; nobody at places that are open to anyone, where people sign in. */
      who: Who | undefined;
    }
  }
}
