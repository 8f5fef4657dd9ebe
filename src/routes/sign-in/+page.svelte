<script lang="ts">
  const { data, form } = $props();
</script>

<svelte:head><title>Sign in · Lucky Thistle</title></svelte:head>
<main>
  <p class="home"><img src="/thistle.svg" alt="" width="21" height="28" /> Lucky Thistle</p>
  <h1>Sign in to your studio</h1>
  {#if form?.fault}<p class="fault" role="alert">{form.fault}</p>{/if}
  <form method="POST">
    <input type="hidden" name="to" value={data.to} />
    <label for="email">Your address</label>
    <input
      id="email"
      name="email"
      type="email"
      autocomplete="username"
      required
      maxlength="200"
      value={form && 'email' in form ? form.email : ''}
    />
    <label for="password">Password</label>
    <input id="password" name="password" type="password" autocomplete="current-password" required maxlength="1000" />
    <button>Sign in</button>
  </form>
  <p class="quiet">No password, or forgotten? The owner of your studio gives you a new one.</p>
</main>

<style>
  main {
    max-width: 360px;
    margin: 0 auto;
    padding: 12vh 18px 40px;
    font-size: 15px;
  }
  .home {
    display: flex;
    align-items: center;
    gap: 12px;
    margin-bottom: 26px;
    font: 500 21px var(--font-serif);
  }
  form {
    display: grid;
    gap: 6px;
    margin: 20px 0 24px;
  }
  label {
    margin-top: 8px;
    font-weight: 600;
  }
  input {
    min-height: 44px;
    padding: 8px 10px;
    border: 1px solid var(--color-quiet);
    background: var(--color-sheet);
    font-size: 16px;
  }
  button {
    min-height: 44px;
    margin-top: 18px;
    background: var(--color-plum);
    color: #fff;
    font-weight: 600;
  }
  .fault {
    margin-top: 12px;
    color: var(--color-rust);
  }
</style>
