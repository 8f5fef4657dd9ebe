<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { enhance } from '$app/forms';
  import AnswerNote from './AnswerNote.svelte';
  import type { FormAnswer } from './answer';
  import { ROLE_WORDS, type RoleName } from './roles';

  interface Props {
    studioName: string;
    people: readonly {
      readonly id: string;
      readonly name: string;
      readonly email: string;
      readonly role: RoleName;
      readonly ended: boolean;
      readonly waits: boolean;
      readonly sessions: number;
    }[];
    events: readonly {
      readonly what: string;
      readonly by: string;
      readonly from: string;
      readonly at: string;
      readonly name: string | null;
    }[];
    /** Who looks, where people sign in. */
    own: string | undefined;
    signIn: boolean;
    answer: FormAnswer;
  }
  const { studioName, people, events, own, signIn, answer }: Props = $props();

  const roles = Object.entries(ROLE_WORDS) as [RoleName, (typeof ROLE_WORDS)[RoleName]][];
  const time = (at: string) => new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
  const state = ({ ended, waits, sessions }: Props['people'][number]): string =>
    ended
      ? 'may not come in'
      : waits
        ? 'has to choose a password'
        : sessions > 0
          ? `signed in on ${sessions === 1 ? 'one device' : `${sessions} devices`}`
          : 'not signed in';
</script>

<main>
  <h1>People of {studioName}</h1>
  {#if !signIn}
    <p class="quiet">
      Nobody signs in here: this app is reached from this machine alone. Whoever you take in can sign in once it is bound to more than that.
    </p>
  {/if}
  <AnswerNote {answer} />
  {#if people.length > 0}
    <table>
      <thead><tr><th>Name</th><th>Address</th><th>May</th><th>Now</th><th><span class="off-screen">What to do</span></th></tr></thead>
      <tbody>
        {#each people as person (person.id)}
          <tr class:ended={person.ended}>
            <td>{person.name}{person.id === own ? ' (you)' : ''}</td>
            <td>{person.email}</td>
            <td>
              <form method="POST" action="?/change" use:enhance>
                <input type="hidden" name="id" value={person.id} />
                <select
                  title="Changed at once; at least one owner stays"
                  class="lone-field"
                  name="role"
                  aria-label="What {person.name} may do"
                  value={person.role}
                  disabled={person.ended}
                  onchange={(event) => event.currentTarget.form?.requestSubmit()}
                >
                  {#each roles as [role, { label }] (role)}<option value={role}>{label}</option>{/each}
                </select>
              </form>
            </td>
            <td>{state(person)}</td>
            <td>
              <div class="doings">
                <form method="POST" action="?/password" use:enhance>
                  <input type="hidden" name="id" value={person.id} />
                  <button
                    title="A password for three days, to be handed over; the old one is dead at once"
                    class="link"
                    disabled={person.ended}
                    aria-label="New password for {person.name}">New password</button
                  >
                </form>
                <form method="POST" action="?/change" use:enhance>
                  <input type="hidden" name="id" value={person.id} /><input
                    type="hidden"
                    name="ended"
                    value={person.ended ? 'no' : 'yes'}
                  />
                  <button
                    title="Ends every session at once; what was made keeps the name"
                    class="link"
                    aria-label={person.ended ? `Let ${person.name} in again` : `End access of ${person.name}`}
                    >{person.ended ? 'Let in again' : 'End access'}</button
                  >
                </form>
              </div>
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="empty quiet">Nobody yet. Begin with yourself, as the owner.</p>
  {/if}

  <section aria-labelledby="add-head">
    <h2 id="add-head">Take somebody in</h2>
    <form class="add" method="POST" action="?/add" use:enhance>
      <label
        >Name <input
          title="Stands beside every version that is made"
          class="lone-field"
          name="name"
          required
          maxlength="80"
          autocomplete="off"
        /></label
      >
      <label
        >Address <input
          title="What is typed to sign in; no mail is sent"
          class="lone-field"
          name="email"
          type="email"
          required
          maxlength="200"
          autocomplete="off"
        /></label
      >
      <label>
        May
        <select title="What this person may do here" class="lone-field" name="role">
          {#each roles as [role, { label }] (role)}
            <option value={role} selected={people.length === 0 ? role === 'owner' : role === 'designer'}>{label}</option>
          {/each}
        </select>
      </label>
      <Button title="Makes a password for three days, to be handed over" type="submit">Take in</Button>
    </form>
    <dl>
      {#each roles as [role, { label, means }] (role)}<dt>{label}</dt>
        <dd>{means}</dd>{/each}
    </dl>
  </section>

  <section aria-labelledby="name-head">
    <h2 id="name-head">The studio’s name</h2>
    <form class="add" method="POST" action="?/rename" use:enhance>
      <label
        >Name <input
          title="What the studio is called in the top line"
          class="lone-field"
          name="name"
          required
          maxlength="80"
          value={studioName}
        /></label
      >
      <Button title="The new name stands everywhere at once" type="submit" color="alternative">Rename</Button>
    </form>
  </section>

  {#if events.length > 0}
    <section aria-labelledby="events-head">
      <h2 id="events-head">What happened</h2>
      <ol>
        {#each events as { what, by, from, at, name }, index (index)}
          <li>
            <span class="quiet">{time(at)}</span>
            {name ?? 'Somebody'}
            {what}{by || from ? `; by ${[by, from].filter(Boolean).join(', ')}` : ''}
          </li>
        {/each}
      </ol>
    </section>
  {/if}
</main>

<style>
  main {
    max-width: 1060px;
    margin: 0 auto;
    padding: 22px 26px 60px;
  }
  table {
    width: 100%;
    margin-top: 16px;
    border-top: 1px solid var(--color-ink);
  }
  th {
    padding: 8px 12px 6px 0;
    color: var(--color-quiet);
    font-weight: 600;
    text-align: left;
  }
  td {
    padding: 8px 12px 8px 0;
    border-top: 1px solid var(--color-rule);
    overflow-wrap: anywhere;
  }
  td:last-child {
    padding-right: 0;
  }
  .doings {
    display: flex;
    justify-content: end;
    gap: 16px;
  }
  td .link {
    min-height: 32px;
  }
  tr.ended td:not(:last-child) {
    color: var(--color-quiet);
  }
  section {
    margin-top: 26px;
    padding-top: 14px;
    border-top: 1px solid var(--color-ink);
  }
  .add {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 14px;
    margin-top: 10px;
  }
  .add label {
    display: grid;
    gap: 4px;
    font-weight: 600;
  }
  .add input {
    width: 230px;
    font-weight: 400;
  }
  dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 2px 14px;
    margin-top: 14px;
    color: var(--color-quiet);
  }
  dt {
    font-weight: 600;
  }
  ol {
    margin-top: 8px;
  }
  .empty {
    padding: 24px 0 6px;
  }
  @media (max-width: 760px) {
    table,
    tbody,
    tr,
    td {
      display: block;
    }
    thead {
      display: none;
    }
    td {
      padding: 2px 0;
      border: 0;
    }
    .doings {
      justify-content: start;
    }
    tr {
      padding: 8px 0;
      border-bottom: 1px solid var(--color-rule);
    }
  }
</style>
