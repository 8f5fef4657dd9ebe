<script lang="ts">
  import { enhance } from '$app/forms';
  import AnswerNote from './AnswerNote.svelte';
  import type { FormAnswer } from './answer';

  interface Props {
    name: string;
    email: string;
    mustChoose: boolean;
    shortest: number;
    longest: number;
    sessions: readonly {
      readonly id: string;
      readonly here: boolean;
      readonly device: string;
      readonly since: string;
      readonly seen: string;
    }[];
    answer: FormAnswer;
  }
  const { name, email, mustChoose, shortest, longest, sessions, answer }: Props = $props();

  let shown = $state(false);
  const time = (at: string) => new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
</script>

<main>
  <h1>{name}</h1>
  <p class="quiet">{email}</p>
  <AnswerNote {answer} />

  <section aria-labelledby="password-head">
    <h2 id="password-head">{mustChoose ? 'Choose a password of your own first' : 'Your password'}</h2>
    <form method="POST" action="?/password" use:enhance>
      <label for="present">{mustChoose ? 'The one you were given' : 'The present one'}</label>
      <input
        title="The password with which you signed in"
        id="present"
        name="present"
        type={shown ? 'text' : 'password'}
        autocomplete="current-password"
        required
        maxlength={longest}
      />
      <label for="next">The new one</label>
      <input
        title="At least as long as it says below; a sentence is fine"
        id="next"
        name="next"
        type={shown ? 'text' : 'password'}
        autocomplete="new-password"
        required
        maxlength={longest}
        aria-describedby="next-hint"
      />
      <p id="next-hint" class="quiet">At least {shortest} letters of any kind. Three or four words that do not belong together do well.</p>
      <label class="check"
        ><input title="Shows both passwords while you type" type="checkbox" bind:checked={shown} /> Show what I type</label
      >
      <button title="From now on you sign in with the new one" class="main">Change the password</button>
    </form>
  </section>

  {#if !mustChoose}
    <section aria-labelledby="devices-head">
      <h2 id="devices-head">Where you are signed in</h2>
      <ul>
        {#each sessions as { id, here, device, since, seen } (id)}
          <li>
            <span>{device}{here ? ', here' : ''}<br /><span class="quiet">since {time(since)}, last seen {time(seen)}</span></span>
            {#if !here}
              <form method="POST" action="?/end" use:enhance>
                <input type="hidden" name="id" value={id} /><button title="Ends that session at once" class="link">Sign out there</button>
              </form>
            {/if}
          </li>
        {/each}
      </ul>
    </section>
  {/if}
</main>

<style>
  main {
    max-width: 560px;
    margin: 0 auto;
    padding: 24px 26px 60px;
  }
  section {
    margin-top: 26px;
    padding-top: 14px;
    border-top: 1px solid var(--color-ink);
  }
  section > form {
    display: grid;
    gap: 4px;
    max-width: 340px;
    margin-top: 8px;
  }
  label {
    margin-top: 8px;
    font-weight: 600;
  }
  .check {
    display: flex;
    align-items: center;
    gap: 8px;
    font-weight: 400;
  }
  section > form input:not([type='checkbox']) {
    height: 36px;
    padding: 0 10px;
    border: 1px solid var(--color-quiet);
    background: var(--color-sheet);
  }
  .main {
    min-height: 36px;
    margin-top: 12px;
    background: var(--color-plum);
    color: #fff;
    font-weight: 600;
  }
  li {
    display: flex;
    align-items: center;
    justify-content: space-between;
    padding: 8px 0;
    border-bottom: 1px solid var(--color-rule);
  }
</style>
