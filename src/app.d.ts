import type { Who } from '$lib/server/guard/who';

declare global {
  namespace App {
    interface Error {
      readonly message: string;
      /** Whether nobody answered: what was asked for may stand here yet. */
      readonly unreachable?: true;
    }
    interface PageData {
      /** Who is signed in; nobody where nobody signs in, and under a client's link. */
      readonly signedIn?: { readonly id: string; readonly name: string; readonly role: string } | undefined;
    }
    interface Locals {
      /** Who is asking; nobody at places that are open to anyone, where people sign in. */
      who: Who | undefined;
    }
  }
}
